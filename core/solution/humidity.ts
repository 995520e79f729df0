import { excessOf, interactionsOf, ionicStrength, logWater, type Interactions } from '#core/activity'
import { parseFormula, withWaters, type Formula } from '#core/formula'
import {
  hydratePressures,
  hydratePressureSource,
  saturatedHumidities,
  saturatedHumiditySource,
  waterPressures,
} from '#core/reference'
import { monotone } from '#core/quantity'
import { partsOf } from '#core/species'
import { componentsOf } from './components'
import { branchesAt, findCurve, saturationAt, type Curve } from './curve'
import { molalityOf } from './product-alone'
import { solidsFor, type Solid } from './solids'

/** A humidity at which something changes, as a share of saturated air, and where it comes from. */
export interface Humidity {
  readonly share: number
  readonly source: string
  /** Worked out from the solubilities of the two hydrates, or from activities, rather than measured. */
  readonly isEstimate: boolean
}
/** Between which humidities a form stays what it is. Undefined where nothing is known of that side. */
export interface Keeping {
  /** Below it the air takes its water, and it ends as this form. */
  readonly below?: Humidity & { readonly into: Formula }
  /** Above it the form takes up water: into a higher hydrate, or, where none is told, until it is a liquor. */
  readonly above?: Humidity & { readonly into?: Formula }
}

const pressureAt = monotone(waterPressures)
/** torr of water vapour in saturated air; undefined outside 0 to 100 °C. */
export const saturatedPressure = (celsius: number): number | undefined => pressureAt(celsius)

/**
 * What a form of a salt does in air of some temperature: measured pressures of hydrate pairs and humidities over saturated solutions where tables have them, else worked out: two hydrates stand together where the activity
 * of water makes them equally soluble (ln a = (ln K − ln K′) / (n − n′)), and a saturated solution has the activity that Pitzer’s equations give it.
 */
export function keepingOf(form: Formula, celsius: number, own: readonly Curve[] = []): Keeping {
  const found = findCurve(form, own)
  const salt = found?.curve.salt ?? dryFormula(form)
  const waters = found ? found.relation.waters / found.relation.units : watersIn(form)
  const pairs = pairsOf(salt, celsius, found?.curve)
  const below = pairs.filter(pair => near(pair.higher, waters)).sort((a, b) => b.share - a.share)[0]
  const taken = pairs.filter(pair => near(pair.lower, waters)).sort((a, b) => a.share - b.share)[0]
  const wet = found && standsThere(found.curve, waters, celsius) ? overSaturated(found.curve, celsius) : undefined
  const wetter = taken && (!wet || taken.share < wet.share)
  return {
    ...(below && { below: { ...plain(below), into: formOf(salt, below.lower) } }),
    ...(wetter ? { above: { ...plain(taken), into: formOf(salt, taken.higher) } } : wet && { above: wet }),
  }
}
/** The form is the one that stands beside the saturated solution. */
function standsThere(curve: Curve, waters: number, celsius: number): boolean {
  const saturation = saturationAt(curve, celsius)
  return saturation.ok && near(saturation.value.phase.waters, waters)
}
const plain = ({ share, source, isEstimate }: Humidity): Humidity => ({ share, source, isEstimate })
const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6

/** Ends of a form in air of a humidity: the form that stands there at rest, by going down its hydrates; undefined where it stays. */
export function endsAs(form: Formula, share: number, celsius: number, own: readonly Curve[] = []): Formula | undefined {
  let at = form
  for (let step = 0; step < 6; step++) {
    const { below } = keepingOf(at, celsius, own)
    if (!below || below.share <= share) break
    at = below.into
  }
  return at === form ? undefined : at
}

export interface Pair extends Humidity {
  readonly higher: number
  readonly lower: number
}

function pairsOf(salt: Formula, celsius: number, curve: Curve | undefined): Pair[] {
  const measured = measuredPairs(salt, celsius)
  const worked = curve ? workedPairs(curve, celsius) : []
  return [
    ...measured,
    ...worked.filter(one => !measured.some(({ higher, lower }) => one.higher > lower && one.lower < higher)),
  ]
}

const KELVIN = 273.15
const ROOM = 25
const GAS = 8.314_46e-3
interface Measured {
  readonly salt: string
  readonly higher: number
  readonly lower: number
  readonly torr: number
  readonly heat: number
}
let measured: readonly Measured[] | undefined
const measuredRows = (): readonly Measured[] =>
  (measured ??= hydratePressures.flatMap(({ higher, lower, torr, heat }): Measured[] => {
    const [up, down] = [read(higher), read(lower)]
    return up && down ? [{ salt: dryFormula(up).text, higher: watersIn(up), lower: watersIn(down), torr, heat }] : []
  }))

function measuredPairs(salt: Formula, celsius: number): Pair[] {
  const full = saturatedPressure(celsius)
  if (full === undefined) return []
  return measuredRows().flatMap((row): Pair[] => {
    if (row.salt !== salt.text) return []
    const there = row.torr * Math.exp((-row.heat / GAS) * (1 / (celsius + KELVIN) - 1 / (ROOM + KELVIN)))
    const { higher, lower } = row
    return [{ higher, lower, share: there / full, source: hydratePressureSource, isEstimate: false }]
  })
}

/** K that a branch may be drawn on here: at 23 K Epsom salt’s is off by half. */
const DRAWN_ON = 20
/** Neighbouring hydrates of a curve whose solubilities are both told at a temperature, and the humidity at which the two stand together. */
export function workedPairs(curve: Curve, celsius: number): Pair[] {
  const keys = componentsOf(curve.salt).map(({ key }) => key)
  const ions = interactionsOf(keys, celsius)
  const saturation = saturationAt(curve, celsius)
  if (!saturation.ok || !isSure(curve, saturation.value.grams, ions)) return []
  const near = new Set(
    branchesAt(curve, celsius).flatMap(({ phase, beyond }) => (beyond <= DRAWN_ON ? [phase.waters] : [])),
  )
  const hydrates = solidsFor(new Set(keys), celsius, curve.own ? [curve] : [])
    .solids.filter(
      ({ salt, source, waters }) => salt.text === curve.salt.text && source === 'curve' && near.has(waters),
    )
    .sort((a, b) => b.waters - a.waters)
  return hydrates.slice(0, -1).map((higher, i): Pair => {
    const lower: Solid = hydrates[i + 1]!
    return {
      higher: higher.waters,
      lower: lower.waters,
      share: Math.exp((higher.logK - lower.logK) / (higher.waters - lower.waters)),
      source: 'worked out from the solubilities of both forms',
      isEstimate: true,
    }
  })
}

/** Humidity over the saturated solution of a curve: measured at 25 °C, or by activities where the parameters are the salt’s own and reach so far. */
export function overSaturated(curve: Curve, celsius: number): Humidity | undefined {
  const table = saturatedHumidities.find(([salt]) => salt === curve.salt.text)
  if (table) return { share: table[1], source: saturatedHumiditySource, isEstimate: Math.abs(celsius - ROOM) > 5 }
  return workedOverSaturated(curve, celsius)
}

/** Humidity over the saturated solution of a curve by activities; undefined where the parameters are borrowed or do not reach. */
export function workedOverSaturated(curve: Curve, celsius: number): Humidity | undefined {
  const saturation = saturationAt(curve, celsius)
  const parts = componentsOf(curve.salt)
  const ions = interactionsOf(
    parts.map(({ key }) => key),
    celsius,
  )
  if (!saturation.ok || !isSure(curve, saturation.value.grams, ions)) return undefined
  const molalities = parts.map(({ count }) => count * molalityOf(curve.salt, saturation.value.grams))
  return {
    share: Math.exp(logWater(ions, molalities, excessOf(ions, molalities))),
    source: 'worked out from activities',
    isEstimate: true,
  }
}

function isSure(curve: Curve, grams: number, ions: Interactions): boolean {
  const parts = componentsOf(curve.salt)
  if (parts.length < 2 || ions.borrowed.length > 0) return false
  const molalities = parts.map(({ count }) => count * molalityOf(curve.salt, grams))
  return ionicStrength(ions, molalities) <= ions.upTo
}

const read = (text: string): Formula | undefined => {
  const formula = parseFormula(text)
  return formula.ok ? formula.value : undefined
}
const formOf = (salt: Formula, waters: number): Formula => read(withWaters(salt.text, waters)) ?? salt
const watersIn = ({ text }: Formula): number => partsOf(text).waters
const dryFormula = (form: Formula): Formula => {
  const { parts, waters } = partsOf(form.text)
  return (
    (waters > 0 ? read(parts.map(({ text, times }) => (times === 1 ? text : `${times}${text}`)).join('·')) : form) ??
    form
  )
}
