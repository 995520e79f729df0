import { csvOf, type CsvColumn } from '../record/csv'

const columns: readonly CsvColumn[] = [
  { name: 'formula', title: 'what is to come', datatype: 'string' },
  { name: 'comes_as', title: 'solid, solution or liquid', datatype: 'string' },
  { name: 'strength', title: 'of a solution', datatype: 'string' },
  { name: 'missing', title: 'what is missing, in the unit', datatype: 'decimal' },
  { name: 'unit', title: 'g or mL', datatype: 'string' },
  { name: 'needed', title: 'what open batches have yet to take', datatype: 'decimal' },
  { name: 'there', title: 'what the shelf has of it', datatype: 'decimal' },
  { name: 'batches', title: 'which batches', datatype: 'string' },
  { name: 'low', title: 'bottles of it that are low', datatype: 'string' },
]
const rounded = (value: number): number => Number(value.toPrecision(4))

/** The shopping list as a table to keep or to send. */
export default answer('look', async (event, { access, db }) => {
  const { list } = await shoppingFor(db, access)
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="shopping.csv"',
    'cache-control': 'no-store',
  })
  return csvOf(
    columns,
    list.map(one => [
      one.formula,
      one.kind,
      one.concentration ?? '',
      rounded(one.missing),
      one.unit,
      rounded(one.needed),
      rounded(one.there),
      one.batches.join(' '),
      one.low.join(' '),
    ]),
  )
})
