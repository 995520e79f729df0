import { molarMassFigure, parseFormula, relate, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { difference, exact, parseQuantity, product, type Figure, type Kind } from '#core/quantity'
import { strengthOf, type Strength } from '#core/supply'
import type { Comes } from './label'

/** A bottle that a solution is made from. */
export interface SolutionSource {
  readonly formula: string
  readonly comes: Comes
}
export interface MadeRefused {
  readonly at: 'from' | 'taken' | 'volume' | 'strength'
  readonly why: string
}

/** What the source brings: moles of the solute in a gram of it, and its density where it is known. */
interface Content {
  /** Numerators and denominators of the moles in a gram. */
  readonly over: readonly Figure[]
  readonly under: readonly Figure[]
  readonly density?: Figure
  /** mol/L, where grams are not known. */
  readonly molarity?: Figure
}

const readAs = (text: string, kinds: readonly Kind[], name: string): Figure | undefined => {
  const read = parseQuantity(text, { kinds, name, source: name })
  return read.ok ? read.value : undefined
}
const STRENGTHS: readonly Kind[] = ['concentration', 'mass fraction', 'mass per volume']

/**
 * Concentration (mol/L) of a solution that was made up to a volume from so much of a bottle: n = m·w/M or V·c, over the volume; with the uncertainties of all of them. Refuses what is not the solute, and an
 * amount in a unit that the density would be needed for.
 */
export function madeStrength(
  source: SolutionSource,
  solute: string,
  taken: string,
  volume: string,
): Checked<Figure, MadeRefused> {
  const content = contentOf(source, solute)
  if (!content.ok) return content
  const amount = readAs(taken, ['mass', 'volume'], 'taken')
  if (!amount) return fail({ at: 'taken', why: 'Give what was taken as a mass or a volume, such as 8.16 g.' })
  const whole = readAs(volume, ['volume'], 'made up to')
  if (!whole) return fail({ at: 'volume', why: 'Give what it was made up to as a volume, such as 100.0 mL.' })
  const { over, under, density, molarity } = content.value
  const name = 'concentration'
  if (amount.kind === 'volume' && molarity) return ok(product(name, 'concentration', [amount, molarity], [whole]))
  const byVolume = amount.kind === 'volume'
  if (over.length + under.length === 0 || (byVolume && !density))
    return fail({
      at: 'taken',
      why: byVolume
        ? 'The density of what was taken is not known: weigh it, or write its density on its label.'
        : 'How much a gram of it holds is not known without its density: measure it by volume.',
    })
  return ok(
    product(
      name,
      'concentration',
      [amount, ...(byVolume && density ? [density] : []), ...over],
      [whole, ...under],
      1000,
    ),
  )
}

export interface ToTake {
  readonly mass?: Figure
  readonly volume?: Figure
}
/** What of a bottle makes a solution of a strength: its mass, its volume, as far as each is known. Refuses what would be stronger than the bottle. */
export function toTake(
  source: SolutionSource,
  solute: string,
  strength: string,
  volume: string,
): Checked<ToTake, MadeRefused> {
  const content = contentOf(source, solute)
  if (!content.ok) return content
  const read = parseFormula(solute)
  const wanted = readAs(strength, STRENGTHS, 'strength wanted')
  const molarity = read.ok && wanted ? strengthOf(read.value, wanted).molarity : undefined
  if (!molarity)
    return fail({
      at: 'strength',
      why: wanted
        ? 'The density of a solution of that strength is not in the tables: give it in mol/L.'
        : 'Give a concentration, such as 2.00 mol/L.',
    })
  const whole = readAs(volume, ['volume'], 'made up to')
  if (!whole) return fail({ at: 'volume', why: 'Give a volume, such as 100 mL.' })
  const { over, under, density, molarity: own } = content.value
  const mass =
    over.length + under.length > 0
      ? product('to take', 'mass', [whole, molarity, ...under], [...over], 1e-3)
      : undefined
  const byVolume = own
    ? product('to take', 'volume', [whole, molarity], [own])
    : mass && density && product('to take', 'volume', [mass], [density])
  if (byVolume && byVolume.value > whole.value)
    return fail({ at: 'strength', why: 'That is stronger than what is in the bottle.' })
  return ok({ ...(mass && { mass }), ...(byVolume && { volume: byVolume }) })
}

function contentOf({ formula, comes }: SolutionSource, solute: string): Checked<Content, MadeRefused> {
  const [form, wanted] = [parseFormula(formula), parseFormula(solute)]
  const relation = form.ok && wanted.ok ? relate(form.value, wanted.value) : undefined
  if (!form.ok || !relation)
    return fail({ at: 'from', why: `What is in this bottle brings no {${solute}} into a solution.` })
  const units = relation.units === 1 ? [] : [exact(relation.units, 'number', `{${solute}} in {${formula}}`)]
  const molar = molarMassFigure(form.value)
  switch (comes.kind) {
    case 'gas':
      return fail({
        at: 'from',
        why: 'A gas is not weighed into a flask: titrate what it gives, and write it as a bottle.',
      })
    case 'solid':
    case 'liquid': {
      const share = comes.assay === undefined ? undefined : readAs(comes.assay, ['mass fraction'], 'assay')
      if (comes.assay !== undefined && !share) return fail({ at: 'from', why: 'The assay on its label does not read.' })
      const dry = 'moisture' in comes && comes.moisture ? dryShare(comes.moisture) : undefined
      const density = 'density' in comes && comes.density ? readAs(comes.density, ['density'], 'density') : undefined
      return ok({
        over: [...units, ...(share ? [share] : []), ...(dry ? [dry] : [])],
        under: [molar],
        ...(density && { density }),
      })
    }
    case 'solution': {
      const strength = solutionStrength(form.value, comes)
      if (!strength) return fail({ at: 'from', why: 'The strength on its label does not read.' })
      const { massFraction, density, molarity } = strength
      return ok({
        over: massFraction ? [...units, massFraction] : [],
        under: massFraction ? [molar] : [],
        ...(density && { density }),
        ...(molarity && {
          molarity: units[0] ? product('concentration', 'concentration', [molarity, units[0]]) : molarity,
        }),
      })
    }
  }
}

function solutionStrength(
  solute: Formula,
  { concentration, density }: Comes & { kind: 'solution' },
): Strength | undefined {
  const read = readAs(concentration, STRENGTHS, 'strength')
  const known = density === undefined ? undefined : readAs(density, ['density'], 'density')
  return read && strengthOf(solute, read, known)
}

function dryShare(moisture: string): Figure | undefined {
  const wet = readAs(moisture, ['mass fraction'], 'moisture')
  return wet && difference('dry share', exact(1, 'mass fraction', 'the whole'), wet)
}
