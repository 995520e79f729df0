import type { First } from './first'
import type { Step } from './search'
import { notToDryness } from '#core/reference'
import { besideOf, wasteOf } from './cost'
import { stuffOf } from './stuff'

const count = (n: number, one: string): string =>
  `${n === 1 ? 'one' : ['no', 'one', 'two', 'three', 'four'][n]} ${one}${n === 1 ? '' : 's'}`

/** The reason of a route in a line, and what to mind with it. */
export function routeWords(
  steps: readonly Step[],
  firsts: readonly (First | undefined)[],
): { why: string; cautions: string[] } {
  const beside = [...new Set(steps.flatMap(step => besideOf(step.reaction.products, step.target)))]
  const gone = [
    ...new Set(
      steps.flatMap(({ reaction }) =>
        reaction.products.flatMap(({ species }) =>
          stuffOf(species.formula.text)?.standing === 'gas' ? [species.formula.text] : [],
        ),
      ),
    ),
  ]
  const waste = steps.reduce((sum, step) => sum + wasteOf(step.reaction.products, step.target), 0)
  const parts = [
    count(steps.length, 'stage'),
    beside.length > 0
      ? `${beside.map(({ text }) => `{${text}}`).join(' and ')} left in the liquor`
      : gone.length > 0
        ? `only ${gone.map(text => `{${text}}`).join(' and ')} ${gone.length === 1 ? 'leaves' : 'leave'}`
        : 'nothing beside the product but water',
    ...(waste > 1 ? [`${waste.toFixed(1)} g of co-products to each gram`] : []),
    ...steps.slice(-1).map(({ draft }) => draft.why),
  ]
  const why = `${parts[0]!.replace(/^./, one => one.toUpperCase())}, ${parts.slice(1, -1).join(', ')}. ${parts.at(-1)}`
  const cautions = [
    ...steps.flatMap(({ draft }) => draft.mind ?? []),
    ...firsts.flatMap((first, i) =>
      first?.is === 'not known'
        ? [
            `The tables do not tell which salt comes first of the liquor of {${steps[i]!.target.text}}: try a small part.`,
          ]
        : [],
    ),
    ...grave(steps),
    ...warm(steps.at(-1)!),
  ]
  return { why, cautions: [...new Set(cautions)] }
}

/** A product that is not heated dry, and why. */
const warm = ({ target: { cations, anions, text } }: Step): string[] =>
  notToDryness.flatMap(row => {
    const holds =
      anions.some(one => one.text === row.anion) && (!row.with || cations.some(one => row.with!.includes(one.text)))
    return holds ? [`{${text}} is never heated dry: ${row.why}.`] : []
  })

const POISON_GAS = ['H330', 'H331']
/** Poisonous gases that are made and that water does not hold back, by name. */
const grave = (steps: readonly Step[]): string[] =>
  steps.flatMap(({ reaction }) =>
    reaction.products.flatMap(({ species }) => {
      const { row, standing } = stuffOf(species.formula.text)!
      return standing === 'gas' && row?.hazards?.some(code => POISON_GAS.includes(code))
        ? [
            `${row.name.replace(/^./, one => one.toUpperCase())} comes off: in a hood, with a trap, by your local rules.`,
          ]
        : []
    }),
  )
