import { aboutWords, entryText, type JournalLine } from '#core/journal'
import { corrected } from './done'
import { figure, time, words, type Unnamed, type Words } from './page'
import type { Facts } from './source'

const kinds = {
  observation: 'seen',
  note: 'note',
  step: 'step',
  deviation: 'not as planned',
  timer: 'clock',
  test: 'test',
  shift: 'moved',
  photo: 'photo',
} as const
/** An entry that came in so much later than it was read is told with both times, ms. */
const LATE = 120_000

/** The journal, entry by entry in the order in which it was kept, every one of them. */
export function journalTable(facts: Facts): Unnamed[] {
  const { lines, kept, nameOf } = facts
  if (lines.length === 0) return []
  return [
    {
      is: 'table',
      caption: `${facts.source.journal.length} entries; a correction stands with what it corrects`,
      columns: [
        { name: 'No.', isFigure: true },
        { name: 'Read or seen' },
        { name: 'By' },
        { name: 'What' },
        { name: 'As recorded' },
        { name: 'Read by' },
      ],
      rows: lines.map((line): Words[] => {
        const { entry } = line
        const row = kept.get(entry.id)
        const isLate = row && Date.parse(row.recordedAt) - Date.parse(entry.at) > LATE
        return [
          words(figure(String(row?.seq ?? ''))),
          words(time(entry.at), isLate ? words(', kept ', time(row.recordedAt)) : undefined),
          words(nameOf(entry.by)),
          words(entry.kind === 'reading' ? `${entry.measure} of ${aboutWords(entry.about)}` : kinds[entry.kind]),
          asRecorded(facts, line),
          words(
            entry.kind === 'reading'
              ? (entry.instrument ?? '') + (entry.typed ? `${entry.instrument ? ', ' : ''}typed` : '')
              : '',
          ),
        ]
      }),
    },
  ]
}

function asRecorded(facts: Facts, line: JournalLine): Words {
  const { entry, current, corrections } = line
  const now = current ?? (corrections.length > 0 ? undefined : entryText(entry))
  return words(corrected(facts, line), now === undefined ? undefined : entry.kind === 'reading' ? figure(now) : now)
}
