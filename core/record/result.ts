import { beliefWords, type BatchVerdict } from '#core/cause'
import { formatFigure, formatValue, standardUncertainty, workingOf, type Figure } from '#core/quantity'
import { routeYieldsOf } from './route'
import { figure, open, paragraph, quiet, strong, words, type Unnamed, type Words } from './page'
import type { Facts, StageFacts } from './source'

/** The yield of each stage with its uncertainty, what is left open of it, and what the chemist thinks. */
export function result(facts: Facts): Unnamed[] {
  return [...facts.stages.flatMap(stage => resultOf(facts, stage)), ...routeYieldsOf(facts)]
}

function resultOf({ stages, source }: Facts, stage: StageFacts): Unnamed[] {
  const { actual, number, name, plan, verdict } = stage
  const head = stages.length > 1 ? [quiet(`${number}. ${name}: `)] : []
  const yields = actual?.result
  const thought = source.document.record?.stages?.find(one => one.stage === plan.id)?.conclusion?.trim()
  if (!yields) {
    if (plan.inPot) return [paragraph(head, 'not isolated; the pot goes on.')]
    return [paragraph(head, open('The product is not weighed.'))]
  }
  const form = actual.sheet.products[0]?.form ?? ''
  const over = yields.percent.value - 1
  return [
    paragraph(
      head,
      strong(formatFigure(yields.actual)),
      ` of {${form}}, `,
      strong(percentWords(yields.percent)),
      ' of ',
      figure(formatFigure(yields.theoretical)),
      over > 2 * standardUncertainty(yields.percent)
        ? words(': ', open('more than everything that could be made'))
        : undefined,
      actual.credited
        ? words(
            '; on what was really used up, ',
            figure(formatFigure(actual.credited)),
            ' with what came back credited',
          )
        : undefined,
      '.',
      actual.unread.length > 0
        ? words(' ', open(`${actual.unread.map(one => `{${one}}`).join(', ')} counted as planned: not read.`))
        : undefined,
    ),
    ...(verdict?.challenge === undefined ? [] : [paragraph(open(verdict.challenge))]),
    paragraph(
      thought
        ? words('The chemist’s judgement: ', thought)
        : verdict && verdict.kind !== 'as expected'
          ? open(`Not settled: ${unsettled(verdict)}`)
          : verdict
            ? 'As expected.'
            : undefined,
    ),
    ...forms(verdict),
  ].filter(one => one.is !== 'words' || one.words.length > 0)
}

/** `73.6 ± 0.4 %`: the standard uncertainty in percentage points, as it is told everywhere. */
function percentWords(percent: Figure): string {
  const spread = standardUncertainty(percent)
  const places = spread > 0 ? Math.max(0, -Math.floor(Math.log10(100 * spread))) : 1
  return `${(100 * percent.value).toFixed(places)} ± ${(100 * spread).toFixed(places)} % (standard uncertainty)`
}

const unsettled = (verdict: BatchVerdict): string => {
  const [first, second] = verdict.explanations
  const gap = formatValue(Math.abs(verdict.difference.value), 'mass', 3)
  const side = verdict.difference.value < 0 ? 'less' : 'more'
  const told = [first, second].flatMap(one => (one ? [`${one.title} (${beliefWords(one.belief)})`] : []))
  return `${gap} ${side} than ${verdict.kind === 'too high' ? 'was possible' : 'expected'}. ${told.length > 0 ? `First in mind: ${told.join('; ')}.` : 'Nothing that was recorded explains it.'}`
}

function forms(verdict: BatchVerdict | undefined): Unnamed[] {
  if (!verdict || verdict.rungs.length < 2) return []
  return [
    {
      is: 'table',
      caption: 'The same mass as each form',
      columns: [{ name: 'Form' }, { name: 'Yield as it', isFigure: true }, { name: 'By this batch’s data' }],
      rows: verdict.rungs.map(({ form, percent, verdict: is, why }) => [
        words(`{${form}}`),
        words(figure(formatFigure(percent))),
        words(`${is}: ${why}`),
      ]),
    },
  ]
}

/** What was considered to explain the yield, likeliest first, with what speaks for and against it. */
export function explanations({ stages }: Facts): Unnamed[] {
  return stages.flatMap(({ verdict, number, name }): Unnamed[] => {
    if (!verdict || verdict.explanations.length === 0) return []
    return [
      {
        is: 'table',
        caption: stages.length > 1 ? `${number}. ${name}` : 'Explanations considered, likeliest first',
        columns: [
          { name: 'Explanation' },
          { name: 'Belief' },
          { name: 'What it would take' },
          { name: 'For and against' },
          { name: 'What settles it' },
        ],
        rows: verdict.explanations.map(one => [
          words(one.title),
          words(`${beliefWords(one.belief)} (${formatValue(one.belief, 'mass fraction', 2)})`),
          words(one.needs, one.suffices ? undefined : ' It cannot explain all of it alone.'),
          words(
            one.speaksFor.map(({ says }): string => `For: ${says.replace(/\.$/, '')}. `),
            one.speaksAgainst.map(({ says }): string => `Against: ${says.replace(/\.$/, '')}. `),
          ),
          words(one.settle),
        ]),
      },
      ...(verdict.divide
        ? [paragraph('What would divide the first two: ', verdict.divide.words, `; it takes ${verdict.divide.takes}.`)]
        : []),
      ...leftovers(verdict),
    ]
  })
}

const leftovers = (verdict: BatchVerdict): Unnamed[] =>
  verdict.leftovers.map(({ species, found, should, kind }) =>
    paragraph(
      `{${species}} that came back: `,
      figure(formatFigure(found)),
      ', where ',
      figure(formatFigure(should)),
      ` should be left: ${kind}.`,
    ),
  )

/** The arithmetic of the theoretical yield and of the percent, as on paper. */
export function working({ stages }: Facts): Unnamed[] {
  return stages.flatMap(({ actual, number, name }): Unnamed[] => {
    const percent = actual?.result?.percent
    if (!percent) return []
    return [
      {
        is: 'table',
        caption: stages.length > 1 ? `${number}. ${name}` : 'From the readings to the percent',
        columns: [{ name: 'Figure' }, { name: 'Arithmetic' }, { name: 'Result', isFigure: true }],
        rows: workingOf(percent).map((line): Words[] => [
          words(line.name),
          words(line.relation),
          words(figure(line.result)),
        ]),
      },
    ]
  })
}
