<script setup lang="ts">
import type { Vial } from '#core/record'
import { amountText, type Bottle } from '~/components/shelf/bottle'
import { send } from '~/composables/useAsked'

/** What a batch gave, to be chosen for a vial of the shelf; what of it stands there already is told. */
const { batch } = defineProps<{ batch: string }>()
const chosen = defineModel<Vial | undefined>({ required: true })
const vials = shallowRef<readonly Vial[]>()
const onShelf = shallowRef<readonly Bottle[]>([])
const failure = ref('')
async function load(): Promise<void> {
  failure.value = ''
  try {
    const found = await send<{ vials: readonly Vial[]; onShelf: readonly Bottle[] }>(
      `/api/batches/${encodeURIComponent(batch)}/vials`,
    )
    vials.value = found.vials
    onShelf.value = found.onShelf
    chosen.value = found.vials.at(-1)
  } catch (error) {
    failure.value =
      (error as { statusCode?: number }).statusCode === 404
        ? `There is no batch ${batch}.`
        : 'The batch cannot be read just now.'
  }
}
watch(() => batch, load, { immediate: true })
const standing = computed(() => onShelf.value.filter(({ label }) => label.made?.stage === chosen.value?.stage))
</script>

<template>
  <section class="mb-4 max-w-[760px]" aria-label="The product of a batch">
    <p v-if="failure" class="rounded-lg bg-amber-soft p-3 text-amber" role="alert">
      {{ failure }} <button type="button" class="underline" @click="load">Try again</button>
    </p>
    <p v-else-if="vials?.length === 0" class="text-amber" role="status">
      Nothing that {{ batch }} gave is weighed yet.
      <NuxtLink :to="`/batches/${batch}/run`" class="underline">Weigh it first</NuxtLink>, or write the bottle by hand.
    </p>
    <template v-else-if="vials">
      <p class="text-[15px]">
        A vial of what
        <NuxtLink :to="`/batches/${batch}/record`" class="text-verdigris underline">{{ batch }}</NuxtLink>
        gave. It keeps its batch: whoever weighs from it has the record of it at hand.
      </p>
      <fieldset v-if="vials.length > 1" class="mt-2 flex flex-wrap gap-x-5">
        <legend class="sr-only">Which stage</legend>
        <label v-for="one in vials" :key="one.stage" class="flex min-h-9 items-center gap-2">
          <input
            type="radio"
            name="stage"
            class="size-5 accent-verdigris"
            :checked="one.stage === chosen?.stage"
            @change="chosen = one"
          />
          <RichText :text="one.name" /> <span class="figure">{{ one.amount }}</span>
        </label>
      </fieldset>
      <p v-if="standing.length > 0" class="mt-2 border-l-[3px] border-amber-edge pl-2.5 text-[14.5px]">
        <b class="text-amber">Already on the shelf:</b>
        <template v-for="(one, i) in standing" :key="one.code"
          >{{ i > 0 ? ', ' : ' ' }}<NuxtLink :to="`/shelf/${one.code}`" class="underline">{{ one.code }}</NuxtLink
          >, <span class="figure">{{ amountText(one) }}</span></template
        >. A second vial holds what was put apart from it.
      </p>
    </template>
  </section>
</template>
