import { contentWords, dayText } from '#core/record'
import { strengthText } from '#core/shelf'
import { findBottle } from '../../../db/bottles'
import { ownTables } from '../../../db/briefs'
import { findLab } from '../../../db/people'
import { recordApart } from '../../../jobs/records'

/** The label of a bottle as a PDF: what is in it, how strong, its hazards as the pure substance, and a code that opens its ledger. */
export default answer('look', async (event, { access, db }) => {
  const code = requireCode(event)
  const [bottle, lab, tables] = await Promise.all([
    findBottle(db, access, code),
    findLab(db, access),
    ownTables(db, access),
  ])
  if (!bottle) throw refusal(404, `There is no bottle ${code}.`)
  const { label, comes } = bottle
  const person = lab?.people.find(({ id }) => id === access.person)?.name ?? ''
  const strength = strengthText(comes)
  const { name, ...words } = contentWords(label.formula, tables.substances)
  const data = await recordApart({
    do: 'paper',
    paper: {
      is: 'label',
      ...words,
      form: label.formula,
      name: [name, label.words].filter(Boolean).join(', '),
      code: bottle.code,
      mass: [strength, label.lot && `lot ${label.lot}`].filter(Boolean).join('  '),
      made: `printed ${dayText(new Date().toISOString(), readerOf(event))}`,
      by: person,
      lab: lab?.name ?? '',
      address: `${originOf(event)}/shelf/${bottle.code}`,
      at: new Date(),
    },
  })
  return sendPdf(event, `${bottle.code}-label.pdf`, data)
})
