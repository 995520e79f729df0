import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import { contentWords, dayText } from '#core/record'
import { strengthText, type BottleRow } from '#core/shelf'
import type { Access } from '../access/access'
import { ownTables } from '../db/briefs'
import { findLab } from '../db/people'
import { recordApart } from '../jobs/records'
import type { Label } from '../print/label'
import { DOTS, labelPng } from '../print/to-png'

/** What stands on the labels of bottles: what is in each, how strong, its hazards, and a code that opens its ledger. */
export async function labelsFor(
  event: H3Event,
  db: Knex,
  access: Access,
  bottles: readonly BottleRow[],
): Promise<{ readonly labels: Label[]; readonly lab: string }> {
  const [lab, tables] = await Promise.all([findLab(db, access), ownTables(db, access)])
  const person = lab?.people.find(({ id }) => id === access.person)?.name ?? ''
  const made = `printed ${dayText(new Date().toISOString(), readerOf(event))}`
  const labels = bottles.map(({ code, label, comes, opened }): Label => {
    const { name, ...words } = contentWords(label.formula, tables.substances, comes)
    return {
      ...words,
      form: label.formula,
      name: [name, label.words].filter(Boolean).join(', '),
      code,
      mass: [strengthText(comes), label.lot && `lot ${label.lot}`, opened && `opened ${opened}`]
        .filter(Boolean)
        .join('  '),
      made,
      by: person,
      lab: lab?.name ?? '',
      address: `${originOf(event)}/shelf/${code}`,
    }
  })
  return { labels, lab: lab?.name ?? '' }
}

/** Sends one label: a PDF of its own size, or with `as=png` the picture for a label printer of `dots` to the inch. */
export async function sendLabel(event: H3Event, label: Label, lab: string): Promise<Uint8Array> {
  const { as, dots } = getQuery(event)
  if (as === undefined) {
    const data = await recordApart({ do: 'paper', paper: { is: 'labels', labels: [label], lab, at: new Date() } })
    return sendPdf(event, `${label.code}-label.pdf`, data)
  }
  const wanted = dots === undefined ? DOTS[0] : DOTS.find(one => String(one) === dots)
  if (as !== 'png' || wanted === undefined)
    throw refusal(400, `A label comes as a PDF, or with “as=png” and “dots” ${DOTS.join(' or ')}.`)
  const drawing = await recordApart({ do: 'paper', paper: { is: 'label drawing', label } })
  setResponseHeaders(event, {
    'content-type': 'image/png',
    'content-disposition': `attachment; filename="${label.code.replace(/[^A-Za-z0-9._-]/g, '-')}-label-${wanted}.png"`,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  })
  return labelPng(drawing, wanted)
}
