import { findSubstance, inAirOf, parseFormula, relate, type Formula } from '#core/formula'
import { methanolWords, type Dissolves, type SubstanceRow } from '#core/reference'
import type { Curve } from './curve'
import type { Cake } from './filtering'
import { follow } from './moves'
import type { PotState } from './pot'
import { restOf } from './pot-state'
import { SOLVENT_DENSITY } from './liquid-densities'
import type { WashSolvent } from './washing'

export interface WashOption {
  readonly solvent: WashSolvent
  readonly celsius: number
  readonly portions: number
  /** mL a portion. */
  readonly portion: number
  /** Share of the product that the wash costs; undefined where the table has only a word. */
  readonly loss: number | undefined
  readonly lossWord: string
  /** g of what is not the product left in the cake, and of what was there before. */
  readonly left: number
  readonly before: number
  readonly warnings: readonly string[]
  readonly verdict: 'good' | 'possible' | 'avoid'
  /** False where the solvent takes the liquor's salts along only as it mixes with it. */
  readonly fromTable: boolean
}

/** A crop as it lies on the filter: crystals with the liquor that clings to them, as a share of their mass. */
export interface FilterCake {
  readonly pot: PotState
  readonly retained: number
  readonly product: Formula
  /** g in the cake of what the liquor holds and no table of solubility knows, an excess of acid mostly. */
  readonly unknown?: number
}

const SOLVENTS: readonly Exclude<WashSolvent, 'water'>[] = ['ethanol', 'acetone', 'methanol']
const VOLUME_SHARE = 1
const COLD = 0

/**
 * Ways to wash a crop, the best first: cold water in one, two and three portions (the usual rule, several small ones beat a large one),
 * then alcohol, acetone and methanol by what the tables say they dissolve. Losses in water come from the curves, by letting cake and
 * wash come to rest; the others are told in a word.
 */
export function washOptions(
  cake: FilterCake,
  own: readonly Curve[] = [],
  ownRows: readonly SubstanceRow[] = [],
): WashOption[] {
  const rest = restOf(cake.pot, own)
  if (!rest.ok || rest.value.solids.length === 0) return []
  const start: Cake = { pot: cake.pot, rest: rest.value }
  const crystals = rest.value.solids.reduce((sum, { mass }) => sum + mass, 0)
  const before = strangersIn(start, cake.product) + (cake.unknown ?? 0)
  const total = crystals * VOLUME_SHARE
  const options = [
    ...[1, 2, 3].flatMap(portions => inWater(start, portions, total / portions, crystals, before, cake, own)),
    ...SOLVENTS.map(solvent => inSolvent(start, solvent, total, before, cake, ownRows)),
  ]
  return options.sort((a, b) => score(a) - score(b))
}

/** What the clinging liquor dries to beside the product itself, g. */
const strangersIn = ({ rest }: Cake, product: Formula): number =>
  rest.told.forms.filter(({ form }) => !sameSalt(form, product)).reduce((sum, { mass }) => sum + mass, 0)

/** Liquid that clings, before a wash thins it, as a share of both. */
const thinning = (clinging: number, volume: number): number => (clinging > 0 ? clinging / (clinging + volume) : 0)

const RANK = { good: 0, possible: 10, avoid: 100 } as const
const score = ({ verdict, loss, left, before }: WashOption): number =>
  RANK[verdict] + (loss ?? 0.01) * 10 + (before > 0 ? left / before : 0)

function inWater(
  start: Cake,
  portions: number,
  portion: number,
  crystals: number,
  before: number,
  cake: FilterCake,
  own: readonly Curve[],
): WashOption[] {
  let now = start
  let unknown = cake.unknown ?? 0
  for (let i = 0; i < portions; i++) {
    const washed = washOnce(now, portion, cake.retained, own)
    if (!washed) return []
    now = washed
    unknown *= thinning(cake.retained * crystals, portion)
  }
  const after = now.rest.solids.reduce((sum, { mass }) => sum + mass, 0)
  const loss = Math.max(0, (crystals - after) / crystals)
  const warnings: string[] = []
  if (loss > 0.15) warnings.push('It dissolves too well in cold water: much of it would go.')
  const changed = now.rest.solids.some(
    ({ solid }) => !start.rest.solids.some(one => one.solid.form.text === solid.form.text),
  )
  if (changed) warnings.push('Cold water would turn it into another hydrate.')
  return [
    {
      solvent: 'water',
      celsius: COLD,
      portions,
      portion,
      loss,
      lossWord: `${(loss * 100).toFixed(1)} %`,
      left: strangersIn(now, cake.product) + unknown,
      before,
      warnings,
      verdict: changed || loss > 0.3 ? 'avoid' : loss > 0.1 ? 'possible' : 'good',
      fromTable: true,
    },
  ]
}

/** One portion of ice water over the cake, by letting the two come to rest. */
function washOnce(cake: Cake, volume: number, retained: number, own: readonly Curve[]): Cake | undefined {
  const course = follow(
    cake.pot,
    [
      { do: 'filter', retained },
      { do: 'wash', solvent: 'water', volume, celsius: COLD, retained },
    ],
    own,
  )
  return course.ok ? course.value.cakes[0] : undefined
}

function inSolvent(
  start: Cake,
  solvent: Exclude<WashSolvent, 'water'>,
  total: number,
  before: number,
  { product, retained }: FilterCake,
  ownRows: readonly SubstanceRow[],
): WashOption {
  const row = findSubstance(product, ownRows)?.row
  const word = wordIn(row, solvent)
  const crystals = start.rest.solids.reduce((sum, { mass }) => sum + mass, 0)
  const clinging = retained * crystals
  const thinned = thinning(clinging, (total / 2) * SOLVENT_DENSITY) ** 2
  const warnings: string[] = []
  const known = findSubstance(product, ownRows)
  const hydrated = (known?.waters ?? 0) > 0
  const effloresces = hydrated && known !== undefined && inAirOf(known) === 'effloresces'
  const salts = start.rest.told.forms.filter(({ form, mass }) => mass > 0.001 && !sameSalt(form, product))
  const stays = salts.filter(({ form }) => {
    const read = parseFormula(form)
    const other = read.ok ? wordIn(findSubstance(read.value, ownRows)?.row, solvent) : undefined
    return other === 'insoluble'
  })
  if (effloresces)
    warnings.push(
      `Strong ${solvent} can take water out of this hydrate, and it loses water easily: crystals turn to powder. Use it half and half with water, and briefly.`,
    )
  else if (hydrated && solvent !== 'ethanol')
    warnings.push(`Dry ${solvent} can take water out of a hydrate: do not let it soak.`)
  if (stays.length > 0)
    warnings.push(
      `${listed(stays.map(({ form }) => `{${form}}`))} hardly ${stays.length === 1 ? 'dissolves' : 'dissolve'} in ${solvent} and may come down on the crystals as it mixes with the liquor: water first.`,
    )
  if (row?.air === 'loses ammonia') warnings.push('Do not suck air through it long: it loses ammonia.')
  const reacts = word === 'reacts'
  if (reacts) warnings.push(`It reacts with ${solvent}.`)
  if (solvent === 'methanol')
    warnings.push('It dissolves more than ethanol does, and is poisonous: ethanol where it will do.')
  warnings.push(`${capital(solvent)} is flammable: no flame, in the hood.`)
  return {
    solvent,
    celsius: 5,
    portions: 2,
    portion: total / 2,
    loss: word === 'insoluble' ? 0 : undefined,
    lossWord:
      word === undefined
        ? 'not known'
        : word === 'insoluble'
          ? 'next to nothing'
          : word === 'slightly'
            ? 'some'
            : word === 'reacts'
              ? 'it reacts'
              : 'much: it dissolves',
    left: before * thinned,
    before,
    warnings,
    verdict:
      word === 'soluble' || reacts
        ? 'avoid'
        : word === 'insoluble' && stays.length === 0 && solvent !== 'methanol' && !effloresces
          ? 'good'
          : 'possible',
    fromTable: false,
  }
}

const wordIn = (row: SubstanceRow | undefined, solvent: WashSolvent): Dissolves | undefined => {
  if (solvent === 'acetone') return row?.acetone
  return solvent === 'methanol' ? row && methanolWords[row.formula] : row?.ethanol
}

/** The same salt with or without water, in whichever unit either is written. */
function sameSalt(form: string, product: Formula): boolean {
  const read = parseFormula(form)
  return read.ok && relate(read.value, product) !== undefined
}

const listed = (items: readonly string[]): string =>
  items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
