import * as z from 'zod'
import { draftStage, fromTable } from '#core/sheet'
import Papa from 'papaparse'
import { addBatch } from '../../db/batches'

export const Body = z.strictObject({
  product: z.string().max(400),
  equation: z.string().max(2000),
  title: z
    .string()
    .trim()
    .max(120)
    .refine(text => !text.includes('\0'))
    .exactOptional(),
  /** Reagents with their amounts and strengths, a line each, as a spreadsheet copies them or as CSV. */
  table: z.string().max(20_000).exactOptional(),
})

/** Begins a batch from its product and its equation, both as typed. */
export default answer('plan', async (event, { access, db }) => {
  const { product, equation, title, table } = await readJson(event, Body)
  const stage = draftStage(product, equation)
  if (!stage.ok) throw refusedPlan(stage.problem)
  const filled = table?.trim() ? fromTable(stage.value, rowsIn(table)) : ({ ok: true, stage: stage.value } as const)
  if (!filled.ok)
    throw refusal(
      422,
      'The table cannot be used as it is.',
      filled.problems.map(({ line, column, why, fix }) => ({
        at: `table.${line}.${column}`,
        code: 'table.cell',
        why: `Line ${line}, column ${column}: ${why}`,
        fix,
      })),
    )
  setResponseStatus(event, 201)
  const { code, version } = await addBatch(db, access, prefixFor(product), {
    format: 'zip-ledger/batch',
    version: 2,
    title: title || filled.stage.product.form!,
    plan: { stages: [filled.stage] },
  })
  announce(db, access.lab, code)
  return { code, version }
})

/** Cells by tabs where there are any, as a spreadsheet copies them; by whatever parts them otherwise. */
const rowsIn = (text: string): string[][] =>
  Papa.parse<string[]>(text.trim(), { skipEmptyLines: false, ...(text.includes('\t') && { delimiter: '\t' }) }).data
