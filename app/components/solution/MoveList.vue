<script setup lang="ts">
import { ArrowDown, ArrowUp, Trash2 } from '@lucide/vue'
import type { Course, MovePlan } from '#core/solution'
import type { Span } from '#core/problem'

/** The moves of a crystallisation, each with what stands in the pot after it. */
const { moves, product, course, problem } = defineProps<{
  moves: readonly MovePlan[]
  /** What is crystallised: the form of seeds and of what is added, until another is typed. */
  product: string
  course: Course | undefined
  /** The move that does not read or does not work, and where in it. */
  problem: { at: number; on?: unknown; span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{ change: [moves: MovePlan[], key: string] }>()

interface Shown {
  readonly name: string
  readonly text: string
  readonly make: (text: string) => MovePlan
  readonly label: string
  /** A salt that goes in. */
  readonly form?: { readonly text: string; readonly make: (form: string) => MovePlan }
  /** What the ethanol of a wash holds of it. */
  readonly strength?: { readonly text: string; readonly make: (strength: string) => MovePlan }
}
function shownOf(move: MovePlan): Shown {
  if ('heatTo' in move)
    return { name: 'Heat to', label: 'Temperature', text: move.heatTo, make: heatTo => ({ heatTo }) }
  if ('coolTo' in move)
    return { name: 'Cool to', label: 'Temperature', text: move.coolTo, make: coolTo => ({ coolTo }) }
  if ('addWater' in move)
    return { name: 'Add water', label: 'Water', text: move.addWater, make: addWater => ({ addWater }) }
  if ('evaporate' in move)
    return {
      name: 'Boil off',
      label: 'Water boiled off',
      text: move.evaporate.water,
      make: water => ({ evaporate: { water } }),
    }
  if ('evaporateTo' in move)
    return 'volume' in move.evaporateTo
      ? {
          name: 'Boil down to',
          label: 'Volume',
          text: move.evaporateTo.volume,
          make: volume => ({ evaporateTo: { volume } }),
        }
      : {
          name: 'Boil down to water',
          label: 'Water left',
          text: move.evaporateTo.water,
          make: water => ({ evaporateTo: { water } }),
        }
  if ('filter' in move)
    return {
      name: 'Filter, keeping liquor',
      label: 'Liquor kept, of the crystals',
      text: move.filter.retained ?? '0 %',
      make: retained => ({ filter: { retained } }),
    }
  if ('addSolute' in move)
    return {
      name: 'Add',
      label: 'Mass added',
      text: move.addSolute.mass,
      make: mass => ({ addSolute: { ...move.addSolute, mass } }),
      form: { text: move.addSolute.form, make: form => ({ addSolute: { ...move.addSolute, form } }) },
    }
  if ('seed' in move)
    return {
      name: 'Seed with',
      label: 'Mass of seeds',
      text: move.seed.mass,
      make: mass => ({ seed: { ...move.seed, mass } }),
      form: { text: move.seed.form, make: form => ({ seed: { ...move.seed, form } }) },
    }
  if ('addEthanol' in move)
    return {
      name: 'Add ethanol, 96 %',
      label: 'Ethanol',
      text: move.addEthanol,
      make: addEthanol => ({ addEthanol }),
    }
  if ('hold' in move) return { name: 'Hold for', label: 'Time', text: move.hold, make: hold => ({ hold }) }
  return {
    name: `Wash with ${move.wash.with}${move.wash.strength === undefined ? '' : ' in water'}, ${move.wash.at ?? '0 °C'}`,
    label: 'Volume of the wash',
    text: move.wash.volume,
    make: volume => ({ wash: { ...move.wash, volume } }),
    ...(move.wash.strength !== undefined && {
      strength: { text: move.wash.strength, make: (strength: string) => ({ wash: { ...move.wash, strength } }) },
    }),
  }
}
/** Where a new move goes: behind the one that was touched last. */
const touched = ref<number>()
const after = computed(() =>
  touched.value !== undefined && touched.value < moves.length - 1 ? touched.value : undefined,
)
function add(move: MovePlan): void {
  const at = after.value === undefined ? moves.length : after.value + 1
  touched.value = at
  emit('change', moves.toSpliced(at, 0, move), `add ${moves.length}`)
}
const rows = computed(() => moves.map((move, i) => ({ move, shown: shownOf(move), told: course?.steps[i] })))

const set = (i: number, move: MovePlan): void =>
  emit(
    'change',
    moves.map((one, j) => (j === i ? move : one)),
    `move ${i}`,
  )
function setThrough(i: number, { wash }: Extract<MovePlan, { wash: unknown }>, through: boolean): void {
  const { through: _, ...rest } = wash
  set(i, { wash: through ? { ...rest, through } : rest })
}
const remove = (i: number): void =>
  emit(
    'change',
    moves.filter((_, j) => j !== i),
    `remove ${i}`,
  )
function swap(i: number, by: -1 | 1): void {
  const next = [...moves]
  ;[next[i], next[i + by]] = [next[i + by]!, next[i]!]
  emit('change', next, `swap ${i}`)
}
const kinds = computed((): readonly { name: string; move: MovePlan }[] => [
  { name: 'heat', move: { heatTo: '80 °C' } },
  { name: 'boil off', move: { evaporate: { water: '10 g' } } },
  { name: 'boil down to a volume', move: { evaporateTo: { volume: '25 mL' } } },
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
    <ol class="text-[14px]" aria-label="Moves">
      <li v-for="(row, i) in rows" :key="i" class="border-b border-rule py-1.5" @focusin="touched = i">
        <div class="flex items-center gap-2">
          <span class="min-w-0 flex-1">{{ row.shown.name }}</span>
          <QuantityField
            v-if="row.shown.form"
            hidden
            class="w-[128px]"
            :label="`Form, move ${i + 1}`"
            :model-value="row.shown.form.text"
            :problem="problem?.at === i && problem.on === 'form' ? problem : undefined"
            @update:model-value="set(i, row.shown.form.make($event))"
          />
          <QuantityField
            v-if="row.shown.strength"
            hidden
            class="w-[72px]"
            :label="`Ethanol by volume, move ${i + 1}`"
            :model-value="row.shown.strength.text"
            :problem="problem?.at === i && problem.on === 'strength' ? problem : undefined"
            @update:model-value="set(i, row.shown.strength.make($event))"
          />
          <QuantityField
            hidden
            class="w-[96px]"
            :label="`${row.shown.label}, move ${i + 1}`"
            :model-value="row.shown.text"
            :problem="problem?.at === i && problem.on !== 'form' && problem.on !== 'strength' ? problem : undefined"
            @update:model-value="set(i, row.shown.make($event))"
          />
          <button
            type="button"
            class="tool"
            :disabled="i === 0"
            :aria-label="`Move ${i + 1} earlier`"
            @click="swap(i, -1)"
          >
            <ArrowUp :size="14" />
          </button>
          <button
            type="button"
            class="tool"
            :disabled="i === rows.length - 1"
            :aria-label="`Move ${i + 1} later`"
            @click="swap(i, 1)"
          >
            <ArrowDown :size="14" />
          </button>
          <button type="button" class="tool" :aria-label="`Take move ${i + 1} out`" @click="remove(i)">
            <Trash2 :size="14" />
          </button>
        </div>
        <p v-if="row.told" class="text-[13px] text-soft">
          <template v-if="seen(row.told.solid).length > 0">
            <b class="text-ink">
              <template v-for="(solid, s) in seen(row.told.solid)" :key="solid.form"
                ><template v-if="s > 0">, </template><span class="figure mr-1">{{ grams(solid.mass) }} g</span>
                <FormulaText :text="solid.form" /></template></b
            >{{ 'wash' in row.move ? ' left in the cake' : ' down; ' }}
          </template>
          <template v-else-if="!('filter' in row.move)">all dissolved; </template>
          <template v-if="!('wash' in row.move)"
            >{{ row.told.volume.toFixed(0) }} mL of liquor with
            <template v-for="(form, d) in seen(row.told.dissolved).slice(0, 3)" :key="form.form"
              ><template v-if="d > 0">, </template><span class="figure mr-1">{{ grams(form.mass) }} g</span>
              <FormulaText :text="form.form" /></template
          ></template>
          <span v-if="row.told.ethanol > 0 && !('wash' in row.move)"
            >, {{ grams(row.told.ethanol) }} g of it ethanol</span
          >
          <b v-if="row.told.seeds === 'dissolve'" class="text-amber">; not saturated here: the seeds would dissolve</b>
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
      A new move goes behind move {{ after + 1 }}, {{ rows[after]!.shown.name }}.
      <button type="button" class="text-verdigris underline" @click="touched = undefined">Put it last</button>
    </p>
    <div class="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Add a move">
      <button
        v-for="kind in kinds"
        :key="kind.name"
        type="button"
        class="min-h-7 rounded border border-edge bg-white px-2 text-[13px] hover:bg-verdigris-soft"
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
  background: #fff;
}
.tool:disabled {
  border-color: var(--color-rule);
  color: var(--color-rule);
}
</style>
