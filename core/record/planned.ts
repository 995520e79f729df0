import { changesBetween } from '#core/document'
import type { Reaction } from '#core/equation'
import type { Checked } from '#core/problem'
import { entriesUnder } from '#core/journal'
import { formatFigure } from '#core/quantity'
import { readReaction, readStageReaction, type StagePlan } from '#core/sheet'
import { figure, open, paragraph, quiet, time, words, type Unnamed, type Words } from './page'
import type { Facts, SavedPlan, StageFacts } from './source'

/** A balanced equation with its formulas in braces; as it is typed where it does not read. */
export const equationWords = (stage: StagePlan): string => reactionWords(readStageReaction(stage)) ?? stage.equation

/** The same of an equation that stands alone, as a worksheet has it. */
export const typedEquationWords = (text: string): string => reactionWords(readReaction(text)) ?? text

function reactionWords(read: Checked<Reaction, unknown>): string | undefined {
  if (!read.ok) return undefined
  const side = (terms: Reaction['reactants']): string =>
    terms
      .map(({ coefficient, species: { formula, phase } }) => {
        const count = coefficient === 1 ? '' : `${Number(coefficient.toPrecision(3))} `
        return `${count}{${formula.text}}${phase ? `(${phase})` : ''}`
      })
      .join(' + ')
  return `${side(read.value.reactants)} → ${side(read.value.products)}`
}

/** What the batch is for, and its equations. */
export function purpose({ source, stages, problem }: Facts): Unnamed[] {
  const said = source.document.record?.purpose?.trim()
  return [
    paragraph(said ? said : open('What it is for is not said.')),
    ...stages.map(({ plan, number, name }) =>
      paragraph(stages.length > 1 ? quiet(`${number}. ${name}: `) : undefined, equationWords(plan)),
    ),
    ...(problem === undefined ? [] : [paragraph(open(`The plan cannot be understood: ${problem}`))]),
  ]
}

/** What was planned, and each change that was made once something had been recorded, with its reason. */
export function planned(facts: Facts): Unnamed[] {
  return [...facts.stages.map(stage => paragraph(aim(facts, stage))), ...changes(facts)]
}

function aim({ stages }: Facts, { planned: sheet, plan, number, told }: StageFacts): Words {
  const product = sheet?.products[0]
  const head = stages.length > 1 ? [quiet(`${number}. `)] : []
  if (!sheet || !product) return words(head, open('What is charged is not said, so that nothing follows from it.'))
  const limiting = sheet.limiting.map(one => `{${one}}`).join(' and ')
  const share = plan.yield ?? plan.target?.yield
  return words(
    head,
    `{${product.form}}, at most `,
    figure(formatFigure(product.theoretical, 4)),
    share === undefined ? undefined : `, ${share} of it expected`,
    `; ${limiting} ${sheet.limiting.length > 1 ? 'limit together' : 'limits'}.`,
    told ? ` Won by: ${told.way.way}.` : undefined,
    told && !told.isKnown ? quiet(' The account does not know all of what stands in the vessel.') : undefined,
  )
}

/** Places in a plan that say how it is kept, not what it says. */
const KEPT = new Set(['format', 'version', 'record', 'taken'])
const MOST_TOLD = 12

function changes({ source, nameOf }: Facts): Unnamed[] {
  const { revisions, journal, document } = source
  const followed = followedPlans(revisions, journal.length)
  const first = followed[0]
  if (!first) return []
  const reasons = new Map(document.record?.changes?.map(({ id, why }) => [id, why]))
  const told: Unnamed[] = [
    paragraph(
      'Recorded under the plan of ',
      time(first.at),
      first.by === undefined ? undefined : ` by ${nameOf(first.by)}`,
      quiet(` (revision ${first.number})`),
      followed.length > 1 ? undefined : ', and not changed since.',
    ),
  ]
  followed.slice(1).forEach((plan, i) => {
    const before = followed[i]
    if (!before?.document || !plan.document) return
    const differ = changesBetween(before.document, plan.document).filter(({ path }) => !KEPT.has(path[0] ?? ''))
    if (differ.length === 0) return
    const why = reasons.get(String(plan.number))
    told.push({
      is: 'words',
      at: plan.at,
      revision: plan.number,
      words: words(
        'Changed',
        plan.by === undefined ? undefined : ` by ${nameOf(plan.by)}`,
        quiet(` (revision ${plan.number}, after entry ${plan.afterSeq})`),
        ': ',
        differ
          .slice(0, MOST_TOLD)
          .flatMap(({ path, before: from, after: to }, j): Words => [
            j > 0 ? '; ' : '',
            `${placeWords(path)} `,
            ...(from === undefined ? [] : ([{ as: 'struck', text: plain(from) }, ' '] as const)),
            figure(to === undefined ? 'taken out' : plain(to)),
          ]),
        differ.length > MOST_TOLD ? `; and ${differ.length - MOST_TOLD} more` : undefined,
        '. ',
        why?.trim() ? `Because: ${why}` : open('Why is not said.'),
      ),
    })
  })
  return told
}
const plain = (text: string): string => (text.length > 80 ? `${text.slice(0, 78)} …` : text)

/** A place in a document in words: `stages 1, reagents 2, charge`. */
export const placeWords = (path: readonly string[]): string =>
  path
    .filter(key => key !== 'plan')
    .reduce<string[]>(
      (all, key) =>
        /^\d+$/.test(key) && all.length > 0 ? [...all.slice(0, -1), `${all.at(-1)} ${Number(key) + 1}`] : [...all, key],
      [],
    )
    .join(', ')

/** The plans under which something was recorded, and the last one, in their order. */
export function followedPlans<T extends Pick<SavedPlan, 'number' | 'at' | 'afterSeq'>>(
  revisions: readonly T[],
  entries: number,
): T[] {
  const inOrder = [...revisions].sort((a, b) => a.number - b.number)
  const under = entriesUnder(inOrder, entries)
  return inOrder.filter(({ number }, i) => under.has(number) || (entries > 0 && i === inOrder.length - 1))
}
