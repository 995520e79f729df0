import Papa from 'papaparse'

export interface CsvColumn {
  readonly name: string
  readonly title: string
  readonly datatype: 'string' | 'integer' | 'decimal' | 'dateTime'
}

/** What a spreadsheet would run as a formula when it opens the file; numbers are left alone. */
const FORMULA = /^(?![+-]?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?$)[=+\-@\t\r\n]/

/** A table as CSV (RFC 4180) with a head line. A cell that a spreadsheet would run begins with an apostrophe, which makes it text. */
export const csvOf = (
  columns: readonly CsvColumn[],
  rows: readonly (readonly (string | number | undefined)[])[],
): string =>
  Papa.unparse(
    {
      fields: columns.map(({ name }) => name),
      data: rows.map(row => row.map(cell => cell ?? '')),
    },
    { newline: '\r\n', escapeFormulae: FORMULA },
  ) + '\r\n'

/** What a CSV file's columns mean (W3C CSV on the Web, Metadata Vocabulary for Tabular Data). */
export const csvMetadata = (
  url: string,
  title: string,
  columns: readonly CsvColumn[],
  primaryKey?: string,
): object => ({
  '@context': 'http://www.w3.org/ns/csvw',
  url,
  'dc:title': title,
  dialect: { header: true, lineTerminators: ['\r\n'] },
  tableSchema: {
    columns: columns.map(({ name, title: titles, datatype }) => ({
      name,
      titles: [name],
      'dc:description': titles,
      datatype,
    })),
    ...(primaryKey && { primaryKey }),
  },
})
