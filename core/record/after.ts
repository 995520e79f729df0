import { cautionAmount, cautionWords, isGrave, sumOfCautions } from '#core/procedure'
import { formatValue } from '#core/quantity'
import { figure, open, paragraph, strong, words, type Unnamed, type Words } from './page'
import type { Facts } from './source'

const mmol = (moles: number): string => `${Number((moles * 1000).toPrecision(4))}`

/** For each element: in by bottle, out by place, and what is open between the two. */
export function ledger({ stages }: Facts): Unnamed[] {
  return stages.flatMap(({ verdict, number, name }): Unnamed[] => {
    if (!verdict || verdict.ledger.length === 0) return []
    return [
      {
        is: 'table',
        caption: stages.length > 1 ? `${number}. ${name}, mmol` : 'In and out, mmol',
        columns: [
          { name: 'Element' },
          { name: 'In', isFigure: true },
          { name: 'From' },
          { name: 'Out' },
          { name: 'Open', isFigure: true },
        ],
        rows: verdict.ledger.map(({ element, from, into, out, open: gap, spread, closes }): Words[] => [
          words(element),
          words(figure(mmol(into.value))),
          words(from.map(({ place, moles }, i) => `${i > 0 ? ', ' : ''}{${place}} ${mmol(moles.value)}`)),
          words(out.map(({ place, moles }, i) => `${i > 0 ? ', ' : ''}${place} ${mmol(moles.value)}`)),
          closes
            ? words('closed')
            : words(open(`${mmol(Math.abs(gap.value))} ± ${mmol(spread)} ${gap.value < 0 ? 'too many' : 'not found'}`)),
        ]),
      },
    ]
  })
}

/** What is left to treat by the account, and how it was treated by the chemist's own words. */
export function residues({ stages, source }: Facts): Unnamed[] {
  return stages.flatMap(({ residues: left, plan, number, name }): Unnamed[] => {
    if (!left || left.treatments.length + left.ask.length === 0) return []
    const treated = source.document.record?.stages?.find(({ stage }) => stage === plan.id)?.treated?.trim()
    return [
      ...(stages.length > 1 ? [paragraph(strong(`${number}. ${name}`))] : []),
      paragraph(treated ? words('Treated: ', treated) : open('How the residues were treated is not said.')),
      ...left.treatments.map(one =>
        paragraph(
          `{${one.of}}, about ${formatValue(one.left.value, 'amount', 2)} left at most: `,
          figure(formatValue(one.mass.value, 'mass', 2)),
          ` of {${one.reagent}}. ${one.how} Done when: ${one.sign}`,
        ),
      ),
      ...left.ask.map(({ of, why }) =>
        paragraph(strong(`Not by a rule: {${of}}`), `, ${why}. Collected, labelled, asked about.`),
      ),
    ]
  })
}

/** What the procedure can hurt by, each caution once, gravest first; the site's rules stand before them. */
export function cautions({ stages }: Facts): Unnamed[] {
  const all = stages.flatMap(({ told, number }) =>
    sumOfCautions((told?.events ?? []).flatMap(one => one.cautions)).map(one => ({ one, number })),
  )
  if (all.length === 0)
    return [
      paragraph('The vessel’s account names no caution beyond the usual: goggles, gloves, and your site’s rules.'),
    ]
  return [
    paragraph('Usual cautions; your site’s rules and people come first.'),
    ...all
      .toSorted((a, b) => Number(isGrave(b.one.code)) - Number(isGrave(a.one.code)))
      .map(({ one, number }): Unnamed => {
        const amount = cautionAmount(one)
        return {
          is: 'caution',
          words: words(
            stages.length > 1 ? `${number}. ` : undefined,
            cautionWords[one.code],
            amount ? ` (${amount})` : undefined,
          ),
        }
      }),
  ]
}
