import { findSubstance, molarMass, sameStuff, type Formula } from '#core/formula'
import type { Step } from '#core/journal'
import { solvents } from '#core/reference'
import { findCurve, findProduct } from '#core/solution'
import { dryOf, operate, type Setting, type Vessel } from '#core/vessel'
import type { Charge } from './charges'

/** What becomes of a charge in the pot, by trying it there. */
export interface Outcome {
  /** Of the charge itself: nothing, a part, or the whole stays solid. */
  readonly stays: 'none' | 'part' | 'whole'
  /** Another solid comes down by it. */
  readonly throwsDown: boolean
  /** A solid that stood there goes by it: all of it, or some. */
  readonly takesUp: 'none' | 'some' | 'all'
  /** It and water change each other. */
  readonly reacts: boolean
  /** Moles of gas that leave, solvents not counted. */
  readonly gas: number
  /** False where neither the model nor a table knows what it does. */
  readonly isKnown: boolean
}

/** Shares of a charge below which nothing is seen of it at the bottom, and from which on it counts as all there; judgements. */
const SEEN = 0.02
const WHOLE = 0.9

const solidOf = ({ lumps }: Vessel, is: (form: Formula) => boolean): number =>
  lumps.reduce((sum, { form, moles }) => sum + (is(form) ? moles * molarMass(dryOf(form).dry) : 0), 0)

/** Tries a charge in a vessel: what stays, what comes down, what goes. By the account of the vessel; masses are compared without water of crystallisation. */
export function outcomeOf(before: Vessel, charge: Charge, setting: Setting): Outcome {
  const { formula, moles, solvents } = charge
  const { vessel: after, out } = operate(before, { do: 'charge', formula, moles, solvents }, setting)
  const mass = moles * molarMass(dryOf(formula).dry)
  const isMine = (form: Formula): boolean => sameStuff(dryOf(form).dry, dryOf(formula).dry)
  const isOther = (form: Formula): boolean => !isMine(form)
  const stays = (solidOf(after, isMine) - solidOf(before, isMine)) / mass
  const others = solidOf(after, isOther) - solidOf(before, isOther)
  const stood = before.lumps.filter(({ form }) => isOther(form))
  const went = stood.map(({ form }) => {
    const was = solidOf(before, other => sameStuff(other, form))
    return 1 - solidOf(after, other => sameStuff(other, form)) / was
  })
  const isNew = after.lumps.some(({ form }) => isOther(form) && !before.lumps.some(one => sameStuff(one.form, form)))
  const row = findSubstance(formula)?.row
  const isTabled = findCurve(formula, setting.own) !== undefined || findProduct(formula) !== undefined
  const isSparing = row?.water === 'slightly' && !isTabled
  return {
    stays: stays > WHOLE && row?.water !== 'slightly' ? 'whole' : stays > SEEN || isSparing ? 'part' : 'none',
    throwsDown: isNew || others > SEEN * mass,
    takesUp: went.some(share => share > SEEN) ? (after.lumps.length === 0 ? 'all' : 'some') : 'none',
    reacts: row?.water === 'reacts',
    gas: out
      .filter(({ to }) => to === 'gas')
      .flatMap(({ matter }) => matter)
      .reduce((sum, { form, amount }) => sum + (isSolvent(form) ? 0 : amount), 0),
    isKnown: row !== undefined || isTabled,
  }
}
const isSolvent = (form: string): boolean => solvents.some(({ formula }) => formula === form)

/** What the words of a charge hang on beside its outcome. */
export interface Entry {
  readonly name: string
  readonly comes: 'solid' | 'liquid'
  readonly isStrong: boolean
  /** There is something to stir it into. */
  readonly isWet: boolean
  readonly isFirstSolid: boolean
  /** Nothing stands in the pot yet. */
  readonly isEmpty: boolean
}
interface Words {
  readonly do: Step['do']
  readonly words: string
  readonly until: string
}
interface Row {
  readonly when: (entry: Entry, outcome: Outcome) => boolean
  readonly say: (entry: Entry, outcome: Outcome) => Words
}
const add = (words: string, until: string): Words => ({ do: 'add', words, until })
const untilGone = ({ takesUp }: Outcome): string =>
  takesUp === 'all' ? 'the solid has dissolved' : 'no more of the solid dissolves'
const CALM = 'it has gone in, and all is calm'

/** How a chemist says that a charge goes in, the first row that fits: by what it comes as, what stands there, and what becomes of it. Common practice, no source. */
const rows: readonly Row[] = [
  {
    when: ({ isWet, comes, isEmpty }) => !isWet && (comes === 'liquid' || isEmpty),
    say: ({ name }) => add(`Put the ${name} into the vessel`, CALM),
  },
  { when: ({ isWet }) => !isWet, say: ({ name }) => add(`Mix in the ${name}`, 'it is one even powder') },
  {
    when: ({ comes, isStrong }) => comes === 'liquid' && isStrong,
    say: ({ name }, outcome) =>
      add(
        `Add the ${name} slowly, into the liquor, never the other way`,
        outcome.takesUp === 'none' ? CALM : untilGone(outcome),
      ),
  },
  {
    when: ({ comes }, { takesUp }) => comes === 'liquid' && takesUp !== 'none',
    say: ({ name }, outcome) => add(`Add the ${name} in portions, stirring`, untilGone(outcome)),
  },
  {
    when: ({ comes }, { throwsDown }) => comes === 'liquid' && throwsDown,
    say: ({ name }) => add(`Run in the ${name} slowly, stirring`, 'no more comes down'),
  },
  { when: ({ comes }) => comes === 'liquid', say: ({ name }) => add(`Add the ${name}, stirring`, CALM) },
  {
    when: (_, { reacts }) => reacts,
    say: ({ name }) => add(`Add ${name} in small portions, stirring: it reacts with water`, 'it is calm again'),
  },
  {
    when: (_, { isKnown }) => !isKnown,
    say: ({ name }) => add(`Add ${name}, a spatula at a time`, 'nothing changes any more'),
  },
  {
    when: (_, { takesUp }) => takesUp !== 'none',
    say: ({ name }, outcome) => add(`Add ${name} in portions, stirring`, untilGone(outcome)),
  },
  {
    when: (_, { throwsDown }) => throwsDown,
    say: ({ name }) => add(`Add ${name}, a spatula at a time`, 'no more comes down'),
  },
  {
    when: (_, { stays }) => stays === 'whole',
    say: ({ name }) => add(`Suspend ${name}, stirring`, 'no lumps are left'),
  },
  {
    when: (_, { stays }) => stays === 'part',
    say: ({ name }) => add(`Stir in ${name}`, 'no more of it dissolves'),
  },
  {
    when: ({ isFirstSolid }) => isFirstSolid,
    say: ({ name }) => ({
      do: 'dissolve',
      words: `Dissolve ${name}, stirring`,
      until: 'nothing is left at the bottom',
    }),
  },
  {
    when: () => true,
    say: ({ name }) => add(`Add ${name}, a spatula at a time`, 'it has dissolved'),
  },
]

/** The words, the operation and the end point of a charge that goes in. */
export function wordsOfEntering(entry: Entry, outcome: Outcome): Words {
  const row = rows.find(one => one.when(entry, outcome))!
  return row.say(entry, outcome)
}
