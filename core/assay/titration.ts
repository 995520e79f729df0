import type { Reaction, Term } from '#core/equation'
import { molarMassFigure, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { difference, exact, product, type Figure } from '#core/quantity'
import { unitsTitrated } from './carrier'
import type { AssayProblem } from './problems'

export interface Reagent {
  readonly formula: Formula
  readonly concentration: Figure
  readonly volume: Figure
  readonly blank?: Figure
}

/** Moles of a reagent in its volume, the blank taken off. Refuses a blank larger than the volume. */
export function amountOf({ formula, concentration, volume, blank }: Reagent): Checked<Figure, AssayProblem> {
  if (blank && blank.value > volume.value) return fail({ code: 'titrate.blank-over', species: formula.text })
  const used = blank ? difference('volume less the blank', volume, blank) : volume
  return ok(product(`amount of {${formula.text}}`, 'amount', [concentration, used], [], 1e-3))
}

const find = (reaction: Reaction, formula: Formula): Term | undefined =>
  [...reaction.reactants, ...reaction.products].find(({ species }) => species.formula.text === formula.text)

/** Moles of one reactant that go with so many of another, by the equation's coefficients. */
export function matched(reaction: Reaction, from: Formula, amount: Figure, to: Formula): Checked<Figure, AssayProblem> {
  const [a, b] = [find(reaction, from), find(reaction, to)]
  if (!a) return fail({ code: 'titrate.not-in-equation', species: from.text })
  if (!b) return fail({ code: 'titrate.not-in-equation', species: to.text })
  return ok(
    product(
      `amount of {${to.text}}`,
      'amount',
      [amount, exact(b.coefficient, 'number', `coefficient of {${to.text}}`)],
      [exact(a.coefficient, 'number', `coefficient of {${from.text}}`)],
    ),
  )
}

/** What was left of the reagent in excess, taken off what went in; refuses more left than there was. */
export function usedUp(added: Figure, left: Figure, species: Formula): Checked<Figure, AssayProblem> {
  if (left.value > added.value) return fail({ code: 'titrate.more-than-added', species: species.text })
  return ok(difference(`{${species.text}} used up by the sample`, added, left))
}

export interface Purity {
  readonly form: string
  /** Of the sample's mass, fraction of one, over one where the form cannot be right; of a sample by volume, g/mL. */
  readonly purity: Figure
}

/** Moles in the whole that was made up, from what an aliquot of it held. Refuses more taken than there was. */
export function ofWhole(
  amount: Figure,
  aliquot?: { readonly of: Figure; readonly taken: Figure },
): Checked<Figure, AssayProblem> {
  if (!aliquot) return ok(amount)
  if (aliquot.taken.value > aliquot.of.value) return fail({ code: 'titrate.aliquot-over' })
  return ok(product('amount in all that was made up', 'amount', [amount, aliquot.of], [aliquot.taken]))
}

/** The sample's purity as each form: amount × M(form) over its mass, or grams of it in each millilitre of a sample that was measured. Refuses forms that do not hold the species. */
export function purityAs(
  species: Formula,
  amount: Figure,
  sample: Figure,
  forms: readonly Formula[],
): Checked<Purity[], AssayProblem> {
  const found: Purity[] = []
  for (const form of forms) {
    const held = unitsTitrated(species, form)
    if (held === undefined) return fail({ code: 'titrate.form-mismatch', form: form.text, species: species.text })
    const units = held === 1 ? [] : [exact(held, 'number', `{${species.text}} in {${form.text}}`)]
    found.push({
      form: form.text,
      purity: product(
        `${sample.kind === 'volume' ? 'content' : 'purity'} as {${form.text}}`,
        sample.kind === 'volume' ? 'mass per volume' : 'mass fraction',
        [amount, molarMassFigure(form)],
        [sample, ...units],
      ),
    })
  }
  return ok(found)
}

interface Weighed {
  readonly standard: Formula
  readonly mass: Figure
  readonly purity?: Figure | undefined
}
interface Used {
  readonly titrant: Formula
  readonly volume: Figure
  readonly blank?: Figure | undefined
}

/** Strength of a solution, mol/L, from a weighed standard and the volume that goes with it. Refuses a blank as large as the volume. */
export function strengthFrom(
  reaction: Reaction,
  { standard, mass, purity }: Weighed,
  { titrant, volume, blank }: Used,
): Checked<Figure, AssayProblem> {
  if (volume.value <= (blank?.value ?? 0)) return fail({ code: 'titrate.blank-over', species: titrant.text })
  const amount = product(`amount of {${standard.text}}`, 'amount', purity ? [mass, purity] : [mass], [
    molarMassFigure(standard),
  ])
  const needed = matched(reaction, standard, amount, titrant)
  if (!needed.ok) return needed
  const used = blank ? difference('volume less the blank', volume, blank) : volume
  return ok(product(`strength of {${titrant.text}}`, 'concentration', [needed.value], [used], 1000))
}
