<script setup lang="ts">
import { notMeant } from '#core/shelf'
import type { SupplyPlan } from '#core/sheet'
import { amountText, codeIn, type Bottle } from '~/components/shelf/bottle'
import { send } from '~/composables/useAsked'

/** The bottle that what is weighed comes from: the plan's, or another whose code is scanned or typed. The wrong one is caught before it is weighed. */
const { species, supply } = defineProps<{ species: string; supply: SupplyPlan }>()
const code = defineModel<string | undefined>({ required: true })
const bottle = shallowRef<Bottle>()
const typed = ref('')
const caught = ref('')
const other = shallowRef<Bottle>()

const read = (of: string): Promise<Bottle> => send<Bottle>(`/api/bottles/${encodeURIComponent(of)}`)
watch(
  code,
  async of => {
    bottle.value = undefined
    if (of === undefined) return
    try {
      const found = await read(of)
      if (code.value === of) bottle.value = found
    } catch {
      // Away, or gone: the code stands all the same.
    }
  },
  { immediate: true },
)
function scanned(text: string): void {
  typed.value = codeIn(text)
  void look()
}
async function look(): Promise<void> {
  const wanted = codeIn(typed.value)
  if (wanted === '') return
  caught.value = ''
  other.value = undefined
  try {
    const found = await read(wanted)
    const why = notMeant(found, species, supply)
    if (why === undefined) return take(found)
    caught.value = why
    other.value = found
  } catch (error) {
    caught.value =
      (error as { statusCode?: number }).statusCode === 404
        ? `There is no bottle ${wanted} on the shelf.`
        : 'The shelf cannot be read just now: weigh on, and say later which bottle it was.'
  }
}
function take(found: Bottle): void {
  code.value = found.code
  typed.value = ''
  caught.value = ''
  other.value = undefined
}
</script>

<template>
  <section class="mt-3 rounded-lg border border-rule px-3 py-2" aria-label="Bottle at hand">
    <form class="flex flex-wrap items-center gap-x-4 gap-y-2" @submit.prevent="look">
      <p class="min-w-0 flex-1 text-[16px]">
        <template v-if="code"
          >From bottle <b>{{ code }}</b><template v-if="bottle"
            >, <FormulaText :text="bottle.label.formula" />, <span class="figure">{{ amountText(bottle) }}</span> in
            it</template
          ></template
        >
        <template v-else>From no bottle of the shelf</template>
      </p>
      <input
        v-model="typed"
        class="field min-h-12 w-[250px] max-sm:w-full"
        aria-label="Scan or type a bottle’s code"
        placeholder="scan or type a bottle’s code"
        autocomplete="off"
        autocapitalize="characters"
        spellcheck="false"
      />
      <button type="submit" class="button button-quiet min-h-12" :disabled="typed.trim() === ''">This one</button>
      <CodeScanner is-large @read="scanned" />
    </form>
    <div v-if="caught" class="mt-2 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      <p><RichText :text="caught" /></p>
      <button v-if="other" type="button" class="mt-1 min-h-12 underline" @click="take(other)">
        Take it all the same
      </button>
    </div>
  </section>
</template>
