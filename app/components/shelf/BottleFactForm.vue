<script setup lang="ts">
import type { Worksheet } from '#core/assay'
import { comesOf, strengthsFound, type BottleFact, type Comes, type StrengthFound } from '#core/shelf'
import { parseQuantity } from '#core/quantity'
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'
import type { BottlePage } from './bottle'

/** Says what happened to a bottle. */
const { bottle } = defineProps<{ bottle: BottlePage }>()
const emit = defineEmits<{ done: [bottle: BottlePage] }>()
const who = useWhoStore()
const { isBusy, failure, ask } = useAsked()

const kinds = {
  drawn: 'Something was taken out',
  came: 'Something came in',
  weighed: 'The bottle was weighed',
  counted: 'Counted, or read off its side',
  opened: 'It was opened',
  emptied: 'It is empty',
  moved: 'It stands elsewhere',
  strength: 'Its strength was found',
} as const
type Kind = keyof typeof kinds
const kind = ref<Kind>('drawn')
const text = ref('')
const what = ref('')
const labels: Partial<Record<Kind, string>> = {
  drawn: 'How much',
  came: 'How much',
  weighed: 'Bottle and all that is in it',
  counted: 'What is in it',
  moved: 'Where',
  strength: 'How strong',
}
const label = computed(() => labels[kind.value])
const hint = computed(() =>
  kind.value === 'weighed'
    ? bottle.label.empty
      ? `empty it weighs ${bottle.label.empty}`
      : 'what it weighs empty is not on its label: write that first'
    : kind.value === 'strength'
      ? 'such as 84.1 ± 0.3 % or 1.98 mol/L'
      : undefined,
)
watch(kind, () => (text.value = ''))
/** Standardisations of the lab that are of what is in this bottle. */
const found = shallowRef<readonly StrengthFound[]>([])
watch(kind, async now => {
  if (now !== 'strength' || bottle.comes.kind !== 'solution') return
  try {
    const sheets = await send<readonly { worksheet: Worksheet }[]>('/api/assays')
    found.value = strengthsFound(
      bottle.label.formula,
      sheets.map(({ worksheet }) => worksheet),
    )
  } catch {
    // Away: the strength can be typed all the same.
  }
})
function takeFound(event: Event): void {
  const one = found.value.find(({ id }) => id === (event.target as HTMLSelectElement).value)
  if (!one) return
  text.value = one.text
  what.value = `worksheet “${one.name}”`
}

const comes = (): Comes | undefined => {
  const kindNow = bottle.comes.kind
  const read = comesOf(text.value.trim(), kindNow === 'solution' ? 'volume' : 'mass')
  if (!read || read.kind !== kindNow) return undefined
  return { ...bottle.comes, ...read } as Comes
}
const problem = computed(() => {
  const typed = text.value.trim()
  if (typed === '' || label.value === undefined || kind.value === 'moved') return undefined
  if (kind.value === 'strength') return comes() ? undefined : 'This is no strength of what is in it.'
  const wanted = kind.value === 'weighed' ? (['mass'] as const) : (['mass', 'volume'] as const)
  return parseQuantity(typed, { kinds: wanted, name: '', source: '', zero: true }).ok
    ? undefined
    : 'Give it with its unit, such as 12.3 g.'
})
const isReady = computed(() => label.value === undefined || (text.value.trim() !== '' && !problem.value))

function factOf(): BottleFact {
  const base = { id: crypto.randomUUID(), at: new Date().toISOString(), by: who.me?.person ?? '' }
  const typed = text.value.trim()
  switch (kind.value) {
    case 'came':
    case 'counted':
      return { ...base, kind: kind.value, amount: typed }
    case 'drawn':
      return { ...base, kind: 'drawn', amount: typed, ...(what.value.trim() && { for: what.value.trim() }) }
    case 'weighed':
      return { ...base, kind: 'weighed', gross: typed }
    case 'moved':
      return { ...base, kind: 'moved', place: typed }
    case 'strength':
      return {
        ...base,
        kind: 'strength',
        comes: comes()!,
        known: 'titration',
        ...(what.value.trim() && { why: what.value.trim() }),
      }
    default:
      return { ...base, kind: kind.value }
  }
}
const say = (): Promise<boolean> =>
  ask(async () => {
    const answer = await send<BottlePage>(`/api/bottles/${bottle.code}/facts`, {
      method: 'POST',
      body: { fact: factOf() },
    })
    text.value = ''
    what.value = ''
    emit('done', answer)
  })
</script>

<template>
  <form class="grid gap-3" @submit.prevent="say">
    <label class="block"
      ><span class="label">What happened</span>
      <select v-model="kind" class="field">
        <option v-for="(name, key) in kinds" :key="key" :value="key">{{ name }}</option>
      </select></label
    >
    <label v-if="kind === 'strength' && found.length > 0" class="block"
      ><span class="label">From a worksheet</span>
      <select class="field" @change="takeFound">
        <option value="">typed below</option>
        <option v-for="one in found" :key="one.id" :value="one.id">{{ one.name }}: {{ one.text }}</option>
      </select></label
    >
    <LineField v-if="label" v-model="text" :label="label" :problem="problem" :hint="hint" />
    <LineField v-if="kind === 'drawn'" v-model="what" label="For what (may be empty)" />
    <LineField v-if="kind === 'strength'" v-model="what" label="How it was found (may be empty)" />
    <p v-if="failure" class="text-amber" role="alert">{{ failure }}</p>
    <button type="submit" class="button" :disabled="isBusy || !isReady">Write it down</button>
  </form>
</template>
