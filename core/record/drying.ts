import { cropsOf, dryingSeries, judgeDryness, toleranceOf, weighingOf } from '#core/journal'
import { forecastOf } from '#core/outcome'
import { parseFormula } from '#core/formula'
import { formatFigure, formatValue } from '#core/quantity'
import { figure, open, paragraph, time, words, type Run, type Unnamed } from './page'
import type { Facts, StageFacts } from './source'

const HOUR = 3_600_000

/** What the account foretold of the crystals, each crop as it was weighed, and how it dried. */
export const drying = ({ stages }: Facts): Unnamed[] =>
  stages.flatMap(stage => {
    const told = [...foretold(stage), ...crops(stage)]
    return told.length === 0 || stages.length === 1 ? told : [paragraph(`${stage.number}. ${stage.name}`), ...told]
  })

function foretold({ told, actual, planned }: StageFacts): Unnamed[] {
  const product = (actual?.sheet ?? planned)?.products[0]
  const form = parseFormula(product?.form ?? '')
  const forecast = told && product && form.ok ? forecastOf(told, form.value, product.theoretical.value) : undefined
  if (!forecast) return []
  return [
    paragraph(
      `By the vessel’s account${forecast.isEstimated ? ', an estimate' : ''}: `,
      figure(formatValue(forecast.recovery, 'mass fraction', 3)),
      ' of what can be made comes as crystals; ',
      figure(formatValue(forecast.inLiquor, 'mass', 3)),
      ' stays in the liquor, ',
      figure(formatValue(forecast.washLoss, 'mass', 3)),
      ' goes into the wash.',
    ),
  ]
}

function crops({ lines, plan }: StageFacts): Unnamed[] {
  return cropsOf(lines, plan.id).flatMap((crop): Unnamed[] => {
    const about = { what: 'product', stage: plan.id, crop } as const
    const { weighings, resolution } = dryingSeries(lines, about)
    const { net, problem } = weighingOf(lines, about)
    const first = weighings[0]
    const head = paragraph(
      `Crop ${crop}: `,
      net ? figure(formatFigure(net)) : open(problem ? problem.replaceAll('-', ' ') : 'not weighed'),
      '.',
      weighings.length < 2 ? undefined : ` Weighed ${weighings.length} times while it dried: `,
      weighings.length < 2 ? undefined : dryWords(crop, weighings, resolution),
    )
    if (!first || weighings.length < 2) return [head]
    const points = weighings.map(({ at, grams }) => [(Date.parse(at) - Date.parse(first.at)) / HOUR, grams] as const)
    return [
      head,
      {
        is: 'table',
        caption: `Crop ${crop}, drying`,
        columns: [{ name: 'Weighed' }, { name: 'Hours', isFigure: true }, { name: 'Mass', isFigure: true }],
        rows: weighings.map(({ at, grams }, i) => [
          words(time(at)),
          words(figure((points[i]?.[0] ?? 0).toFixed(1))),
          words(figure(`${grams.toFixed(decimals(resolution))}\u202fg`)),
        ]),
      },
      { is: 'chart', caption: `Crop ${crop}, mass while it dried`, x: 'hours', y: 'g', points, isDotted: true },
    ]
  })
}

const decimals = (resolution: number): number => Math.min(6, Math.max(0, Math.round(-Math.log10(resolution))))

function dryWords(crop: number, weighings: readonly { at: string; grams: number }[], resolution: number): Run {
  const first = Date.parse(weighings[0]!.at)
  const dry = judgeDryness(
    weighings.map(({ at, grams }) => ({ hours: (Date.parse(at) - first) / HOUR, mass: grams })),
    toleranceOf(resolution),
  )
  if (dry.isConstant) return 'constant.'
  return open(
    `crop ${crop} is not shown to be constant${dry.isRising ? ': its mass was still rising' : dry.isFalling ? ': its mass was still falling' : ''}.`,
  )
}
