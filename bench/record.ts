import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { timePage } from './record-page'

/*
 * The record of a batch with 2000 entries and 40 photos: how long until it is there, and on paper. ZIP_LEDGER_URL says where.
 */
const url = process.env.ZIP_LEDGER_URL ?? ''
const signed = await fetch(`${url}/api/session/demo`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: '{}',
})
const cookie = (signed.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
const ask = (path: string, init: RequestInit = {}): Promise<Response> =>
  fetch(`${url}${path}`, { ...init, headers: { cookie, 'content-type': 'application/json', ...init.headers } })
const { person } = (await (await ask('/api/me')).json()) as { person: string }

async function timed(name: string, path: string, times: number): Promise<void> {
  const took: number[] = []
  let size = 0
  for (let i = 0; i < times; i++) {
    const begun = performance.now()
    const answer = await ask(path)
    size = (await answer.arrayBuffer()).byteLength
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    took.push(performance.now() - begun)
  }
  took.sort((a, b) => a - b)
  console.log(
    `${name}: median ${took[took.length >> 1]!.toFixed(0)} ms, longest ${took.at(-1)!.toFixed(0)} ms, ${(size / 1000).toFixed(0)} kB`,
  )
}

const { code } = (await (
  await ask('/api/batches', {
    method: 'POST',
    body: JSON.stringify({
      product: 'ZnSO4.7H2O',
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      table: 'Zn,9.11 g,99.5 %\nH2SO4,66.0 mL,2.00 mol/L',
    }),
  })
).json()) as { code: string }
const base = (i: number) => ({
  id: randomUUID(),
  at: new Date(Date.now() - (3000 - i) * 60_000).toISOString(),
  by: person,
})
const photos: string[] = []
for (let i = 0; i < 40; i++) {
  const picture = await sharp({
    create: {
      width: 1600,
      height: 1200,
      channels: 3,
      noise: { type: 'gaussian', mean: 120, sigma: 30 },
      background: '#888888',
    },
  })
    .jpeg({ quality: 70 })
    .toBuffer()
  const answer = await ask(`/api/batches/${code}/photos`, {
    method: 'POST',
    body: new Uint8Array(picture),
    headers: { 'content-type': 'image/jpeg' },
  })
  photos.push(((await answer.json()) as { photo: string }).photo)
}
const charge = (species: string) => ({ what: 'charge', stage: 's1', species })
const entries = [
  { ...base(0), kind: 'reading', about: charge('Zn'), measure: 'net', value: '9.14 g', typed: true },
  { ...base(1), kind: 'reading', about: charge('H2SO4'), measure: 'volume', value: '66.0 mL', typed: true },
  ...Array.from({ length: 1957 }, (_, i) =>
    i % 4 === 0
      ? { ...base(2 + i), kind: 'observation', stage: 's1', text: `Looked at it: ${i}` }
      : {
          ...base(2 + i),
          kind: 'reading',
          about: { what: 'pot', stage: 's1' },
          measure: 'temperature',
          value: `${(20 + i / 40).toFixed(1)} °C`,
          typed: false,
          instrument: 'Probe',
        },
  ),
  ...photos.map((photo, i) => ({
    ...base(1960 + i),
    kind: 'photo',
    stage: 's1',
    photo,
    type: 'image/jpeg',
    text: `Picture ${i}`,
  })),
  {
    ...base(2001),
    kind: 'reading',
    about: { what: 'product', stage: 's1', crop: 1 },
    measure: 'net',
    value: '30.12 g',
    typed: true,
  },
]
for (let i = 0; i < entries.length; i += 500) {
  const answer = await ask(`/api/batches/${code}/entries`, {
    method: 'POST',
    body: JSON.stringify({ entries: entries.slice(i, i + 500) }),
  })
  if (!answer.ok) throw new Error(`${answer.status}: ${await answer.text()}`)
}
console.log(`A record of ${entries.length} entries and ${photos.length} photos:`)
await timed('  what the page shows first', `/api/batches/${code}/record?quick=1`, 9)
await timed('  with its explanations', `/api/batches/${code}/record`, 5)
await timed('  on paper, short', `/api/batches/${code}/record/pdf?form=short`, 3)
await timed('  on paper, long, every entry and photo', `/api/batches/${code}/record/pdf?form=long`, 3)
await timePage(url, code)
