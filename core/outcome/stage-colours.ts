import { colourOf, findSubstance, formsOf, type Formula } from '#core/formula'
import { colourWords } from '#core/journal'
import { colourMeanings } from '#core/reference'
import type { ReadStage } from '#core/sheet'
import { formulaOf } from '#core/vessel'
import { partsOfIons } from './relatives'

/** A colour that may be seen at a stage: what of it has that colour, or what else it would mean. Formulas stand in braces. */
export interface StageColour {
  readonly word: (typeof colourWords)[number]
  /** The compounds of the stage that have it; empty where none does. */
  readonly of: readonly string[]
  /** What it would mean where no compound has it. */
  readonly means: readonly string[]
}

/** Every colour word against a stage: those of its product and reagents in all their forms first, then those that mean something else, then the rest. */
export function coloursFor(stage: ReadStage): StageColour[] {
  const holds = partsIn(stage)
  // Gases and solvents have no colour that anyone would look for.
  const solids = speciesOf(stage).filter(one => findSubstance(one, stage.own)?.row.state === 'solid')
  const forms = [...new Set(solids.flatMap(one => formsOf(one, stage.own)))]
  const colours = colourWords.map((word): StageColour => {
    const of = forms.filter(form => wordsIn(colourOf(formulaOf(form), stage.own)?.word).includes(word))
    const means = colourMeanings
      .filter(row => row.colours.includes(word) && row.of.every(part => holds.has(part)))
      .map(row => row.means)
    return { word, of: of.map(form => `{${form}}`), means: of.length > 0 ? [] : [...new Set(means)] }
  })
  const rank = ({ of, means }: StageColour): number => (of.length > 0 ? 0 : means.length > 0 ? 1 : 2)
  return colours.toSorted((a, b) => rank(a) - rank(b))
}

/** Words of a colour as a table has it: `dark brown` is brown, `blue-green` is itself. */
const wordsIn = (colour: string | undefined): readonly string[] => colour?.split(/[ ,]+/) ?? []

const speciesOf = ({ product, reaction }: ReadStage): Formula[] => [
  product.form,
  ...reaction.products.map(({ species }) => species.formula),
  ...reaction.reactants.map(({ species }) => species.formula),
]

/** The ions of a stage broken down, and what is no salt by its formula; hydroxide, which water brings. */
export function partsIn(stage: ReadStage): ReadonlySet<string> {
  return new Set([
    'OH',
    ...speciesOf(stage).flatMap(formula => [formula.text, ...(partsOfIons(formula) ?? []).map(({ text }) => text)]),
  ])
}
