import { findSubstance, withWaters, type Formula } from '#core/formula'
import type { SubstanceRow } from '#core/reference'

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
  readonly options: readonly DryingOption[]
  /** Where practitioners differ, both ways. */
  readonly schools: readonly string[]
}

/** A margin below the temperature at which the form begins to lose water or decompose; a judgement. */
const MARGIN = 20
const OVEN_FROM = 50

/**
 * How to dry a form without changing it, from its transition and decomposition temperatures and what it does in air (tables); times are
 * what is common for a thin layer, no source. A substance that the tables do not know gets no advice but to try a little first.
 */
export function dryingAdvice(form: Formula, own: readonly SubstanceRow[] = []): DryingAdvice {
  const found = findSubstance(form, own)
  if (!found) return { form: form.text, known: false, options: [], schools: [] }
  const { row, waters } = found
  const until = row.forms?.find(([count]) => Math.abs(count - waters) < 1e-9)?.[3]
  const limit = Math.min(until ?? Infinity, row.decomposes ?? Infinity)
  const facts: Facts = {
    row,
    hydrated: waters > 0,
    until,
    limit,
    ammine: row.air === 'loses ammonia',
    form: withWaters(row.formula, waters),
  }
  return {
    form: form.text,
    known: true,
    options: [
      air(facts),
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
  readonly hydrated: boolean
  readonly until: number | undefined
  readonly limit: number
  readonly ammine: boolean
  readonly form: string
}
const isWet = ({ row }: Facts): boolean => row.air === 'deliquesces' || row.air === 'hygroscopic'

function air(facts: Facts): DryingOption {
  const { row, limit } = facts
  const takes = { least: 'overnight', most: '2 days' }
  const way = 'air, on paper'
  if (row.air === 'deliquesces')
    return { way, verdict: 'not', reason: 'It takes up water from the air and never dries in it.' }
  if (row.air === 'hygroscopic') return { way, verdict: 'not', reason: 'It takes up water from the air.' }
  if (row.air === 'oxidises')
    return {
      way,
      verdict: 'possible',
      takes: { least: '1 h', note: 'pressed between papers' },
      reason: 'Air oxidises it: quickly, or under inert gas.',
    }
  if (row.air === 'takes up CO2')
    return { way, verdict: 'possible', takes: { least: '1 h' }, reason: 'It takes up carbon dioxide: not for long.' }
  if (row.air === 'loses ammonia')
    return {
      way,
      verdict: 'possible',
      takes: { least: '1 h', most: '2 h' },
      reason: 'It slowly loses ammonia: between papers, and no longer than it takes.',
    }
  if (row.air === 'darkens in light') return { way, verdict: 'good', takes, reason: 'It keeps in air, in the dark.' }
  if (row.air === 'effloresces')
    return {
      way,
      verdict: limit < 35 ? 'possible' : 'good',
      takes,
      ...(Number.isFinite(limit) && { most: Math.max(20, Math.min(30, limit - 5)) }),
      reason: `It can lose water in dry or warm air: at room temperature, covered with paper${limit < 45 ? `, and cool: it turns at ${limit} °C` : ''}.`,
    }
  return {
    way,
    verdict: 'good',
    takes,
    reason: row.air === 'keeps' ? 'It keeps in air.' : 'Nothing known speaks against it.',
  }
}

function suction(facts: Facts): DryingOption {
  const takes = { least: '10 min', most: '30 min', note: 'on the funnel' }
  if (facts.row.air === 'deliquesces')
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

function chloride(facts: Facts): DryingOption {
  const way = 'desiccator, calcium chloride'
  const takes = { least: '1 day', most: '3 days' }
  if (facts.ammine) return { way, verdict: 'not', reason: 'Calcium chloride binds ammonia as well as water.' }
  if (facts.hydrated && (facts.row.air === 'effloresces' || facts.limit < 60))
    return { way, verdict: 'not', reason: 'It would take water of crystallisation out of this hydrate.' }
  return {
    way,
    verdict: isWet(facts) ? 'good' : 'possible',
    takes,
    reason: isWet(facts) ? 'Keeps the air’s water off while it dries.' : 'Slow and safe.',
  }
}

function silica(facts: Facts): DryingOption {
  const way = 'desiccator, silica gel'
  if (facts.hydrated && (facts.row.air === 'effloresces' || facts.limit < 50))
    return { way, verdict: 'not', reason: 'Dry enough to take water of crystallisation out of this hydrate.' }
  return {
    way,
    verdict: isWet(facts) ? 'good' : 'possible',
    takes: { least: '1 day', most: '3 days' },
    reason: 'Mild; renew it when its indicator turns.',
  }
}

function strong(facts: Facts): DryingOption {
  const way = 'desiccator, conc. sulfuric acid or P4O10'
  if (facts.ammine) return { way, verdict: 'not', reason: 'It takes the ammonia out.' }
  if (facts.hydrated) return { way, verdict: 'not', reason: 'It takes water out of nearly every hydrate.' }
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
    reason: facts.hydrated ? 'It takes water out of hydrates.' : 'For what gives off acid.',
  }
}

function vacuum(facts: Facts): DryingOption {
  if (facts.hydrated && (facts.row.air === 'effloresces' || facts.limit < 80))
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

function oven({ limit, hydrated, row, form, ammine }: Facts): DryingOption {
  const most = Math.floor((limit - MARGIN) / 5) * 5
  if (ammine) return { way: 'oven', verdict: 'not', reason: 'It loses ammonia when warm.' }
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
      verdict: row.decomposes === undefined && row.air !== 'keeps' ? 'possible' : 'good',
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
