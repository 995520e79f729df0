<script setup lang="ts">
import { formatFigure, type Figure } from '#core/quantity'
import type { Reaction } from '#core/equation'
import {
  chargeFromText,
  countHeld,
  equivalentsFromText,
  findReagent,
  hold,
  isHeld,
  release,
  withCharge,
  withTarget,
  type ReagentLine,
  type StagePlan,
  type StageSheet,
  type SupplyPlan,
} from '#core/sheet'
import type { Span } from '#core/problem'

/** The charge sheet of a stage: its equation is the header, and the rows hang under it. */
const { stage, reaction, sheet, open, problemAt } = defineProps<{
  stage: StagePlan
  reaction: Reaction
  /** Undefined while something on the sheet does not read. */
  sheet: StageSheet | undefined
  /** The panel that stands open, and of which species. */
  open: { readonly panel: string; readonly species?: string } | undefined
  problemAt: (...path: (string | number)[]) => { span?: Span | undefined; why: string; fix: string } | undefined
}>()
const emit = defineEmits<{
  change: [make: (stage: StagePlan) => StagePlan, key: string]
  working: [figure: Figure]
  supply: [species: string]
  excess: [species: string]
  product: []
}>()

const root = useTemplateRef('root')
const reactants = computed(() =>
  reaction.reactants.map(({ species, coefficient }) => {
    const text = species.formula.text
    const reagent = findReagent(stage, text)
    const i = reagent ? stage.reagents.indexOf(reagent) : -1
    return {
      text,
      coefficient,
      reagent,
      i,
      line: sheet?.reagents.find(line => line.species === text),
      held: isHeld(stage, text),
    }
  }),
)
const products = computed(() =>
  reaction.products.map(({ species, coefficient }) => {
    const text = species.formula.text
    const line = sheet?.products.find(product => product.species === text)
    return {
      text,
      coefficient,
      line,
      gas: sheet?.gases.find(gas => gas.formula === text),
      wanted: line ? line.wanted : text === stage.product.species,
    }
  }),
)
const heldCount = computed(() => countHeld(stage))

function supplyWords(supply: SupplyPlan | undefined, species: string): string {
  if (!supply) return 'as needed'
  switch (supply.kind) {
    case 'solid':
      return supply.formula && supply.formula !== species
        ? `{${supply.formula}}${supply.assay ? `, ${supply.assay}` : ''}`
        : supply.assay
          ? `${supply.assay} solid`
          : 'solid'
    case 'solution':
      return supply.concentration
    case 'liquid':
      return supply.assay ? `${supply.assay} liquid` : 'liquid'
    case 'gas':
      return 'gas'
    case 'stage':
      return 'from a stage'
  }
}

const measured = (line: ReagentLine | undefined): string =>
  line ? formatFigure(line.volume ?? line.mass ?? line.amount, 4) : ''

function typedCharge(charge: object | undefined): string {
  const [text] = Object.values(charge ?? {})
  return typeof text === 'string' ? text : ''
}

function typeCharge(species: string, supply: SupplyPlan | undefined, text: string): void {
  emit(
    'change',
    stage => withCharge(stage, species, chargeFromText(text, supply ?? { kind: 'solid' })),
    `charge ${species}`,
  )
}

function typeEquivalents(species: string, text: string): void {
  emit('change', stage => withCharge(stage, species, equivalentsFromText(text)), `equivalents ${species}`)
}

function toggle(species: string, held: boolean): void {
  const now = sheet
  if (now) emit('change', stage => (held ? release(stage, species, now) : hold(stage, species, now)), `pin ${species}`)
}

function typeTarget(text: string): void {
  const now = sheet
  emit('change', stage => withTarget(stage, text, now), 'target')
}

const equivalentsText = (charge: object | undefined): string => {
  if (charge && 'excess' in charge) return String(charge.excess)
  return charge && 'equivalents' in charge ? (Number.isNaN(charge.equivalents) ? '' : String(charge.equivalents)) : ''
}

/** On a phone the table shows one species at a time; which, by its place in the equation. */
const columns = computed(() => [
  ...reactants.value.map(({ text }) => ({ text, side: 'in' })),
  ...products.value.map(({ text }) => ({ text, side: 'out' })),
])
const column = ref(0)
watch(
  () => columns.value.length,
  length => (column.value = Math.min(column.value, Math.max(0, length - 1))),
)
const away = (side: 'in' | 'out', i: number): boolean =>
  column.value !== (side === 'in' ? i : reactants.value.length + i)
const CHARGE = ['mass', 'volume', 'amount', 'equivalents', 'excess'] as const
const SUPPLY = ['formula', 'assay', 'moisture', 'concentration', 'density', 'of', 'from'] as const
const isSupplyWrong = (i: number): boolean =>
  i >= 0 && SUPPLY.some(key => problemAt('reagents', i, 'supply', key) !== undefined)
const isColumnWrong = (at: number): boolean => {
  const reactant = reactants.value[at]
  if (!reactant) return [['target', 'mass'], ['product', 'form'], ['yield']].some(path => problemAt(...path))
  return isSupplyWrong(reactant.i) || CHARGE.some(key => problemAt('reagents', reactant.i, 'charge', key) !== undefined)
}

/** Enter moves on to the next field of the sheet. */
function moveOn(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const fields = [...(root.value?.querySelectorAll<HTMLInputElement>('input') ?? [])].filter(
    field => field.offsetParent,
  )
  const at = fields.indexOf(event.target)
  fields[(at + 1) % fields.length]?.focus()
}
</script>

<template>
  <div ref="root" class="overflow-x-auto pb-1" @keydown.enter="moveOn">
    <div class="species" role="group" aria-label="Species shown">
      <button
        v-for="(one, i) in columns"
        :key="`${one.side} ${one.text}`"
        type="button"
        class="min-h-12 rounded-t-lg px-3 text-[17px]"
        :class="[one.side, { on: i === column, 'text-red underline decoration-wavy': isColumnWrong(i) }]"
        :aria-pressed="i === column"
        @click="column = i"
      >
        <span v-if="i === reactants.length" class="mr-2 text-soft" aria-hidden="true">→</span
        ><FormulaText :text="one.text" />
      </button>
    </div>
    <table
      class="sheet w-full border-collapse"
      :class="{ compact: reactants.length + products.length > 5, tight: reactants.length + products.length > 6 }"
    >
      <caption class="sr-only">
        Charge sheet: reactants at the left, products at the right
      </caption>
      <thead>
        <tr>
          <th scope="col"><span class="sr-only">Row</span></th>
          <th v-for="(one, i) in reactants" :key="one.text" scope="col" class="in" :class="{ away: away('in', i) }">
            <b v-if="one.coefficient !== 1" class="figure mr-1 text-[16px] font-semibold text-verdigris">{{
              Number(one.coefficient.toPrecision(3))
            }}</b><FormulaText :text="one.text" />
          </th>
          <th class="zip head" scope="col"><span aria-label="gives">→</span></th>
          <th v-for="(one, i) in products" :key="one.text" scope="col" class="out" :class="{ away: away('out', i) }">
            <b v-if="one.coefficient !== 1" class="figure mr-1 text-[16px] font-semibold text-verdigris">{{
              Number(one.coefficient.toPrecision(3))
            }}</b><FormulaText :text="one.text" />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">Comes as</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in" :class="{ away: away('in', i) }">
            <button
              type="button"
              class="choice"
              :class="{ wrong: isSupplyWrong(one.i) }"
              :aria-label="`Supply of ${one.text}`"
              :aria-expanded="open?.panel === 'supply' && open.species === one.text"
              @click="emit('supply', one.text)"
            >
              <RichText :text="supplyWords(one.reagent?.supply, one.text)" />
            </button>
          </td>
          <td class="zip" />
          <td v-for="(one, i) in products" :key="one.text" class="out" :class="{ away: away('out', i) }">
            <button
              v-if="one.wanted"
              type="button"
              class="choice"
              :class="{ wrong: problemAt('product', 'form') || problemAt('yield') }"
              aria-label="Form of the product"
              :aria-expanded="open?.panel === 'product'"
              @click="emit('product')"
            >
              <FormulaText :text="stage.product.form ?? one.text" />
            </button>
            <span v-else class="small">{{ one.gas ? 'gas' : 'by-product' }}</span>
          </td>
        </tr>
        <tr class="h-[58px]">
          <th scope="row">Measure</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in" :class="{ away: away('in', i) }">
            <ChargeCell
              :species="one.text"
              :typed="typedCharge(one.reagent?.charge)"
              :follows="measured(one.line)"
              :held="one.held"
              :can-release="heldCount > 1"
              :unit="['solid', 'stage'].includes(one.reagent?.supply.kind ?? 'solid') ? 'g' : undefined"
              :problem="
                one.i < 0
                  ? undefined
                  : (problemAt('reagents', one.i, 'charge', 'mass') ??
                    problemAt('reagents', one.i, 'charge', 'volume') ??
                    problemAt('reagents', one.i, 'charge', 'amount'))
              "
              @type="typeCharge(one.text, one.reagent?.supply, $event)"
              @toggle="toggle(one.text, one.held)"
            />
          </td>
          <td class="zip" />
          <td v-for="(one, i) in products" :key="one.text" class="out" :class="{ away: away('out', i) }">
            <QuantityField
              v-if="one.wanted"
              hidden
              :label="`Target mass of ${one.text}`"
              :model-value="stage.target?.mass ?? ''"
              placeholder="target"
              unit="g"
              class="measure ml-auto w-[104px] text-[16px] font-semibold"
              :class="{ 'sets-scale': stage.target }"
              :problem="problemAt('target', 'mass')"
              @update:model-value="typeTarget"
            />
            <FigureButton
              :most="4"
              v-else-if="one.gas"
              :figure="one.gas.volume"
              :of="`Volume of ${one.text}`"
              @working="emit('working', $event)"
            />
          </td>
        </tr>
        <tr>
          <th scope="row">Moles</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in" :class="{ away: away('in', i) }">
            <FigureButton
              :most="4"
              v-if="one.line"
              :figure="one.line.amount"
              :of="`Moles of ${one.text}`"
              @working="emit('working', $event)"
            />
          </td>
          <td class="zip" />
          <td v-for="(one, i) in products" :key="one.text" class="out" :class="{ away: away('out', i) }">
            <FigureButton
              :most="4"
              v-if="one.line"
              :figure="one.line.amount"
              :of="`Moles of ${one.text}`"
              @working="emit('working', $event)"
            />
          </td>
        </tr>
        <tr v-if="reactants.some(one => one.line?.eaten || one.line?.there)">
          <th scope="row">Of it, for the pot</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in" :class="{ away: away('in', i) }">
            <template v-if="one.line?.eaten">
              <FigureButton
                :most="4"
                :figure="one.line.eaten"
                :of="`Of ${one.text}, for what came along in the pot`"
                @working="emit('working', $event)"
              />
              <span class="small block"
                >for the <RichText :text="one.line.eatenBy.map(({ formula }) => `{${formula}}`).join(`, `)" /> in
                it</span
              >
            </template>
            <template v-if="one.line?.there">
              <FigureButton
                :most="4"
                :figure="one.line.there"
                :of="`${one.text} in the pot already`"
                @working="emit('working', $event)"
              />
              <span class="small block">there already</span>
            </template>
          </td>
          <td class="zip" />
          <td v-for="(one, i) in products" :key="one.text" class="out" :class="{ away: away('out', i) }" />
        </tr>
        <tr class="h-[50px]">
          <th scope="row">Equivalents</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in" :class="{ away: away('in', i) }">
            <div class="equivalents flex items-center justify-end gap-1.5">
              <span v-if="one.line?.limits && one.line.planned" class="tag bg-verdigris-soft text-verdigris"
                >limits</span
              >
              <span v-else-if="one.reagent?.charge && 'excess' in one.reagent.charge" class="small">excess</span>
              <QuantityField
                v-if="!one.held && one.reagent"
                hidden
                :label="`Equivalents of ${one.text}`"
                :model-value="equivalentsText(one.reagent.charge)"
                placeholder="1"
                class="w-[72px]"
                :problem="
                  problemAt('reagents', one.i, 'charge', 'equivalents') ??
                  problemAt('reagents', one.i, 'charge', 'excess')
                "
                @update:model-value="typeEquivalents(one.text, $event)"
              />
              <FigureButton
                :most="4"
                v-else-if="one.line && !one.line.limits"
                :figure="one.line.equivalents"
                :of="`Equivalents of ${one.text}`"
                @working="emit('working', $event)"
              />
              <span v-else-if="one.line" class="figure">1</span>
            </div>
          </td>
          <td class="zip" />
          <td v-for="(one, i) in products" :key="one.text" class="out" :class="{ away: away('out', i) }" />
        </tr>
        <tr class="h-[48px]">
          <th scope="row">Left over</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in" :class="{ away: away('in', i) }">
            <template v-if="one.line">
              <span v-if="one.line.limits" class="text-soft">none</span>
              <FigureButton
                :most="4"
                v-else
                :figure="one.line.leftover.mass"
                :of="`${one.text} left over`"
                @working="emit('working', $event)"
              />
              <span class="bar" role="img" :aria-label="`${Math.round(100 / one.line.equivalents.value)} % used`"
                ><i :style="{ width: `${100 / one.line.equivalents.value}%` }"
              /></span>
            </template>
          </td>
          <td class="zip" />
          <td v-for="(one, i) in products" :key="one.text" class="out" :class="{ away: away('out', i) }" />
        </tr>
        <tr>
          <th scope="row">Goes to</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in small" :class="{ away: away('in', i) }">
            <button
              v-if="one.line?.planned"
              type="button"
              class="choice"
              :aria-label="`Excess of ${one.text}: ${one.line.leftover.wayOut}`"
              :aria-expanded="open?.panel === 'excess' && open.species === one.text"
              @click="emit('excess', one.text)"
            >
              {{ one.line.leftover.wayOut }}
            </button>
            <template v-else>{{ one.line?.leftover.wayOut }}</template>
          </td>
          <td class="zip" />
          <td v-for="(one, i) in products" :key="one.text" class="out small" :class="{ away: away('out', i) }">
            {{ one.line?.wayOut }}
          </td>
        </tr>
        <tr class="last">
          <th scope="row">Theoretical</th>
          <td v-for="(one, i) in reactants" :key="one.text" class="in" :class="{ away: away('in', i) }" />
          <td class="zip" />
          <td
            v-for="(one, i) in products"
            :key="one.text"
            class="out"
            :class="{ 'text-[17px] font-semibold': one.wanted, away: away('out', i) }"
          >
            <FigureButton
              :most="4"
              v-if="one.line"
              :figure="one.line.theoretical"
              :of="`Theoretical yield of ${one.text}`"
              @working="emit('working', $event)"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
/* The first column has no room at its left. */
.sheet td:nth-of-type(1) :deep(p[role='status'].absolute) {
  right: auto;
  left: 0;
}
.sheet th,
.sheet td {
  padding: 6px 9px;
  text-align: right;
  border-bottom: 1px solid var(--color-rule);
  height: 36px;
  min-width: 104px;
}
.sheet th:first-child {
  position: sticky;
  left: 0;
  z-index: 5;
  text-align: left;
  min-width: 100px;
  width: 100px;
  color: var(--color-soft);
  font-size: 13.5px;
  font-weight: 400;
  padding-left: 0;
  background: var(--color-sheet);
}
.sheet thead th {
  border-bottom: 2px solid var(--color-ink);
  font-weight: 650;
  font-size: 19px;
  height: 48px;
  white-space: nowrap;
}
.species {
  display: none;
}
@media (max-width: 640px) {
  .species {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
  .species .on {
    font-weight: 650;
    box-shadow: inset 0 -3px 0 var(--color-verdigris);
  }
  .sheet .away,
  .sheet .zip {
    display: none;
  }
  .sheet td,
  .sheet th {
    min-height: 48px;
    height: 48px;
  }
  .sheet .choice {
    min-height: 44px;
  }
}
.in {
  background: var(--color-in);
}
.out {
  background: var(--color-out);
}
.sheet .zip {
  width: 22px;
  min-width: 22px;
  padding: 0;
  border-bottom: 0;
  background:
    repeating-linear-gradient(180deg, var(--color-verdigris) 0 5px, transparent 5px 10px) 5px 0 / 6px 100% no-repeat,
    repeating-linear-gradient(180deg, transparent 0 5px, var(--color-verdigris) 5px 10px) 11px 0 / 6px 100% no-repeat;
}
.sheet .zip.head {
  background: none;
  text-align: center;
  font-size: 20px;
  font-weight: 400;
}
.compact th:not(:first-child):not(.zip),
.compact td:not(.zip) {
  min-width: 84px;
  padding-inline: 5px;
}
.sheet.compact th:first-child {
  width: 82px;
  min-width: 82px;
}
.compact :deep(.measure) {
  width: 84px;
  font-size: 14.5px;
}
.compact thead th {
  font-size: 16px;
  white-space: normal;
  overflow-wrap: anywhere;
}
.compact .equivalents {
  flex-direction: column;
  align-items: flex-end;
  gap: 2px;
}
.tight th:not(:first-child):not(.zip),
.tight td:not(.zip) {
  min-width: 76px;
  padding-inline: 2px;
  font-size: 14px;
}
.tight :deep(.measure) {
  width: 78px;
  font-size: 14px;
}
.tight :deep(.measure input) {
  padding-inline: 4px;
}
.tight :deep(button.size-7) {
  width: 20px;
}
.tight .choice,
.tight .choice :deep(*) {
  text-align: right;
  white-space: normal;
  overflow-wrap: anywhere;
}
/* What sets the scale is filled; the focus is a ring. */
.sets-scale :deep(input) {
  background: var(--color-verdigris-soft);
  border-color: var(--color-verdigris);
}
.last td,
.last th {
  border-bottom: 0;
}
.choice {
  min-height: 26px;
  padding: 0 4px;
  margin-right: -4px;
  border-radius: 4px;
  text-decoration: underline dotted var(--color-edge);
  text-underline-offset: 4px;
}
.choice:hover {
  background: var(--color-verdigris-soft);
}
.choice.wrong {
  color: var(--color-red);
  text-decoration: underline wavy var(--color-red-edge);
}
.bar {
  display: block;
  height: 7px;
  margin-top: 4px;
  border: 1px solid var(--color-edge);
  border-radius: 4px;
  background: var(--color-card);
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--color-verdigris);
}
</style>
