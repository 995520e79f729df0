import { findSubstance, inAirOf, parseFormula, withWaters, type Formula } from '#core/formula'
import { dryingAgents, notWarmed, type InAir, type SubstanceRow } from '#core/reference'
import { endsAs, keepingOf, saturatedPressure, type Curve, type Humidity, type Keeping } from '#core/solution'
import { explosiveBy, ionsOf } from '#core/species'

export type DryingWay =
  | 'air, on paper'
  | 'suction'
  | 'desiccator, calcium chloride'
  | 'desiccator, silica gel'
  | 'desiccator, conc. sulfuric acid or P4O10'
  | 'desiccator, potassium hydroxide'
  | 'vacuum'
  | 'oven'

export interface DryingOption {
  readonly way: DryingWay
  readonly verdict: 'good' | 'possible' | 'not'
  readonly reason: string
  /** °C at most, for an oven or warm air. */
  readonly most?: number
  /** How long a thin layer usually takes; none where the way is not one. */
  readonly takes?: DryingTime
}

/** From the first weighing that makes sense to where it is usually constant, each as a wait that the run reads; common practice, no source. */
export interface DryingTime {
  readonly least: string
  readonly most?: string
  readonly note?: string
}

/** `overnight to 2 days`, `1 h, pressed between papers`. */
export const dryingTimeWords = ({ least, most, note }: DryingTime): string =>
  `${least}${most === undefined ? '' : ` to ${most}`}${note === undefined ? '' : `, ${note}`}`

export interface DryingAdvice {
  readonly form: string
  readonly known: boolean
  /** Why it is not dried at all. */
  readonly never?: string
  readonly options: readonly DryingOption[]
  /** Where practitioners differ, both ways. */
  readonly schools: readonly string[]
}

/** The air of the room, as the lab says it. */
export interface RoomAir {
  readonly celsius: number
  /** Relative humidity as a share; undefined where the lab has not told it. */
  readonly humidity?: number
}
/** A usual room, where nothing is told. */
export const usualAir: RoomAir = { celsius: 22 }
/** Between these a heated or cooled room usually stands; common practice, no source. */
const USUAL_HUMIDITY = [0.35, 0.6] as const

/** A margin below the temperature at which the form begins to lose water or decompose; a judgement. */
const MARGIN = 20
const OVEN_FROM = 50

/**
 * How to dry a form without changing it: by the humidities between which it keeps, against those of the room and of drying agents; from its transition and decomposition temperatures and what it does in air (tables); times are
 * what is common for a thin layer, no source. A substance that the tables do not know gets no advice but to try a little first.
 */
export function dryingAdvice(
  form: Formula,
  own: readonly SubstanceRow[] = [],
  room: RoomAir = usualAir,
  curves: readonly Curve[] = [],
): DryingAdvice {
  const found = findSubstance(form, own)
  const never = explosiveBy(form)
  if (never !== undefined) return { form: form.text, known: false, never, options: [], schools: [] }
  if (!found) return { form: form.text, known: false, options: [], schools: [] }
  const { row, waters } = found
  const until = row.forms?.find(([count]) => Math.abs(count - waters) < 1e-9)?.[3]
  const limit = Math.min(until ?? Infinity, row.decomposes ?? Infinity)
  const air = inAirOf(found)
  const facts: Facts = {
    row,
    air,
    hydrated: waters > 0,
    until,
    limit,
    ammine: air === 'loses ammonia',
    form: withWaters(row.formula, waters),
    room,
    keeping: keepingOf(form, room.celsius, curves),
    endsAt: share => endsAs(form, share, room.celsius, curves),
  }
  return {
    form: form.text,
    known: true,
    options: [
      inAir(facts),
      suction(facts),
      chloride(facts),
      silica(facts),
      strong(facts),
      caustic(facts),
      vacuum(facts),
      oven(facts),
    ].sort((a, b) => RANK[a.verdict] - RANK[b.verdict]),
    schools: schoolsFor(facts),
  }
}
const RANK = { good: 0, possible: 1, not: 2 } as const

interface Facts {
  readonly row: SubstanceRow
  /** What this form does in air. */
  readonly air: InAir | undefined
  readonly hydrated: boolean
  readonly until: number | undefined
  readonly limit: number
  readonly ammine: boolean
  readonly form: string
  readonly room: RoomAir
  readonly keeping: Keeping
  /** The form in which it ends in air of a humidity; undefined where it stays, or nothing is known. */
  readonly endsAt: (share: number) => Formula | undefined
}
const isWet = ({ air }: Facts): boolean => air === 'deliquesces' || air === 'hygroscopic'
const percent = ({ share, isEstimate }: Pick<Humidity, 'share' | 'isEstimate'>): string =>
  `${isEstimate ? 'about ' : ''}${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`

/** How many kelvin or shares a humidity that was worked out, or a hygrometer, may be off; a judgement. */
const SURE_BY = 0.05
const AIR = 'air, on paper'
const DAYS: DryingTime = { least: 'overnight', most: '2 days' }

/** Air that takes or gives water, by the humidities between which the form keeps; what else air does goes first. */
function inAir(facts: Facts): DryingOption {
  const { air, limit } = facts
  if (air === 'oxidises')
    return {
      way: AIR,
      verdict: 'possible',
      takes: { least: '1 h', note: 'pressed between papers' },
      reason: 'Air oxidises it: quickly, or under inert gas.',
    }
  if (air === 'takes up CO2')
    return {
      way: AIR,
      verdict: 'possible',
      takes: { least: '1 h' },
      reason: 'It takes up carbon dioxide: not for long.',
    }
  if (air === 'loses ammonia')
    return {
      way: AIR,
      verdict: 'possible',
      takes: { least: '1 h', most: '2 h' },
      reason: 'It slowly loses ammonia: between papers, and no longer than it takes.',
    }
  if (air === 'fumes') return { way: AIR, verdict: 'not', reason: 'It fumes in air: closed, under a dry gas.' }
  if (facts.row.water === 'reacts')
    return { way: AIR, verdict: 'not', reason: 'The water of the air reacts with it: closed, under a dry gas.' }
  const told = byHumidity(facts)
  if (told) return told
  if (air === 'deliquesces')
    return { way: AIR, verdict: 'not', reason: 'It takes up water from the air and never dries in it.' }
  if (air === 'hygroscopic') return { way: AIR, verdict: 'not', reason: 'It takes up water from the air.' }
  if (air === 'darkens in light')
    return { way: AIR, verdict: 'good', takes: DAYS, reason: 'It keeps in air, in the dark.' }
  if (air === 'effloresces')
    return {
      way: AIR,
      verdict: limit < 35 ? 'possible' : 'good',
      takes: DAYS,
      ...(Number.isFinite(limit) && { most: Math.max(20, Math.min(30, limit - 5)) }),
      reason: `It can lose water in dry or warm air, below what humidity is not known: at room temperature, covered with paper${limit < 45 ? `, and cool: it turns at ${limit} °C` : ''}.`,
    }
  return {
    way: AIR,
    verdict: 'good',
    takes: DAYS,
    reason: air === 'keeps' ? 'It keeps in air.' : 'Nothing known speaks against it.',
  }
}

/** The room’s humidity against those between which the form keeps; undefined where neither is known. */
function byHumidity(facts: Facts): DryingOption | undefined {
  const { below, above } = facts.keeping
  if (!below && !above) return undefined
  const { humidity, celsius } = facts.room
  const [driest, dampest] = humidity === undefined ? USUAL_HUMIDITY : [humidity - SURE_BY, humidity + SURE_BY]
  const room =
    humidity === undefined ? 'A usual room' : `This room (${(humidity * 100).toFixed(0)} % at ${celsius.toFixed(0)} °C)`
  const range = [below && `above ${percent(below)}`, above && `below ${percent(above)}`].filter(Boolean).join(' and ')
  const ends = below && (facts.endsAt(Math.max(0, (driest + dampest) / 2)) ?? below.into)
  if (above && above.share < driest)
    return {
      way: AIR,
      verdict: 'not',
      reason: `It keeps only ${range} humidity. ${room} is damper: it takes up water${above.into ? ` and becomes {${above.into.text}}` : ' until it is a liquor'}.`,
    }
  if (below && below.share > dampest)
    return {
      way: AIR,
      verdict: 'not',
      reason: `It keeps only ${range} humidity. ${room} is drier: it falls to powder and ends as {${ends!.text}}.`,
    }
  const isSafe = (!below || below.share < driest) && (!above || above.share > dampest)
  const also = facts.air === 'darkens in light' ? ' In the dark.' : ''
  return {
    way: AIR,
    verdict: isSafe ? 'good' : 'possible',
    takes: DAYS,
    ...(facts.hydrated &&
      Number.isFinite(facts.limit) &&
      facts.limit < 60 && { most: Math.max(20, Math.min(30, facts.limit - 5)) }),
    reason: isSafe
      ? `It keeps ${range} humidity, at ${celsius.toFixed(0)} °C.${also}`
      : `It keeps ${range} humidity, at ${celsius.toFixed(0)} °C, which ${humidity === undefined ? 'not every room' : 'this one barely'} has: covered, and no longer than it takes.${also}`,
  }
}

function suction(facts: Facts): DryingOption {
  const takes = { least: '10 min', most: '30 min', note: 'on the funnel' }
  if (facts.air === 'deliquesces')
    return { way: 'suction', verdict: 'not', reason: 'Moist room air drawn through it makes it wetter.' }
  if (facts.ammine)
    return {
      way: 'suction',
      verdict: 'possible',
      takes: { least: '5 min' },
      reason: 'Air drawn through it takes ammonia along.',
    }
  return {
    way: 'suction',
    verdict: 'possible',
    takes,
    reason: 'Takes most of the liquor; dry on by another way and weigh until constant.',
  }
}

/** What a drying agent takes out of this hydrate: by its vapour pressure where that is known; undefined where it takes nothing, or nothing is known. */
function takenBy({ endsAt, keeping, room }: Facts, agent: keyof typeof dryingAgents): string | undefined {
  const full = saturatedPressure(room.celsius)
  const ends = full === undefined ? undefined : endsAt(dryingAgents[agent] / full)
  const pressure = keeping.below && full !== undefined ? keeping.below.share * full : undefined
  return ends && pressure !== undefined
    ? `It holds its water down to ${pressure.toPrecision(2)} torr, and ${agent} leaves ${dryingAgents[agent]}: left long enough it ends as {${ends.text}}.`
    : undefined
}

function chloride(facts: Facts): DryingOption {
  const way = 'desiccator, calcium chloride'
  const takes = { least: '1 day', most: '3 days' }
  if (facts.ammine) return { way, verdict: 'not', reason: 'Calcium chloride binds ammonia as well as water.' }
  const taken = takenBy(facts, 'calcium chloride')
  if (taken !== undefined) return { way, verdict: 'not', reason: taken }
  if (facts.hydrated && !facts.keeping.below && (facts.air === 'effloresces' || facts.limit < 60))
    return { way, verdict: 'not', reason: 'It would take water of crystallisation out of this hydrate.' }
  return {
    way,
    verdict: isWet(facts) ? 'good' : 'possible',
    takes,
    reason: isWet(facts) ? 'Keeps the air’s water off while it dries.' : unsure(facts, 'Slow and safe.'),
  }
}

/** Of a hydrate whose pressure is not known it is said. */
const unsure = ({ hydrated, keeping }: Facts, reason: string): string =>
  hydrated && !keeping.below ? 'At what humidity it loses its water is not known: weigh on the way.' : reason

function silica(facts: Facts): DryingOption {
  const way = 'desiccator, silica gel'
  const taken = takenBy(facts, 'silica gel')
  if (taken !== undefined) return { way, verdict: 'not', reason: taken }
  if (facts.hydrated && !facts.keeping.below && (facts.air === 'effloresces' || facts.limit < 50))
    return { way, verdict: 'not', reason: 'Dry enough to take water of crystallisation out of this hydrate.' }
  return {
    way,
    verdict: isWet(facts) ? 'good' : 'possible',
    takes: { least: '1 day', most: '3 days' },
    reason: unsure(facts, 'Mild; renew it when its indicator turns.'),
  }
}

function strong(facts: Facts): DryingOption {
  const way = 'desiccator, conc. sulfuric acid or P4O10'
  if (facts.ammine) return { way, verdict: 'not', reason: 'It takes the ammonia out.' }
  if (facts.hydrated)
    return {
      way,
      verdict: 'not',
      reason: takenBy(facts, 'sulfuric acid') ?? 'It takes water out of nearly every hydrate.',
    }
  return {
    way,
    verdict: 'possible',
    takes: { least: '1 day' },
    reason: 'For what holds no water of its own; the acid must not spill.',
  }
}

function caustic(facts: Facts): DryingOption {
  const way = 'desiccator, potassium hydroxide'
  if (facts.ammine)
    return {
      way,
      verdict: 'good',
      takes: { least: '2 days', most: '1 month' },
      reason: 'Takes water and leaves the ammonia in: the usual way for ammines, with some ammonia beside it.',
    }
  return {
    way,
    verdict: facts.hydrated ? 'not' : 'possible',
    takes: { least: '2 days', most: '4 days' },
    reason: facts.hydrated
      ? (takenBy(facts, 'potassium hydroxide') ?? 'It takes water out of hydrates.')
      : 'For what gives off acid.',
  }
}

function vacuum(facts: Facts): DryingOption {
  if (facts.hydrated && (facts.keeping.below !== undefined || facts.air === 'effloresces' || facts.limit < 80))
    return {
      way: 'vacuum',
      verdict: 'not',
      reason: 'Vacuum takes water of crystallisation at room temperature.',
    }
  if (facts.ammine) return { way: 'vacuum', verdict: 'not', reason: 'Vacuum takes the ammonia.' }
  return {
    way: 'vacuum',
    verdict: facts.hydrated ? 'possible' : 'good',
    takes: { least: '1 h', most: '3 h' },
    reason: facts.hydrated ? 'Cold, and not long: weigh between.' : 'It has no water to lose.',
  }
}

/** Anions that an oven sets off, with all cations or with some; what explodes is told before. */
function neverWarm({ formula }: SubstanceRow): string | undefined {
  const read = parseFormula(formula)
  const ions = read.ok ? (ionsOf(read.value) ?? []) : []
  return notWarmed.find(
    ({ anion, with: cations }) =>
      ions.some(({ text }) => text === anion) && (!cations || ions.some(({ text }) => cations.includes(text))),
  )?.why
}

function oven({ limit, hydrated, row, air, form, ammine }: Facts): DryingOption {
  const most = Math.floor((limit - MARGIN) / 5) * 5
  if (ammine) return { way: 'oven', verdict: 'not', reason: 'It loses ammonia when warm.' }
  const never = neverWarm(row)
  if (never !== undefined) return { way: 'oven', verdict: 'not', reason: `Never: ${never}.` }
  if (Number.isFinite(limit) && most < OVEN_FROM)
    return {
      way: 'oven',
      verdict: 'not',
      reason: `{${form}} ${hydrated ? 'turns or loses water' : 'decomposes'} from ${limit} °C.`,
    }
  if (!Number.isFinite(limit)) {
    if (hydrated)
      return {
        way: 'oven',
        verdict: 'not',
        reason: 'At what temperature this hydrate loses its water is not in the table.',
      }
    return {
      way: 'oven',
      verdict: row.decomposes === undefined && air !== 'keeps' ? 'possible' : 'good',
      most: 105,
      takes: { least: '1 h', most: '2 h' },
      reason: 'It has no water to lose; where it decomposes is not in the table, so no hotter.',
    }
  }
  const cap = Math.min(most, hydrated ? 60 : 110)
  return {
    way: 'oven',
    verdict: hydrated ? 'possible' : 'good',
    most: cap,
    takes: hydrated ? { least: '1 h', note: 'then weigh' } : { least: '1 h', most: '2 h' },
    reason: hydrated ? `Below ${limit} °C only, with ${MARGIN} K to spare.` : 'It has no water to lose.',
  }
}

function schoolsFor({ hydrated, limit }: Facts): string[] {
  const schools = [
    'Weigh, dry again, weigh: dry means that two weighings agree within the balance’s tolerance, whatever the clock says.',
  ]
  if (hydrated && limit > 60 && Number.isFinite(limit))
    schools.push(
      'Some dry hydrates in a warm oven for speed, some only in air for certainty: the oven’s warm corner decides which hydrate you weigh.',
    )
  if (hydrated)
    schools.push(
      'Some weigh the hydrate as it is, some heat a sample to the anhydrous salt and reckon back; the second also says which hydrate it was.',
    )
  return schools
}
