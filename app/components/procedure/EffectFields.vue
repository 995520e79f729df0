<script setup lang="ts">
import { solvents } from '#core/reference'
import { explainOperation, readOperation, type OperationPlan } from '#core/vessel'

/** What a step does to the vessel: chosen, with its amounts; left open it is what the operation usually does. */
const { species } = defineProps<{
  /** What the sheet charges. */
  species: readonly string[]
}>()
const effect = defineModel<OperationPlan | undefined>({ required: true })

interface Field {
  readonly label: string
  readonly text: string
  readonly make: (text: string) => OperationPlan
  readonly choose?: readonly string[]
}
const WASHES = ['water', 'ethanol', 'methanol', 'acetone'] as const
const isWash = (text: string): text is (typeof WASHES)[number] => WASHES.some(one => one === text)
/** The kinds, by the word that they are chosen with, with a first value of each. */
const kinds = computed((): readonly { key: string; name: string; first: OperationPlan | undefined }[] => [
  { key: '', name: 'what its operation usually does', first: undefined },
  { key: 'nothing', name: 'nothing in the vessel changes', first: { nothing: true } },
  ...(species.length > 0
    ? [
        { key: 'charge', name: 'a charge of the sheet goes in', first: { charge: species[0]! } },
        {
          key: 'addMore',
          name: 'more of a reagent goes in',
          first: { addMore: { species: species[0]!, volume: '1 mL' } },
        },
      ]
    : []),
  { key: 'addSolvent', name: 'a solvent goes in', first: { addSolvent: { name: 'water', volume: '10 mL' } } },
  { key: 'stir', name: 'what happens at contact happens', first: { stir: true } },
  { key: 'heatTo', name: 'it is heated', first: { heatTo: '60 °C' } },
  { key: 'coolTo', name: 'it is cooled', first: { coolTo: '5 °C' } },
  { key: 'evaporate', name: 'water is boiled off', first: { evaporate: { water: '10 g' } } },
  { key: 'evaporateTo', name: 'it is boiled down', first: { evaporateTo: { volume: '25 mL' } } },
  { key: 'toDryness', name: 'all that evaporates goes', first: { toDryness: 'boiled off' } },
  { key: 'filterOff', name: 'solids are filtered off, the liquor stays', first: { filterOff: true } },
  { key: 'filter', name: 'crystals are filtered, the liquor goes', first: { filter: { retained: '20 %' } } },
  { key: 'wash', name: 'the cake is washed', first: { wash: { with: 'water', volume: '5 mL', at: '0 °C' } } },
  { key: 'dry', name: 'what clings evaporates', first: { dry: true } },
  { key: 'ignite', name: 'it is heated dry', first: { ignite: '500 °C' } },
])
const key = computed(() => {
  const now = effect.value
  return now ? (kinds.value.find(one => one.key !== '' && one.key in now)?.key ?? 'other') : ''
})
function choose(wanted: string): void {
  effect.value = kinds.value.find(one => one.key === wanted)?.first
}
const fields = computed((): readonly Field[] => {
  const now = effect.value
  if (!now) return []
  if ('charge' in now)
    return [{ label: 'Which', text: now.charge, choose: species, make: charge => ({ ...now, charge }) }]
  if ('addMore' in now) {
    const { addMore } = now
    const by = addMore.mass === undefined ? 'volume' : 'mass'
    return [
      {
        label: 'Which',
        text: addMore.species,
        choose: species,
        make: one => ({ ...now, addMore: { ...addMore, species: one } }),
      },
      {
        label: 'How much, by mass or volume',
        text: addMore[by] ?? '',
        make: text => ({
          ...now,
          addMore: { species: addMore.species, ...(/g\s*$/.test(text) ? { mass: text } : { volume: text }) },
        }),
      },
    ]
  }
  if ('addSolvent' in now) {
    const { addSolvent } = now
    return [
      {
        label: 'Which',
        text: addSolvent.name,
        choose: solvents.map(({ name }) => name),
        make: name => ({ ...now, addSolvent: { ...addSolvent, name } }),
      },
      {
        label: 'How much; empty: as the sheet says',
        text: addSolvent.volume ?? addSolvent.mass ?? '',
        make: text => ({
          ...now,
          addSolvent: {
            name: addSolvent.name,
            ...(text.trim() === '' ? {} : /g\s*$/.test(text) ? { mass: text } : { volume: text }),
          },
        }),
      },
    ]
  }
  if ('heatTo' in now) return [{ label: 'To', text: now.heatTo, make: heatTo => ({ ...now, heatTo }) }]
  if ('coolTo' in now) return [{ label: 'To', text: now.coolTo, make: coolTo => ({ ...now, coolTo }) }]
  if ('ignite' in now) return [{ label: 'To', text: now.ignite, make: ignite => ({ ...now, ignite }) }]
  if ('evaporate' in now)
    return [{ label: 'Water that goes', text: now.evaporate.water, make: water => ({ ...now, evaporate: { water } }) }]
  if ('evaporateTo' in now && 'volume' in now.evaporateTo)
    return [{ label: 'To', text: now.evaporateTo.volume, make: volume => ({ ...now, evaporateTo: { volume } }) }]
  if ('filter' in now) {
    const { filter } = now
    return [
      {
        label: 'Liquor the cake keeps, of its mass',
        text: filter.retained ?? '',
        make: retained => ({ ...now, filter: { ...filter, retained } }),
      },
      {
        label: 'Keep the liquor as; empty: it is gone',
        text: filter.liquor ?? '',
        make: text => {
          const { liquor: _, ...rest } = filter
          return { ...now, filter: text.trim() === '' ? rest : { ...rest, liquor: text } }
        },
      },
    ]
  }
  if ('wash' in now) {
    const { wash } = now
    return [
      {
        label: 'With',
        text: wash.with,
        choose: WASHES,
        make: text => ({ ...now, wash: { ...wash, with: isWash(text) ? text : 'water' } }),
      },
      { label: 'Each', text: wash.volume, make: volume => ({ ...now, wash: { ...wash, volume } }) },
      { label: 'At', text: wash.at ?? '0 °C', make: at => ({ ...now, wash: { ...wash, at } }) },
    ]
  }
  return []
})
const problem = computed(() => {
  if (!effect.value) return undefined
  const read = readOperation(effect.value)
  return read.ok ? undefined : { span: read.problem.problem.span, ...explainOperation(read.problem) }
})
</script>

<template>
  <fieldset class="sm:col-span-2">
    <legend class="label">What it does to the vessel</legend>
    <div class="grid gap-2 sm:grid-cols-3">
      <select
        class="field min-h-12 sm:col-span-3"
        aria-label="What it does to the vessel"
        :value="key"
        @change="choose(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="kind in kinds" :key="kind.key" :value="kind.key">{{ kind.name }}</option>
        <option v-if="key === 'other'" value="other">as it is</option>
      </select>
      <template v-for="field in fields" :key="field.label">
        <label v-if="field.choose"
          ><span class="label">{{ field.label }}</span>
          <select
            class="field min-h-12"
            :value="field.text"
            @change="effect = field.make(($event.target as HTMLSelectElement).value)"
          >
            <option v-for="one in field.choose" :key="one" :value="one">{{ one }}</option>
          </select></label
        >
        <label v-else
          ><span class="label">{{ field.label }}</span>
          <input
            class="field figure min-h-12"
            maxlength="60"
            :value="field.text"
            @input="effect = field.make(($event.target as HTMLInputElement).value)"
        /></label>
      </template>
    </div>
    <p v-if="problem" class="mt-1 text-[13.5px] text-red" role="status">{{ problem.why }} {{ problem.fix }}</p>
  </fieldset>
</template>
