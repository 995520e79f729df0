import {
  dayText,
  clockText,
  proofs,
  remarksBy,
  type Act,
  type ActStamp,
  type Block,
  type Reader,
  type RecordPage,
} from '#core/record'
import { Flow } from './flow'
import { colours } from './layout'

export interface Printing {
  readonly page: RecordPage
  readonly acts: readonly Act[]
  readonly stamps?: readonly ActStamp[]
  /** Pictures by their SHA-256, as JPEG or PNG. */
  readonly photos: ReadonlyMap<string, Uint8Array>
  readonly reader: Reader
  readonly at: Date
}

/** The record as a tagged PDF, A4. What a font lacks another draws; what none has is told by its number. */
export function recordPdf({ page, acts, stamps = [], photos, reader, at }: Printing): Promise<Buffer> {
  const flow = new Flow(
    {
      title: `${page.code}: ${plain(page.title)}`,
      author: page.by.join(', '),
      subject: `Record of a preparation, ${page.lab}`,
      at,
    },
    reader,
  )
  flow.heading(1, [{ as: 'strong', text: `${page.code} · ${page.title}` }], 17)
  flow.paragraph(
    [
      {
        as: 'quiet',
        text: [page.lab, page.by.join(', '), ...span(page, reader), `times in ${reader.zone}`]
          .filter(Boolean)
          .join(' · '),
      },
    ],
    8.8,
  )
  const under = remarksBy(acts)
  for (const section of page.sections) {
    flow.space(7)
    flow.heading(2, [{ as: 'strong', text: section.title }], 11.5)
    let day = ''
    for (const block of section.blocks) {
      if (block.is === 'words' && block.at !== undefined) {
        const today = dayText(block.at, reader)
        // A day stands with the first thing that was done on it.
        if (today !== day) {
          flow.need(44)
          flow.paragraph([{ as: 'strong', text: today }], 8.8)
        }
        day = today
      }
      draw(flow, block, photos)
      for (const { act, row } of under.get(block.id) ?? []) {
        const where = row === undefined ? '' : `, of row ${row}`
        const text = `Remark by ${act.name}${where}: ${act.text ?? ''}`
        flow.paragraph([{ as: 'quiet', text }], 8.5, { indent: 46 })
      }
    }
  }
  seal(flow, acts, stamps, reader)
  const sealed = acts.find(({ kind }) => kind === 'sealed')
  return flow.end(
    (n, of) =>
      `${page.code} · ${page.lab} · page ${n} of ${of}${sealed ? ` · sealed ${sealed.hash.slice(0, 16)}` : ' · not sealed'}`,
  )
}

const plain = (text: string): string => text.replace(/[{}]/g, '')

function span({ begun, ended }: RecordPage, reader: Reader): string[] {
  if (begun === undefined || ended === undefined) return ['nothing recorded yet']
  return [
    `${dayText(begun, reader)}, ${clockText(begun, reader)} to ${dayText(ended, reader)}, ${clockText(ended, reader)}`,
  ]
}

const CLOCK = 46

function draw(flow: Flow, block: Block, photos: ReadonlyMap<string, Uint8Array>): void {
  switch (block.is) {
    case 'words':
      if (block.words.length > 0)
        flow.paragraph(
          block.words,
          9.5,
          block.at === undefined ? {} : { indent: CLOCK, beside: [{ as: 'clock', at: block.at }] },
        )
      return
    case 'caution':
      return flow.paragraph([{ as: 'strong', text: 'Caution: ' }, ...block.words], 9.5)
    case 'table':
      flow.paragraph([{ as: 'strong', text: block.caption }], 8.8)
      return flow.table(block.columns, block.rows)
    case 'chart':
      flow.paragraph([{ as: 'quiet', text: block.caption }], 8.5)
      return flow.chart(block)
    case 'photo': {
      const data = photos.get(block.sha256)
      return data
        ? flow.picture(Buffer.from(data), block.words)
        : flow.paragraph([{ as: 'open', text: 'This picture is not here: ' }, ...block.words], 8.5)
    }
  }
}

const DONE: Readonly<Record<Act['kind'], string>> = {
  signed: 'Signed as author',
  remark: 'Remark',
  returned: 'Sent back',
  countersigned: 'Countersigned',
  sealed: 'Sealed',
  addendum: 'Addendum',
  'addendum-countersigned': 'Addendum countersigned',
}

/** Who put their name to it, when, and what they said by it; or that nobody did yet. */
function seal(flow: Flow, acts: readonly Act[], stamps: readonly ActStamp[], reader: Reader): void {
  flow.space(10)
  flow.need(60)
  flow.artifact(() =>
    flow.doc
      .moveTo(flow.margin.x, flow.y)
      .lineTo(flow.margin.x + flow.width, flow.y)
      .lineWidth(1.4)
      .strokeColor(colours.ink)
      .stroke(),
  )
  flow.space(8)
  flow.heading(2, [{ as: 'strong', text: 'Signatures' }], 11.5)
  if (acts.length === 0) return flow.paragraph([{ as: 'open', text: 'nobody has signed this record yet.' }])
  for (const act of acts) {
    if (act.kind === 'remark' && act.place !== undefined) continue
    flow.paragraph([
      { as: 'strong', text: DONE[act.kind] },
      ` by ${act.name}, ${dayText(act.at, reader)}, ${clockText(act.at, reader)}`,
      act.how ? `, ${proofs[act.how]}` : '',
      '. ',
      act.meaning ?? '',
      act.text ? ` ${act.text}` : '',
    ])
    flow.paragraph([{ as: 'quiet', text: `${act.number} · ${act.hash} · key ${act.key}` }], 7.2)
    const stamp = stamps.find(({ number }) => number === act.number)
    if (stamp)
      flow.paragraph([
        { as: 'quiet', text: `stamped ${dayText(stamp.at, reader)}, ${clockText(stamp.at, reader)} by ${stamp.by}` },
      ])
  }
}
