import { molarMass, molarMassFigure, relate } from '#core/formula'
import { difference, exact, formatValue, product } from '#core/quantity'
import { explainAssay } from './problems'
import { NOT_YET, PERCENT, type Finding, type Outcome, type SheetKind } from './worksheet-kind'

/** A dry mixture of two salts that throw each other down: what limits, by the spot tests, and its share, by the dry precipitate. */
export const mixtureSheet: SheetKind = {
  shape: {
    name: 'Mixture by its precipitate',
    about:
      'Two salts, mixed dry and dissolved, throw each other down. A drop of each into the clear liquor tells which was in excess: the salt whose drop clouds it was the limiting reagent.',
    asked: [
      {
        key: 'equation',
        label: 'Equation',
        what: 'equation',
        example: 'BaCl2 + Na2SO4 -> BaSO4 + NaCl',
      },
      { key: 'precipitate', label: 'Precipitate', what: 'formula', example: 'BaSO4' },
      { key: 'first', label: 'One salt, as weighed', what: 'formula', example: 'BaCl2·2H2O' },
      { key: 'second', label: 'The other, as weighed', what: 'formula', example: 'Na2SO4' },
      {
        key: 'clouds',
        label: 'The liquor clouds with a drop of',
        what: 'choice',
        options: ['the one', 'the other', 'neither'],
        named: { 'the one': 'first', 'the other': 'second' },
        example: 'the one',
      },
    ],
    columns: [
      { key: 'sample', label: 'Mixture', kinds: ['mass'], nonZero: true },
      { key: 'tare', label: 'Paper, dry', kinds: ['mass'] },
      { key: 'gross', label: 'with the precipitate', kinds: ['mass'] },
    ],
    result: 'Limiting salt in the mixture',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { precipitate, first, second }, reactions: { equation }, texts: { clouds } }) {
    if (!equation || !precipitate || !first || !second || !clouds) return NOT_YET
    const termOf = (formula: typeof first) => {
      for (const term of equation.reactants) {
        const relation = relate(formula, term.species.formula)
        if (relation) return { term, relation }
      }
      return undefined
    }
    const down = equation.products.find(({ species }) => species.formula.text === precipitate.text)
    if (!down) return notThere('precipitate', precipitate.text)
    const [a, b] = [termOf(first), termOf(second)]
    if (!a) return notThere('first', first.text)
    if (!b) return notThere('second', second.text)
    const [limiting, limits, other, rest] =
      clouds === 'the other' ? ([second, b, first, a] as const) : ([first, a, second, b] as const)
    return {
      problems: [],
      work({ sample, tare, gross }) {
        if (!sample || !tare || !gross || sample.value <= 0) return undefined
        if (gross.value < tare.value)
          return {
            problem: { key: 'gross', why: 'This is below the empty paper.', fix: 'Check whether the two are swapped.' },
          }
        const amount = product(
          `amount of {${precipitate.text}}`,
          'amount',
          [difference('precipitate', gross, tare)],
          [molarMassFigure(precipitate)],
        )
        const ratio = limits.term.coefficient / down.coefficient / limits.relation.units
        const mass = product(`mass of {${limiting.text}}`, 'mass', [
          amount,
          exact(ratio, 'number', `{${limiting.text}} to one {${precipitate.text}}`),
          molarMassFigure(limiting),
        ])
        if (mass.value > sample.value * 1.0005)
          return {
            problem: {
              key: 'gross',
              why: `That much precipitate needs ${formatValue(mass.value, 'mass', 4)} of ${limiting.text}, more than the mixture.`,
              fix: 'Was it dry, and washed? Or did the other salt limit?',
            },
          }
        return { value: product(`{${limiting.text}} in the mixture`, 'mass fraction', [mass], [sample]) }
      },
      judge: outcome => ({
        findings: bothSides({
          outcome,
          limiting: limiting.text,
          other: other.text,
          neither: clouds === 'neither',
          // Moles of each that one gram of the mixture holds, over what the equation asks.
          limitingPerGram:
            (outcome.mean / 100 / molarMass(limiting)) * (limits.relation.units / limits.term.coefficient),
          otherPerGram: ((1 - outcome.mean / 100) / molarMass(other)) * (rest.relation.units / rest.term.coefficient),
        }),
      }),
    }
  },
}

const notThere = (key: string, species: string) => ({
  problems: [{ key, ...explainAssay({ code: 'titrate.not-in-equation', species }) }],
})

/** Whether the rest of the mixture really holds the excess that the spot test showed. */
function bothSides(told: {
  outcome: Outcome
  limiting: string
  other: string
  neither: boolean
  limitingPerGram: number
  otherPerGram: number
}): Finding[] {
  const rest = 100 - told.outcome.mean
  const excess = told.otherPerGram / told.limitingPerGram
  const text = `The rest, ${rest.toFixed(2)} %, is {${told.other}}: ${excess.toFixed(2)} times what the equation asks.`
  if (told.neither)
    return [
      {
        tone: Math.abs(excess - 1) > 0.05 ? 'caution' : 'info',
        tag: 'Neither clouds',
        text: `${text} Where neither drop clouds, it should be 1.00${Math.abs(excess - 1) > 0.05 ? ': the test and the weighing contradict each other' : ''}.`,
      },
    ]
  return [
    excess < 1
      ? {
          tone: 'caution',
          tag: 'Contradiction',
          text: `${text} That is no excess: by its mass the other salt limits, against the spot test. Test again; was the precipitate wet?`,
        }
      : { tone: 'info', tag: 'The other salt', text: `${text} The spot test agrees.` },
  ]
}
