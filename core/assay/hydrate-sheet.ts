import { formsOf, molarMass, parseFormula, withWaters, type Formula } from '#core/formula'
import { difference, statedWords } from '#core/quantity'
import { balanceNoise, constancy, driedOn } from './constant-mass'
import { watersFromLoss } from './hydrate'
import { leverOf } from './lever'
import { explainAssay } from './problems'
import { NOT_YET, type Choices, type Finding, type Outcome, type SheetKind } from './worksheet-kind'

/** Waters of crystallisation from the loss on heating, which hydrate fits, and what a mixture of two would be. */
export const hydrateSheet: SheetKind = {
  shape: {
    name: 'Water by heating',
    about:
      'A weighed hydrate, heated to constant mass as the anhydrous salt. Cool it in a desiccator: hot vessels weigh wrong.',
    asked: [{ key: 'salt', label: 'Salt without its water', what: 'formula', example: 'CuSO4' }, balanceNoise],
    columns: [
      { key: 'tare', label: 'Vessel', kinds: ['mass'] },
      { key: 'before', label: 'with the hydrate', kinds: ['mass'] },
      { key: 'stage', label: 'after a first stage', kinds: ['mass'], optional: true },
      { key: 'after', label: 'after heating', kinds: ['mass'] },
      ...driedOn('heated on, again'),
    ],
    result: 'Waters to a formula',
    unit: { scale: 1, text: 'waters' },
    rows: 'replicates',
  },
  method({ formulas: { salt }, figures: { noise } }) {
    if (!salt) return NOT_YET
    return {
      problems: [],
      work({ tare, before, after, again }) {
        const last = again ?? after
        if (!tare || !before || !last) return undefined
        const key = again ? 'again' : 'after'
        if (last.value <= tare.value)
          return {
            problem: {
              key,
              why: 'This is below the empty vessel.',
              fix: 'Check whether the two are swapped or a digit was misread.',
            },
          }
        const waters = watersFromLoss(
          salt,
          difference('hydrate', before, tare),
          difference('anhydrous salt', last, tare),
        )
        return waters.ok ? { value: waters.value.waters } : { problem: { key, ...explainAssay(waters.problem) } }
      },
      judge: outcome => ({
        findings: [...whichHydrate(salt, outcome), ...firstStage(salt, outcome), ...constancy(outcome, 'after', noise)],
        choices: [formsThatFit(salt, outcome)],
      }),
    }
  },
}

/** The least that a loss on heating is taken to be good for, in waters, however well its weighings agree; common practice, no source. */
const LEAST_REACH = 0.05
const reachOf = ({ expanded }: Outcome): number => Math.max(expanded, LEAST_REACH)

/** Replicates that lie further apart than one mean can stand for: no single hydrate is behind them. */
const apart = ({ values }: Outcome): boolean => Math.max(...values) - Math.min(...values) > 1

/** The hydrates that a salt is weighed against: those the tables know; whole numbers up to 12 where they know none. */
function knownWaters(salt: Formula): number[] {
  const known = formsOf(salt).flatMap(text => {
    const form = parseFormula(text)
    const water = form.ok ? (form.value.composition.get('O') ?? 0) - (salt.composition.get('O') ?? 0) : -1
    return water >= 0 ? [water] : []
  })
  return known.length > 1 ? known.toSorted((a, b) => a - b) : Array.from({ length: 13 }, (_, i) => i)
}

function whichHydrate(salt: Formula, outcome: Outcome): Finding[] {
  const found = outcome.mean
  const known = knownWaters(salt)
  const name = (waters: number): string => `{${withWaters(salt.text, waters)}}`
  const told = statedWords(found, outcome.expanded)
  if (apart(outcome))
    return [
      {
        tone: 'caution',
        tag: 'Which hydrate',
        text: `${outcome.values.map(value => value.toFixed(2)).join(', ')} waters do not agree, so their mean names no hydrate. Look for what went wrong in the one that stands apart, and repeat it.`,
      },
    ]
  const fits = known
    .filter(waters => Math.abs(waters - found) <= reachOf(outcome))
    .toSorted((a, b) => Math.abs(a - found) - Math.abs(b - found))
  const [nearest, ...others] = fits
  if (nearest !== undefined)
    return [
      {
        tone: others.length > 0 ? 'caution' : 'info',
        tag: 'Which hydrate',
        text: `${told} waters: ${name(nearest)} fits${others.length > 0 ? ` best; ${others.map(name).join(' and ')} cannot be told from it at this uncertainty` : ''}.`,
      },
    ]
  const above = known.find(waters => waters > found)
  const below = known.filter(waters => waters < found).at(-1)
  if (above === undefined || below === undefined)
    return [
      {
        tone: 'caution',
        tag: 'Which hydrate',
        text: `${told} waters are more than the highest hydrate known, {${withWaters(salt.text, known.at(-1)!)}}: it was wet, or the salt itself lost something on heating.`,
      },
    ]
  const lever = leverOf(salt, below, above, found)
  return [
    {
      tone: 'caution',
      tag: 'Between two hydrates',
      text: `${told} waters lie between {${lever.lower}} and {${lever.upper}}: as a mixture of the two, ${(lever.upperShare * 100).toFixed(0)} % of its mass is {${lever.upper}}, the rest has lost water. Or it was wet, or not yet dry.`,
    },
  ]
}

/** What a first, milder heating left, against the anhydrous salt that the end of it leaves. */
function firstStage(salt: Formula, outcome: Outcome): Finding[] {
  const known = knownWaters(salt)
  return outcome.whole.flatMap(({ row, cells: { tare, stage, after, again } }): Finding[] => {
    const last = again ?? after
    if (!tare || !stage || !last) return []
    const left = watersFromLoss(salt, difference('hydrate', stage, tare), difference('anhydrous salt', last, tare))
    if (!left.ok)
      return [
        {
          tone: 'caution',
          tag: 'First stage',
          text: `Replicate ${row} weighs less after the first stage than at the end: check the two, or it took up moisture.`,
        },
      ]
    const waters = left.value.waters.value
    const near = known.find(one => Math.abs(one - waters) <= Math.max(reachOf(outcome), 0.1))
    return [
      {
        tone: 'info',
        tag: 'First stage',
        text: `Replicate ${row}: ${waters.toFixed(2)} waters were left after it${near === undefined ? ', no hydrate that is known: it was not through' : `, {${withWaters(salt.text, near)}}`}.`,
      },
    ]
  })
}

function formsThatFit(salt: Formula, outcome: Outcome): Choices {
  const near = knownWaters(salt)
    .toSorted((a, b) => Math.abs(a - outcome.mean) - Math.abs(b - outcome.mean))
    .slice(0, 5)
    .toSorted((a, b) => b - a)
  return {
    title: 'Against each form',
    head: ['Form', 'loss it would show, %', 'waters off by'],
    rows: near.map(waters => {
      const water = waters * 18.015
      return {
        cells: [
          `{${withWaters(salt.text, waters)}}`,
          ((100 * water) / (water + molarMass(salt))).toFixed(2),
          (outcome.mean - waters).toFixed(2).replace('-', '−'),
        ],
        fits: !apart(outcome) && Math.abs(waters - outcome.mean) <= reachOf(outcome),
      }
    }),
  }
}
