import { parseFormula, relate } from '#core/formula'
import type { Advice } from '#core/problem'
import { parseQuantity } from '#core/quantity'
import { chargeFromText, equivalentsFromText, findReagent, withCharge, withSupply } from './edit'
import type { StagePlan, SupplyPlan } from './plan'
import { readStageReaction } from './read-plan'

/** What of a table cannot be used: its line and column from one on, why, and what to do. */
export interface TableProblem extends Advice {
  readonly line: number
  readonly column: number
}
export type FromTable =
  { readonly ok: true; readonly stage: StagePlan } | { readonly ok: false; readonly problems: readonly TableProblem[] }

/** Words that may head a column, whichever way a lab writes them. */
const HEADS = ['reagent', 'substance', 'formula', 'amount', 'charge', 'quantity', 'strength', 'assay', 'concentration']

/**
 * Puts a table of reagents into a stage: its columns are reagent, amount (a mass, a volume, moles, `1.2 eq` or `5 %` of excess) and strength (`97 %` of a solid, `2.00 mol/L` of a solution),
 * the last two as far as they are given; a first line that names its columns is left out. Cells as they are, such as a spreadsheet copies them. Refuses the whole where one cell cannot be used.
 */
export function fromTable(stage: StagePlan, rows: readonly (readonly string[])[]): FromTable {
  const reaction = readStageReaction(stage)
  if (!reaction.ok)
    return {
      ok: false,
      problems: [{ line: 1, column: 1, why: 'The equation does not read.', fix: 'Mend the equation first.' }],
    }
  const species = reaction.value.reactants.map(term => term.species.formula.text)
  const problems: TableProblem[] = []
  let filled = stage
  const seen = new Set<string>()
  rows.forEach((row, i) => {
    const [name = '', amount = '', strength = ''] = row.map(cell => cell.trim())
    if (row.every(cell => cell.trim() === '') || (i === 0 && HEADS.includes(name.toLowerCase()))) return
    const say = (column: number, why: string, fix: string): number => problems.push({ line: i + 1, column, why, fix })
    const read = parseFormula(name)
    if (!read.ok) return say(1, `“${name}” is no formula.`, 'Write reagents by their formulas.')
    const of = species.find(one => one === read.value.text || (isForm(one, name) && !species.includes(read.value.text)))
    if (of === undefined)
      return say(
        1,
        `{${read.value.text}} is no reagent of the equation.`,
        `It has ${species.map(one => `{${one}}`).join(', ')}.`,
      )
    if (seen.has(of)) return say(1, `{${of}} stands here twice.`, 'Give each reagent one line.')
    seen.add(of)
    const supply = supplyOf(
      findReagent(filled, of)?.supply ?? { kind: 'solid' },
      of === read.value.text ? undefined : read.value.text,
      strength,
    )
    if (!supply)
      return say(
        3,
        `“${strength}” is no strength.`,
        'Give a share such as 97 %, or a concentration such as 2.00 mol/L.',
      )
    const charge =
      amount === ''
        ? undefined
        : /%|eq/i.test(amount)
          ? (equivalentsFromText(amount.replace(/\s*eq\S*$/i, '')) ?? undefined)
          : chargeFromText(amount, supply)
    if (amount !== '' && !isReadable(amount))
      return say(
        2,
        `“${amount}” is no amount.`,
        'Give a number with its unit, such as 8.40 g, 40.0 mL, 60 mmol, 1.2 eq or 5 %.',
      )
    filled = withSupply(filled, of, supply)
    filled = withCharge(filled, of, charge)
    return undefined
  })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, stage: filled }
}

/** A hydrate of a species, or the species itself otherwise written. */
function isForm(species: string, form: string): boolean {
  const [dry, other] = [parseFormula(species), parseFormula(form)]
  return dry.ok && other.ok && relate(other.value, dry.value) !== undefined
}

function supplyOf(before: SupplyPlan, form: string | undefined, strength: string): SupplyPlan | undefined {
  const formed: SupplyPlan = form === undefined ? before : { kind: 'solid', formula: form }
  if (strength === '') return formed
  const kinds = ['mass fraction', 'concentration', 'mass per volume'] as const
  const read = parseQuantity(strength, { kinds: [...kinds], name: 'strength', source: 'table' })
  if (/w\/[wv]|\d\s*\+\s*\d/.test(strength) || (read.ok && read.value.kind !== 'mass fraction'))
    return { kind: 'solution', concentration: strength }
  return read.ok ? { ...(formed.kind === 'solid' ? formed : { kind: 'solid' as const }), assay: strength } : undefined
}

const isReadable = (amount: string): boolean =>
  /^\s*[\d.]+\s*(%|eq\S*)\s*$/i.test(amount) ||
  parseQuantity(amount, { kinds: ['mass', 'volume', 'amount'], name: '', source: '' }).ok
