<script setup lang="ts">
import { formatValue } from '#core/quantity'
import type { ClassPlan, StockNeed } from '#core/classroom'
import { send, useAsked } from '~/composables/useAsked'

export interface WholeClass {
  readonly id: string
  readonly code: string
  readonly plan: ClassPlan
  readonly releasedAt?: string
  readonly groups: readonly { readonly number: number; readonly section: string; readonly batch: string }[]
  readonly members: readonly {
    readonly id: string
    readonly group: number
    readonly name: string
    readonly person?: string
  }[]
  readonly stocks: readonly StockNeed[]
  readonly key?: Readonly<Record<string, string>>
}
/** What a class needs before it begins: its people, its jars, its solutions. */
const { whole } = defineProps<{ whole: WholeClass }>()
const emit = defineEmits<{ changed: [] }>()
const table = ref('')
const { isBusy, failure, problems, ask } = useAsked()
const showsKey = ref(false)
const roster = useAsked()

async function put(): Promise<void> {
  const done = await ask(() => send(`/api/classes/${whole.id}/roster`, { method: 'PUT', body: { table: table.value } }))
  if (!done) return
  table.value = ''
  emit('changed')
}
async function readFile(event: Event): Promise<void> {
  const [file] = (event.target as HTMLInputElement).files ?? []
  if (file) table.value = await file.text()
}
const release = async (): Promise<void> => {
  if (await roster.ask(() => send(`/api/classes/${whole.id}/release`, { method: 'POST', body: {} }))) emit('changed')
}
const isAsked = ref(false)

interface Slip {
  readonly name: string
  readonly group: number
  readonly link: string
}
const slips = shallowRef<readonly Slip[]>([])
const linking = useAsked()
const makeLinks = (): Promise<boolean> =>
  linking.ask(async () => {
    slips.value = (await send<{ slips: Slip[] }>(`/api/classes/${whole.id}/links`, { method: 'POST', body: {} })).slips
  })
const waiting = computed(() => whole.members.filter(({ person }) => person === undefined).length)
const print = (): void => window.print()
const lines = computed(() => Object.values(problems.value))
const nameOf = (number: number): string =>
  whole.members
    .filter(({ group }) => group === number)
    .map(({ name, person }) => (person ? name : `${name} (not in yet)`))
    .join(', ')
</script>

<template>
  <div class="grid gap-6 lg:grid-cols-2">
    <section aria-label="People">
      <h2 class="text-[15px] text-ink">Who is in which group</h2>
      <p class="mt-1 text-[14px]">
        Students join with the code <b class="figure text-[18px]">{{ whole.code }}</b> on their Class page, once they
        are in this lab as students. Where there is a list, each takes the place of their name.
      </p>
      <ol class="mt-2 text-[14px]">
        <li v-for="group in whole.groups" :key="group.number" class="flex gap-3 border-t border-rule py-0.5">
          <NuxtLink :to="`/batches/${group.batch}/sheet`" class="figure w-16 text-verdigris underline">{{
            group.batch
          }}</NuxtLink>
          <span class="figure w-6 text-right">{{ group.number }}</span>
          <span class="text-soft">{{ group.section }}</span>
          <span>{{ nameOf(group.number) || 'nobody yet' }}</span>
        </li>
      </ol>
      <div v-if="waiting > 0" class="mt-3">
        <button type="button" class="button button-quiet" :disabled="linking.isBusy.value" @click="makeLinks">
          Make a link for each who is not in yet
        </button>
        <p v-if="linking.failure.value" class="mt-1 text-[13.5px] text-red" role="alert">{{ linking.failure.value }}</p>
      </div>
      <section
        v-if="slips.length > 0"
        class="mt-3 rounded-lg border border-rule px-3 py-2"
        aria-label="Links to hand out"
      >
        <p class="text-[14px]">
          Shown once, each good for a week and for one person. Print and cut them up.
          <button type="button" class="text-verdigris underline" @click="print">Print</button>
        </p>
        <ul>
          <li
            v-for="slip in slips"
            :key="slip.link"
            class="break-inside-avoid border-t border-dashed border-rule py-2 text-[13.5px]"
          >
            <b>{{ slip.name }}</b>, group {{ slip.group }}: open <span class="figure break-all">{{ slip.link }}</span>,
            choose a name to sign in by and a password, then join the class with <b class="figure">{{ whole.code }}</b>.
          </li>
        </ul>
      </section>
      <form class="mt-3" @submit.prevent="put">
        <label
          ><span class="label">A list as CSV or from a spreadsheet: name, and group if you wish</span
          ><textarea
            v-model="table"
            class="field figure"
            rows="5"
            placeholder="name,group&#10;…"
            :aria-invalid="lines.length > 0"
          />
        </label>
        <ul v-if="lines.length > 0" class="text-[13.5px] text-red" role="alert">
          <li v-for="line in lines" :key="line">{{ line }}</li>
        </ul>
        <p v-if="failure" class="text-[13.5px] text-red" role="alert">{{ failure }}</p>
        <div class="mt-2 flex flex-wrap items-center gap-3">
          <button class="button" :disabled="isBusy || table.trim() === ''">Put this list in</button>
          <input type="file" accept=".csv,text/csv,text/plain" aria-label="A file with the list" @change="readFile" />
        </div>
      </form>
    </section>
    <div class="grid content-start gap-6">
      <section v-if="whole.plan.unknown" aria-label="Unknowns">
        <h2 class="text-[15px] text-ink">The jars: {{ whole.plan.unknown.asks }}</h2>
        <p class="mt-1 text-[14px]">
          The key is sealed: students do not see it, and results are not set against it, until you release it.
        </p>
        <div class="mt-2 flex flex-wrap gap-3">
          <button type="button" class="button button-quiet" :aria-expanded="showsKey" @click="showsKey = !showsKey">
            {{ showsKey ? 'Hide the key' : 'Show it, to fill the jars' }}
          </button>
          <template v-if="!whole.releasedAt">
            <button v-if="!isAsked" type="button" class="button" @click="isAsked = true">Release the key</button>
            <template v-else>
              <span class="self-center text-[14px]">Everybody sees their value then, and it stays so.</span>
              <button type="button" class="button" :disabled="roster.isBusy.value" @click="release">
                Release it now
              </button>
            </template>
          </template>
          <b v-else class="self-center text-verdigris">Released</b>
        </div>
        <ol v-if="showsKey && whole.key" class="figure mt-2 grid grid-cols-3 gap-x-4 text-[14px]">
          <li v-for="(value, number) in whole.key" :key="number">
            {{ number }}: <b>{{ value }}</b> {{ whole.plan.unknown.unit }}
          </li>
        </ol>
      </section>
      <section aria-label="Solutions">
        <h2 class="text-[15px] text-ink">Solutions to have ready</h2>
        <p v-if="whole.stocks.length === 0" class="mt-1 text-[14px] text-soft">The plan takes no solution.</p>
        <ul class="mt-1 text-[14px]">
          <li
            v-for="stock in whole.stocks"
            :key="`${stock.reagent} ${stock.concentration}`"
            class="border-t border-rule py-1.5"
          >
            <b><FormulaText :text="stock.reagent" />, {{ stock.concentration }}</b
            >: {{ formatValue(stock.make, 'volume', 3) }}. All groups measure
            {{ formatValue(stock.used, 'volume', 3) }}; a tenth more is for what stays in flasks.
            <span v-if="stock.from" class="block text-soft"
              >From {{ formatValue(stock.from.volume, 'volume', 3) }} of the {{ stock.from.percent }} % stock and about
              {{ formatValue(stock.from.water, 'mass', 3) }} of water. {{ stock.from.order }} Your site’s rules come
              first.</span
            >
            <span v-else class="block text-soft">{{ stock.why }}</span>
          </li>
        </ul>
      </section>
      <section aria-label="Questions">
        <h2 class="text-[15px] text-ink">Questions</h2>
        <ul class="text-[14px]">
          <li v-for="question in whole.plan.questions" :key="question.id" class="border-t border-rule py-1">
            {{ question.when === 'before' ? 'Before the lab' : 'Afterwards' }}: {{ question.text }}
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
