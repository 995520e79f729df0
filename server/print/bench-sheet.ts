import type { Words } from '#core/record'
import { drawCode } from './code'
import { Flow } from './flow'
import { colours } from './layout'

/** What is printed to be carried: what to take, then step by step, with boxes to write into. Words hold formulas in braces. */
export interface BenchSheet {
  readonly code: string
  readonly title: string
  readonly lab: string
  /** The address that the code opens. */
  readonly address: string
  readonly at: Date
  readonly stages: readonly BenchStage[]
}
export interface BenchStage {
  readonly name: string
  readonly equation: string
  readonly cautions: readonly string[]
  readonly charges: readonly { readonly what: string; readonly planned: string; readonly range?: string }[]
  readonly steps: readonly BenchStep[]
}
export interface BenchStep {
  readonly words: string
  readonly hint?: string
  /** What is read at it, each with a box of its own. */
  readonly boxes: readonly string[]
  readonly times: number
}

const CODE = 74
const TICK = 9

/** The bench sheet: A4, with a box for each reading and a code that leads back to the run. */
export function benchSheetPdf({ code, title, lab, address, at, stages }: BenchSheet): Promise<Buffer> {
  const flow = new Flow({ title: `${code}: bench sheet`, author: lab, subject: title.replace(/[{}]/g, ''), at })
  const top = flow.y
  drawCode(flow, address, flow.margin.x + flow.width - CODE, top - 8, CODE)
  flow.heading(1, [{ as: 'strong', text: `${code} · ${title}` }], 15)
  flow.paragraph([{ as: 'quiet', text: `${lab} · bench sheet · done by ______________________ on ______________` }], 9)
  flow.paragraph([{ as: 'quiet', text: 'Scan the code to enter what you wrote. This paper is not the record.' }], 8.5)
  flow.y = Math.max(flow.y, top + CODE)
  stages.forEach((stage, i) => {
    flow.space(6)
    flow.heading(2, [{ as: 'strong', text: stages.length > 1 ? `${i + 1}. ${stage.name}` : stage.name }], 12)
    flow.paragraph([stage.equation], 10)
    for (const caution of stage.cautions) flow.paragraph([{ as: 'strong', text: 'Caution: ' }, caution], 9)
    if (stage.charges.length > 0)
      flow.table(
        [{ name: 'Take' }, { name: 'Planned', isFigure: true }, { name: 'As read' }, { name: 'Lot or bottle' }],
        stage.charges.map(({ what, planned }): Words[] => [
          [what],
          [{ as: 'figure', text: planned }],
          ['____________________'],
          ['________________'],
        ]),
        9.5,
      )
    stage.steps.forEach((step, n) => drawStep(flow, step, n + 1))
  })
  flow.space(8)
  flow.paragraph(['Not as planned, and what was done about it:'], 9.5)
  for (let n = 0; n < 4; n++) flow.paragraph(['_'.repeat(92)], 9.5)
  return flow.end((page, of) => `${code} · ${lab} · bench sheet, page ${page} of ${of}`)
}

function drawStep(flow: Flow, { words, hint, boxes, times }: BenchStep, number: number): void {
  const left = flow.margin.x
  flow.need(16 + (boxes.length > 0 ? 18 : 0))
  const ticks = Math.min(times, 12)
  const y = flow.y
  flow.artifact(() => {
    flow.doc.lineWidth(0.8).strokeColor(colours.ink)
    for (let n = 0; n < ticks; n++) flow.doc.rect(left + flow.width - (ticks - n) * (TICK + 3), y + 1, TICK, TICK)
    flow.doc.stroke()
  })
  const room = flow.margin.x + flow.width - ticks * (TICK + 3) - 8
  flow.paragraph([{ as: 'figure', text: `${number} ` }, words, hint ? { as: 'quiet', text: `  ${hint}` } : ''], 10, {
    until: room,
  })
  if (boxes.length > 0)
    flow.paragraph([`${boxes.map(box => `${box}: ______________`).join('    ')}    at: ________`], 9.5, { indent: 18 })
}
