import type { BatchFile } from '#core/document'
import { aboutWords, entryText } from '#core/journal'
import { partsOfMeasured } from '#core/quantity'
import type { Worksheet } from '#core/assay'
import { plainText, type RecordPage } from '#core/record'
import { fromJSON } from 'convert-to-jcamp'
import { csvMetadata, csvOf, type CsvColumn } from './csv'

/** A file of a batch, by its name. */
export interface OutFile {
  readonly path: string
  readonly type: string
  readonly title: string
  readonly data: string | Uint8Array
}

const journalColumns: readonly CsvColumn[] = [
  { name: 'number', title: 'Number of the entry', datatype: 'integer' },
  { name: 'at', title: 'When it was read or seen', datatype: 'dateTime' },
  { name: 'recorded_at', title: 'When it was kept', datatype: 'dateTime' },
  { name: 'by', title: 'Who recorded it', datatype: 'string' },
  { name: 'kind', title: 'Kind of the entry', datatype: 'string' },
  { name: 'stage', title: 'Stage of the batch', datatype: 'string' },
  { name: 'step', title: 'Step of the procedure', datatype: 'string' },
  { name: 'about', title: 'What the reading is of', datatype: 'string' },
  { name: 'measure', title: 'What was read', datatype: 'string' },
  { name: 'value', title: 'Value as read', datatype: 'decimal' },
  { name: 'unit', title: 'Unit of the value', datatype: 'string' },
  { name: 'instrument', title: 'Instrument, or typed', datatype: 'string' },
  { name: 'text', title: 'The entry in words', datatype: 'string' },
  { name: 'corrects', title: 'Number of the entry that it corrects', datatype: 'integer' },
  { name: 'why', title: 'Reason of the correction', datatype: 'string' },
  { name: 'id', title: 'Identifier of the entry', datatype: 'string' },
]
const bare = (text: string): string => text.replace(/[{}]/g, '')

/** The journal as a table, a row an entry, corrections among them as they were made. */
function journalCsv({ journal, people }: BatchFile): string {
  const names = new Map(people.map(({ id, name }) => [id, name]))
  const numbers = new Map(journal.map(({ seq, entry }) => [entry.id, seq]))
  return csvOf(
    journalColumns,
    journal.map(({ seq, recordedAt, entry }) => {
      const read = entry.kind === 'reading' ? partsOfMeasured(entry.value) : undefined
      return [
        seq,
        entry.at,
        recordedAt,
        names.get(entry.by),
        entry.kind,
        entry.kind === 'correction' ? '' : entry.kind === 'reading' ? entry.about.stage : entry.stage,
        'step' in entry ? entry.step : '',
        entry.kind === 'reading' ? bare(aboutWords(entry.about)) : '',
        entry.kind === 'reading' ? entry.measure : '',
        read?.number,
        read?.unit,
        entry.kind === 'reading' ? (entry.instrument ?? (entry.typed ? 'typed' : '')) : '',
        entry.kind === 'correction' ? (entry.instead ?? 'struck out') : bare(entryText(entry)),
        entry.kind === 'correction' ? numbers.get(entry.corrects) : '',
        entry.kind === 'correction' ? entry.why : '',
        entry.id,
      ]
    }),
  )
}

/** A CSV file and what its columns mean. */
function table(path: string, title: string, columns: readonly CsvColumn[], data: string, key?: string): OutFile[] {
  return [
    { path, type: 'text/csv', title, data },
    {
      path: `${path}-metadata.json`,
      type: 'application/csvm+json',
      title: `${title}: what its columns mean`,
      data: JSON.stringify(csvMetadata(path.split('/').at(-1) ?? path, title, columns, key), null, 2),
    },
  ]
}

export const journalFiles = (file: BatchFile): OutFile[] =>
  table('journal.csv', 'The journal, entry by entry', journalColumns, journalCsv(file), 'number')

/** Every table of the record as a file of its own. */
export const recordTables = ({ sections }: RecordPage): OutFile[] =>
  sections.flatMap(({ id, title, blocks }) =>
    blocks.flatMap(block => {
      // The journal has a table of its own, with more in it.
      if (block.is !== 'table' || id === 'journal') return []
      const columns = block.columns.map(({ name }, i): CsvColumn => ({
        name: `${i + 1}_${slug(name)}`,
        title: name,
        datatype: 'string',
      }))
      const rows = block.rows.map(row => row.map(cell => plainText(cell)))
      return table(
        `tables/${block.id.replaceAll('.', '-')}.csv`,
        `${title}: ${bare(block.caption)}`,
        columns,
        csvOf(columns, rows),
      )
    }),
  )
const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_|_$/g, '') || 'column'

/** Curves of the worksheets: spectra as JCAMP-DX, thermograms as CSV. */
export const curveFiles = (sheets: readonly Worksheet[]): OutFile[] =>
  sheets.flatMap((sheet, i): OutFile[] => {
    if (!sheet.curve) return []
    const { x, y, points } = sheet.curve
    const name = `curves/${i + 1}-${slug(sheet.name || sheet.kind)}`
    if (sheet.kind === 'spectrum')
      return [
        {
          path: `${name}.jdx`,
          type: 'chemical/x-jcamp-dx',
          title: sheet.name || 'Spectrum',
          data: fromJSON(
            { x: points.map(([one]) => one), y: points.map(([, one]) => one) },
            {
              info: {
                title: bare(sheet.name || 'Spectrum'),
                dataType: /nm/i.test(x) ? 'UV/VIS SPECTRUM' : 'INFRARED SPECTRUM',
                xUnits: x,
                yUnits: y,
                owner: '',
                origin: 'Zip Ledger',
              },
            },
          ),
        },
      ]
    const columns: CsvColumn[] = [
      { name: 'x', title: x, datatype: 'decimal' },
      { name: 'y', title: y, datatype: 'decimal' },
    ]
    return table(`${name}.csv`, sheet.name || 'Curve', columns, csvOf(columns, points))
  })
