import { balance, parseEquation, printReaction, type Reaction } from '#core/equation'
import { explosiveBy, ionsOf, nameOf, type Ion } from '#core/species'
import { formsOf, findSubstance, molarMass, parseFormula, withWaters, type Formula } from '#core/formula'
import { hazardStatements, metalsInAcid, oxidisingAnions, substances } from '#core/reference'
import { acidOf, basesOf, stuffOf } from '#core/route'
import { findCurve, saturationAt } from '#core/solution'

/** What the tables hold that a question may be made of. */

/** A formula that is known to read. */
export function formula(text: string): Formula {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text} does not read.`)
  return read.value
}

export const massOf = (text: string): number => molarMass(formula(text))

/** The only reaction of an equation that is known to balance. */
export function reactionOf(equation: string): Reaction {
  const read = parseEquation(equation)
  const balanced = read.ok ? balance(read.value) : undefined
  if (!balanced?.ok || !balanced.value.unique) throw new Error(`${equation} has no one balance.`)
  return balanced.value.reaction
}

/** What kills in small amounts is not practised on. */
const DEADLY: readonly string[] = ['H300', 'H310', 'H330']
const isFair = (text: string): boolean => {
  const row = findSubstance(formula(text))?.row
  return (
    row !== undefined &&
    explosiveBy(formula(text)) === undefined &&
    !hazardStatements.some(({ code }) => DEADLY.includes(code) && row.hazards?.includes(code))
  )
}

/** °C of a room in which crystals are won. */
const COOL = 15
/** The form that stands beside its saturated solution in a cool room; the one fullest of water where the curve is not known. */
function crystalsOf(dry: string): string | undefined {
  const found = findCurve(formula(dry))
  const saturation = found && saturationAt(found.curve, COOL)
  return saturation?.ok ? saturation.value.phase.form.text : formsOf(formula(dry)).at(-1)
}

export interface Salt {
  readonly text: string
  readonly dry: string
  readonly waters: number
  readonly name: string
  readonly hasComplex: boolean
  /** Kinds of ions it is made of. */
  readonly ions: number
  readonly water: string
}

const once = <T>(make: () => T): (() => T) => {
  let made: T | undefined
  return () => (made ??= make())
}

/** Every solid salt of the tables that is made of ions, in each of its forms. */
export const salts = once((): readonly Salt[] =>
  substances.flatMap(({ formula: dry, state, forms, water }) => {
    const ions = ionsOf(formula(dry))
    if (state !== 'solid' || !ions || !isFair(dry)) return []
    return (forms ?? []).flatMap(([waters]): Salt[] => {
      const text = withWaters(dry, waters)
      const name = Number.isInteger(waters) ? nameOf(formula(text)) : undefined
      if (name === undefined || /[^\w() ,-]/.test(name)) return []
      return [{ text, dry, waters, name, hasComplex: dry.includes('['), ions: ions.length, water }]
    })
  }),
)

/** One way to a salt: a metal or a base, with an acid. */
export interface Preparation {
  readonly start: string
  readonly acid: string
  /** As the equation makes it, without waters. */
  readonly product: string
  /** As it crystallises. */
  readonly form: string
  readonly equation: string
  readonly reaction: Reaction
  readonly cation: Ion
  readonly anion: Ion
}

/** Metals, oxides, hydroxides and carbonates with the acids of their salts, as far as the tables know both and the equation has one balance. */
export const preparations = once((): readonly Preparation[] =>
  substances.flatMap(({ formula: dry, state, water }) => {
    const stuff = stuffOf(dry)
    const [cation, anion] = [stuff?.cations[0], stuff?.anions[0]]
    const isPlain = stuff && stuff.cations.length === 1 && stuff.anions.length === 1 && !dry.includes('[')
    if (state !== 'solid' || water !== 'soluble' || !isPlain || !cation || !anion || !isFair(dry)) return []
    const acid = acidOf(anion)
    const form = crystalsOf(dry)
    if (!acid || form === undefined || stuff.elements.has('N') || ['OH', 'O', 'CO3'].includes(anion.text)) return []
    if (acid.row?.state === 'solid' || !isFair(acid.text)) return []
    const metal = metalsInAcid.some(({ metal, charge }) => metal === cation.text && charge === cation.charge)
    const starts = [
      ...(metal && !oxidisingAnions.includes(anion.text) ? [cation.text] : []),
      ...basesOf(cation).flatMap(({ text, row }) => (row?.state === 'solid' && isFair(text) ? [text] : [])),
    ]
    return starts.flatMap((start): Preparation[] => {
      const others = start === cation.text ? 'H2' : formula(start).composition.has('C') ? 'H2O + CO2' : 'H2O'
      const equation = `${start} + ${acid.text} -> ${dry} + ${others}`
      const read = parseEquation(equation)
      const balanced = read.ok ? balance(read.value) : undefined
      if (!balanced?.ok || !balanced.value.unique) return []
      const reaction = balanced.value.reaction
      return [
        { start, acid: acid.text, product: dry, form, equation: printReaction(reaction), reaction, cation, anion },
      ]
    })
  }),
)

/** Coefficient of a species of a reaction. */
export function coefficientOf({ reactants, products }: Reaction, text: string): number {
  const key = formula(text).text
  const term = [...reactants, ...products].find(({ species }) => species.formula.text === key)
  if (!term) throw new Error(`${text} is not in the equation.`)
  return term.coefficient
}

export const termsOf = ({ reactants, products }: Reaction) => [...reactants, ...products]
