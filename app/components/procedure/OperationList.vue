<script setup lang="ts">
import { ArrowDown, ArrowUp, Trash2 } from '@lucide/vue'
import { shown as brief, withLiquors, type Event, type ToldVessel } from '#core/procedure'
import { solventWords } from '#core/solution'
import { planWords, type OperationPlan } from '#core/vessel'
import type { Span } from '#core/problem'

/** The operations by which a product is won, each with what stands in the vessel after it. */
const { operations, product, told, problem } = defineProps<{
  operations: readonly OperationPlan[]
  /** What is won: the form of seeds and of what is added, until another is typed. */
  product: string
  /** What stood after each; none where that is not known. */
  told: readonly ({ readonly event: Event; readonly after?: ToldVessel } | undefined)[]
  /** The operation that does not read, and where in it. */
  problem: { at: number; on?: unknown; span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{ change: [operations: OperationPlan[], key: string] }>()

interface Shown {
  readonly name: string
  readonly text: string
  readonly make: (text: string) => OperationPlan
  readonly label: string
  /** A salt that goes in. */
  readonly form?: { readonly text: string; readonly make: (form: string) => OperationPlan }
  /** What the ethanol of a wash holds of it. */
  readonly strength?: { readonly text: string; readonly make: (strength: string) => OperationPlan }
}
function shownOf(move: OperationPlan): Shown | { readonly name: string } {
  if ('heatTo' in move)
    return { name: 'Heat to', label: 'Temperature', text: move.heatTo, make: heatTo => ({ ...move, heatTo }) }
  if ('coolTo' in move)
    return { name: 'Cool to', label: 'Temperature', text: move.coolTo, make: coolTo => ({ ...move, coolTo }) }
  if ('addWater' in move)
    return { name: 'Add water', label: 'Water', text: move.addWater, make: addWater => ({ ...move, addWater }) }
  if ('evaporate' in move)
    return {
      name: 'Boil off',
      label: 'Water boiled off',
      text: move.evaporate.water,
      make: water => ({ ...move, evaporate: { water } }),
    }
  if ('evaporateTo' in move)
    return 'volume' in move.evaporateTo
      ? {
          name: 'Boil down to',
          label: 'Volume',
          text: move.evaporateTo.volume,
          make: volume => ({ ...move, evaporateTo: { volume } }),
        }
      : {
          name: 'Boil down to water',
          label: 'Water left',
          text: move.evaporateTo.water,
          make: water => ({ ...move, evaporateTo: { water } }),
        }
  if ('filter' in move)
    return {
      name: 'Filter, keeping liquor',
      label: 'Liquor kept, of the crystals',
      text: move.filter.retained ?? '0 %',
      make: retained => ({ ...move, filter: { ...move.filter, retained } }),
    }
  if ('addSolute' in move)
    return {
      name: 'Add',
      label: 'Mass added',
      text: move.addSolute.mass,
      make: mass => ({ ...move, addSolute: { ...move.addSolute, mass } }),
      form: { text: move.addSolute.form, make: form => ({ ...move, addSolute: { ...move.addSolute, form } }) },
    }
  if ('seed' in move)
    return {
      name: 'Seed with',
      label: 'Mass of seeds',
      text: move.seed.mass,
      make: mass => ({ ...move, seed: { ...move.seed, mass } }),
      form: { text: move.seed.form, make: form => ({ ...move, seed: { ...move.seed, form } }) },
    }
  if ('addEthanol' in move)
    return {
      name: 'Add ethanol, 96 %',
      label: 'Ethanol',
      text: move.addEthanol,
      make: addEthanol => ({ ...move, addEthanol }),
    }
  if ('hold' in move) return { name: 'Hold for', label: 'Time', text: move.hold, make: hold => ({ ...move, hold }) }
  if ('wash' in move) {
    const { wash } = move
    return {
      name: `Wash with ${solventWords(move)}, ${wash.at ?? '0 °C'}`,
      label: 'Volume of the wash',
      text: wash.volume,
      make: volume => ({ ...move, wash: { ...wash, volume } }),
      ...(wash.strength !== undefined && {
        strength: { text: wash.strength, make: (strength: string) => ({ ...move, wash: { ...wash, strength } }) },
      }),
    }
  }
  const words = planWords(move)
  return { name: words.charAt(0).toUpperCase() + words.slice(1) }
}
/** Where a new operation goes: behind the one that was touched last. */
const touched = ref<number>()
const after = computed(() =>
  touched.value !== undefined && touched.value < operations.length - 1 ? touched.value : undefined,
)
const rows = computed(() =>
  operations.map((move, i) => {
    const shown = shownOf(move)
    return {
      move,
      of: move.of,
      name: shown.name,
      shown: 'text' in shown ? { ...shown, text: brief(shown.text) } : undefined,
      told: told[i]?.after,
      event: told[i]?.event,
    }
  }),
)
/** The order of crops decides which liquor is worked on: it is told anew with every change. */
const send = (next: readonly OperationPlan[], key: string): void => emit('change', withLiquors(next), key)
function add(move: OperationPlan): void {
  const at = after.value === undefined ? operations.length : after.value + 1
  touched.value = at
  send(operations.toSpliced(at, 0, move), `add ${operations.length}`)
}
const set = (i: number, move: OperationPlan): void =>
  send(
    operations.map((one, j) => (j === i ? move : one)),
    `set ${i}`,
  )
function setThrough(i: number, move: Extract<OperationPlan, { wash: unknown }>, isThrough: boolean): void {
  const { through: _, ...wash } = move.wash
  set(i, { ...move, wash: isThrough ? { ...wash, through: true } : wash })
}
const remove = (i: number): void => send(operations.toSpliced(i, 1), `remove ${i}`)
function swap(i: number, by: -1 | 1): void {
  const [one, other] = [operations[i], operations[i + by]]
  if (one && other) send(operations.with(i, other).with(i + by, one), `swap ${i}`)
}
const kinds = computed((): readonly { name: string; move: OperationPlan }[] => [
  { name: 'heat', move: { heatTo: '80 °C' } },
  { name: 'boil off', move: { evaporate: { water: '10 g' } } },
  { name: 'boil down to a volume', move: { evaporateTo: { volume: '25 mL' } } },
  { name: 'to dryness', move: { toDryness: 'boiled off' } },
  { name: 'add water', move: { addWater: '10 g' } },
  { name: 'add salt', move: { addSolute: { form: product, mass: '1 g' } } },
  { name: 'cool', move: { coolTo: '5 °C' } },
  { name: 'hold', move: { hold: '1 h' } },
  { name: 'seed', move: { seed: { form: product, mass: '20 mg' } } },
  { name: 'add ethanol', move: { addEthanol: '10 mL' } },
  { name: 'filter', move: { filter: { retained: '20 %' } } },
  { name: 'wash, water', move: { wash: { with: 'water', volume: '5 mL', at: '0 °C' } } },
  {
    name: 'wash, 50 % ethanol',
    move: { wash: { with: 'ethanol', strength: '50 %', volume: '5 mL', at: '5 °C' } },
  },
  { name: 'wash, ethanol', move: { wash: { with: 'ethanol', volume: '5 mL', at: '5 °C' } } },
])
const grams = (mass: number): string =>
  mass >= 100 ? mass.toFixed(0) : mass >= 10 ? mass.toFixed(1) : mass >= 0.005 ? mass.toFixed(2) : 'a trace'
const seen = (list: readonly { form: string; mass: number }[]) => list.filter(({ mass }) => mass > 1e-4)
</script>

<template>
  <div>
    <ol class="text-[14px]" aria-label="Operations">
      <li v-for="(row, i) in rows" :key="i" class="border-b border-rule py-1.5" @focusin="touched = i">
        <div class="flex items-center gap-2">
          <span class="min-w-0 flex-1"
            ><RichText :text="row.name" /><span v-if="row.of" class="small ml-1">of {{ row.of }}</span></span
          >
          <QuantityField
            v-if="row.shown?.form"
            hidden
            class="w-[128px]"
            :label="`Form, operation ${i + 1}`"
            :model-value="row.shown.form.text"
            :problem="problem?.at === i && problem.on === 'form' ? problem : undefined"
            @update:model-value="set(i, row.shown.form.make($event))"
          />
          <QuantityField
            v-if="row.shown?.strength"
            hidden
            class="w-[72px]"
            :label="`Ethanol by volume, operation ${i + 1}`"
            :model-value="row.shown.strength.text"
            :problem="problem?.at === i && problem.on === 'strength' ? problem : undefined"
            @update:model-value="set(i, row.shown.strength.make($event))"
          />
          <QuantityField
            v-if="row.shown"
            hidden
            class="w-[96px]"
            :label="`${row.shown.label}, operation ${i + 1}`"
            :model-value="row.shown.text"
            :problem="problem?.at === i && problem.on !== 'form' && problem.on !== 'strength' ? problem : undefined"
            @update:model-value="set(i, row.shown.make($event))"
          />
          <button
            type="button"
            class="tool"
            :disabled="i === 0"
            :aria-label="`Operation ${i + 1} earlier`"
            @click="swap(i, -1)"
          >
            <ArrowUp :size="14" />
          </button>
          <button
            type="button"
            class="tool"
            :disabled="i === rows.length - 1"
            :aria-label="`Operation ${i + 1} later`"
            @click="swap(i, 1)"
          >
            <ArrowDown :size="14" />
          </button>
          <button type="button" class="tool" :aria-label="`Take operation ${i + 1} out`" @click="remove(i)">
            <Trash2 :size="14" />
          </button>
        </div>
        <p v-if="row.event?.unknown" class="text-[13px] text-amber">{{ row.event.unknown }}</p>
        <p v-if="row.told" class="text-[13px] text-soft">
          <template v-if="seen(row.told.solid).length > 0">
            <b class="text-ink">
              <template v-for="(solid, s) in seen(row.told.solid)" :key="solid.form"
                ><template v-if="s > 0">, </template><span class="figure mr-1">{{ grams(solid.mass) }} g</span>
                <FormulaText :text="solid.form" /></template></b
            >{{ 'wash' in row.move ? ' left in the cake' : 'filter' in row.move ? ' on the filter' : ' down; ' }}
          </template>
          <template v-else-if="!('filter' in row.move)">all dissolved; </template>
          <template v-if="!('wash' in row.move || 'filter' in row.move)"
            >{{ row.told.volume.toFixed(0) }} mL with
            <template v-for="(form, d) in seen(row.told.dissolved).slice(0, 3)" :key="form.form"
              ><template v-if="d > 0">, </template><span class="figure mr-1">{{ grams(form.mass) }} g</span>
              <FormulaText :text="form.form" /></template
          ></template>
          <span v-if="(row.told.solvents.ethanol ?? 0) > 0 && !('wash' in row.move)"
            >, {{ grams(row.told.solvents.ethanol ?? 0) }} g of it ethanol</span
          >
          <b v-if="'seed' in row.move && seen(row.told.solid).length === 0" class="text-amber"
            >; not saturated here: the seeds would dissolve</b
          >
          <label v-if="'wash' in row.move" class="ml-2 inline-flex min-h-6 items-center gap-1.5">
            <input
              type="checkbox"
              :checked="row.move.wash.through ?? false"
              @change="setThrough(i, row.move, ($event.target as HTMLInputElement).checked)"
            />
            run through, not stirred up
          </label>
          <span v-if="row.told.estimated" class="tag ml-1 bg-amber-soft text-amber">estimate</span>
        </p>
      </li>
    </ol>
    <p v-if="after !== undefined" class="small mt-2">
      A new operation goes behind operation {{ after + 1 }}, {{ rows[after]!.name }}.
      <button type="button" class="text-verdigris underline" @click="touched = undefined">Put it last</button>
    </p>
    <div class="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Add an operation">
      <button
        v-for="kind in kinds"
        :key="kind.name"
        type="button"
        class="min-h-7 rounded border border-edge bg-card px-2 text-[13px] hover:bg-verdigris-soft"
        @click="add(kind.move)"
      >
        + {{ kind.name }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.tool {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border: 1px solid var(--color-edge);
  border-radius: 5px;
  background: var(--color-card);
}
.tool:disabled {
  border-color: var(--color-rule);
  color: var(--color-rule);
}
</style>
