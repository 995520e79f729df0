import { drawCode } from './code'
import { Flow } from './flow'

/** What stands on a vial. Words hold formulas in braces. */
export interface Label {
  readonly code: string
  readonly form: string
  readonly name: string
  readonly mass?: string
  readonly made: string
  readonly by: string
  readonly lab: string
  /** The gravest statements of its label, in words. */
  readonly statements: string
  readonly keep?: string
  readonly address: string
  readonly at: Date
}

/** 70 by 42 mm, as label sheets have them. */
const SIZE = { width: 198.4, height: 119.1 }
const CODE = 46

/** The label of a product's vial: what it is, whence, how much, what it can hurt by, and a code that opens its record. */
export function labelPdf(label: Label): Promise<Buffer> {
  const { code, form, name, mass, made, by, lab, statements, keep, address, at } = label
  const flow = new Flow({ title: `${code}: label`, author: lab, subject: name, at }, undefined, SIZE, {
    x: 9,
    top: 8,
    bottom: 5,
  })
  drawCode(flow, address, SIZE.width - CODE - 6, 5, CODE)
  const until = SIZE.width - CODE - 10
  flow.paragraph([{ as: 'strong', text: `{${form}}` }], 12.5, { until })
  flow.paragraph([name], 7.6, { until })
  flow.paragraph([{ as: 'figure', text: [code, mass].filter(Boolean).join('  ') }], 8.2, { until })
  flow.y = Math.max(flow.y, CODE + 4)
  flow.paragraph([`${made}, ${by}, ${lab}`], 6.4)
  flow.paragraph([{ as: 'strong', text: statements }], 6.4)
  if (keep) flow.paragraph([keep], 6.4)
  return flow.end(() => '')
}
