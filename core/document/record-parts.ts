/** The parts of a record, in the order in which they are read; those that tell what was done and what came of it stay. */
export const recordParts = {
  purpose: 'Purpose and equation',
  plan: 'What was planned, and why it was changed',
  materials: 'Materials',
  done: 'What was done',
  photos: 'Photos',
  drying: 'Crystals and drying',
  result: 'Result',
  explanations: 'What would explain it',
  assays: 'Assays',
  ledger: 'Where every mole went',
  residues: 'Residues',
  cautions: 'Cautions',
  working: 'Working of the yield',
  journal: 'The journal, entry by entry',
} as const
export type RecordPart = keyof typeof recordParts

/** What a record cannot be without. */
export const alwaysIn: readonly RecordPart[] = ['purpose', 'plan', 'materials', 'done', 'result']
/** What the short form leaves out. */
const onlyLong: readonly RecordPart[] = ['photos', 'explanations', 'working', 'journal']

export interface RecordChoice {
  readonly form?: 'short' | 'long'
  readonly without?: readonly RecordPart[]
}

/** The parts that a record of this choice holds; the short form where nothing is said. */
export const partsIn = ({ form = 'short', without = [] }: RecordChoice): RecordPart[] =>
  (Object.keys(recordParts) as RecordPart[]).filter(
    part => alwaysIn.includes(part) || !(without.includes(part) || (form === 'short' && onlyLong.includes(part))),
  )
