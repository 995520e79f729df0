import { partsIn, recordParts, type RecordChoice, type RecordPart } from '#core/document'
import { ledger, residues, cautions } from './after'
import { assays } from './assays'
import { done, photos } from './done'
import { drying } from './drying'
import { journalTable } from './entries'
import { materials } from './materials'
import { named, open, paragraph, type RecordPage, type Section, type Unnamed } from './page'
import { planned, purpose } from './planned'
import { explanations, result, working } from './result'
import { factsOf, type Facts, type Judging, type RecordSource } from './source'

const parts: Readonly<Record<RecordPart, (facts: Facts) => readonly Unnamed[]>> = {
  purpose,
  plan: planned,
  materials,
  done,
  photos,
  drying,
  result,
  explanations,
  assays,
  ledger,
  residues,
  cautions,
  working,
  journal: journalTable,
}

/**
 * The record of a batch: everything that its document, its revisions and its journal tell, as one page of plain data. Its choice (short or long, and what is left out) is the
 * document's own. A part that cannot be worked out says so in its place, and the others stand. `isQuick` leaves out what takes long: the explanations and what hangs on them.
 */
export const recordOf = (source: RecordSource, judging: Judging = {}): RecordPage =>
  recordFrom(factsOf(source, judging), source.document.record)

/** The record, in whichever choice, of facts that were worked out already. */
export function recordFrom(facts: Facts, choice: RecordChoice = {}): RecordPage {
  const { source } = facts
  const times = facts.lines.map(({ entry }) => entry.at).sort((a, b) => Date.parse(a) - Date.parse(b))
  const first = times[0]
  const last = times.at(-1)
  return {
    format: 'zip-ledger/record',
    version: 1,
    lab: source.lab,
    code: source.code,
    title: source.document.title,
    by: [...new Set(facts.lines.map(({ entry }) => entry.by))].map(facts.nameOf),
    ...(first !== undefined && { begun: first }),
    ...(last !== undefined && { ended: last }),
    sections: partsIn(choice).flatMap((part): Section[] => {
      const blocks = named(part, tryPart(facts, part))
      return blocks.length === 0 ? [] : [{ id: part, part, title: recordParts[part], blocks }]
    }),
  }
}

function tryPart(facts: Facts, part: RecordPart): readonly Unnamed[] {
  try {
    return parts[part](facts)
  } catch (error) {
    return [paragraph(open(`This part could not be worked out: ${(error as Error).message}`))]
  }
}
