import * as z from 'zod'
import { explainFormula, parseFormula, type FormulaProblem } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { hazardStatements, ligands, type HazardCode } from '#core/reference'

const word = z.enum(['soluble', 'slightly', 'insoluble', 'reacts'])
const line = z.string().trim().max(120)
const celsius = z.number().min(-273).max(5000)
const swatch = z.string().regex(/^#[0-9a-f]{6}$/i, 'A swatch is a colour such as #2b64c4.')
const codes = hazardStatements.map(({ code }) => code) as [HazardCode, ...HazardCode[]]

/** A substance of the lab's own, as the tables screen sends it and the database keeps it. */
export const ownSubstanceSchema = z.strictObject({
  formula: z.string().max(400),
  name: line.min(1),
  state: z.enum(['solid', 'liquid', 'gas']),
  water: word,
  ethanol: word.exactOptional(),
  acetone: word.exactOptional(),
  forms: z
    .array(
      z.union([
        z.tuple([z.number().min(0).max(40), line, swatch]),
        z.tuple([z.number().min(0).max(40), line, swatch, celsius]),
      ]),
    )
    .max(12)
    .exactOptional(),
  volatile: z.literal(true).exactOptional(),
  air: z
    .enum([
      'keeps',
      'effloresces',
      'deliquesces',
      'hygroscopic',
      'oxidises',
      'takes up CO2',
      'loses ammonia',
      'darkens in light',
      'fumes',
    ])
    .exactOptional(),
  decomposes: celsius.exactOptional(),
  hazards: z.array(z.enum(codes)).max(20).exactOptional(),
  also: z.array(line).max(8).exactOptional(),
})

/** A solubility curve of the lab's own: g of anhydrous salt in 100 g of water, by solid phase. */
export const ownCurveSchema = z.strictObject({
  salt: z.string().max(400),
  source: line.min(1),
  grade: z.enum(['A', 'B', 'C']),
  phases: z
    .array(
      z.strictObject({
        waters: z.number().min(0).max(40),
        points: z
          .array(z.tuple([z.number().min(-60).max(200), z.number().positive().max(5000)]))
          .min(2)
          .max(200),
      }),
    )
    .min(1)
    .max(8),
})

/** A ligand of the lab's own, written out wherever its abbreviation is typed. */
export const ownLigandSchema = z.strictObject({
  abbreviation: z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,7}$/, 'An abbreviation is one to eight letters or digits.'),
  name: line.min(1),
  formula: z.string().max(60),
  charge: z.int().min(-8).max(4),
  sites: z.int().min(1).max(8),
})

export const ownRowSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('substance'), body: ownSubstanceSchema }),
  z.strictObject({ kind: z.literal('curve'), body: ownCurveSchema }),
  z.strictObject({ kind: z.literal('ligand'), body: ownLigandSchema }),
])
export type OwnRow = z.output<typeof ownRowSchema>

export type OwnRowProblem =
  | { code: 'own.formula'; problem: FormulaProblem }
  | { code: 'own.charged' }
  | { code: 'own.hydrated'; formula: string }
  | { code: 'own.rising'; waters: number }
  | { code: 'own.ligand-taken'; abbreviation: string }

/** What a row is kept under, its formula in canonical writing; refuses what the core could not use. */
export function checkOwnRow(row: OwnRow): Checked<{ row: OwnRow; key: string }, OwnRowProblem> {
  const text = row.kind === 'substance' ? row.body.formula : row.kind === 'curve' ? row.body.salt : row.body.formula
  const read = parseFormula(text)
  if (!read.ok) return fail({ code: 'own.formula', problem: read.problem })
  if (read.value.charge !== 0) return fail({ code: 'own.charged' })
  const formula = read.value.text
  if (row.kind === 'ligand') {
    const { abbreviation } = row.body
    if (ligands.some(one => one.abbreviation === abbreviation) || parseFormula(abbreviation).ok)
      return fail({ code: 'own.ligand-taken', abbreviation })
    return ok({ row: { kind: 'ligand', body: { ...row.body, formula } }, key: abbreviation })
  }
  if (/·[\d./]*H2O$/.test(formula)) return fail({ code: 'own.hydrated', formula })
  if (row.kind === 'curve') {
    const phase = row.body.phases.find(({ points }) => points.some(([t], i) => i > 0 && t <= points[i - 1]![0]))
    if (phase) return fail({ code: 'own.rising', waters: phase.waters })
    return ok({ row: { kind: 'curve', body: { ...row.body, salt: formula } }, key: formula })
  }
  return ok({ row: { kind: 'substance', body: { ...row.body, formula } }, key: formula })
}

export function explainOwnRow(problem: OwnRowProblem): { why: string; fix: string } {
  switch (problem.code) {
    case 'own.formula':
      return explainFormula(problem.problem)
    case 'own.charged':
      return {
        why: 'This is an ion, which cannot be weighed.',
        fix: 'Give a whole substance; a ligand’s charge has its own field.',
      }
    case 'own.hydrated':
      return {
        why: `${problem.formula} is a hydrate.`,
        fix: 'Give the anhydrous formula here and its hydrates as forms or phases, by their number of waters.',
      }
    case 'own.rising':
      return {
        why: `The temperatures of the phase with ${problem.waters} waters do not rise from point to point.`,
        fix: 'Put the points in the order of temperature, each temperature once.',
      }
    case 'own.ligand-taken':
      return {
        why: `${problem.abbreviation} already means something in a formula.`,
        fix: 'Choose another abbreviation, in small letters.',
      }
  }
}
