import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { demoBatches, demoLab } from '#demo'
import { makeAccess } from '../server/access/access'
import { insertBatch } from '../server/db/batches'
import { appendMany } from '../server/db/append'
import { connect, forLab } from '../server/db/connect'

/* All of a lab's batches taken out: how long, and how much memory the server takes meanwhile. ZIP_LEDGER_URL, DATABASE_URL (the tables' owner), SERVER_PID; EXPORT_BATCHES how many there are. */
const url = process.env.ZIP_LEDGER_URL ?? ''
const signed = await fetch(`${url}/api/session/demo`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: '{}',
})
const cookie = (signed.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
const count = Number(process.env.EXPORT_BATCHES ?? 1000)
const db = connect(process.env.DATABASE_URL ?? '', { long: true })
const access = makeAccess({
  lab: demoLab.id,
  person: demoLab.people[0].id,
  role: 'administrator',
  via: 'setup',
  isStrong: true,
})
const scoped = forLab(db, demoLab.id)
const demo = demoBatches(new Date()).find(one => one.code === 'ZN-021')!
for (let i = 0; i < count; i++) {
  const name = `X-${String(i).padStart(5, '0')}`
  await insertBatch(scoped, access, name, demo.document)
  const [done] = await appendMany(scoped, [
    {
      access,
      code: name,
      entries: Array.from({ length: 5 }, (_, n) => ({
        id: randomUUID(),
        at: new Date().toISOString(),
        by: access.person,
        kind: 'note' as const,
        stage: 's1',
        text: `note ${n}`,
      })),
    },
  ])
  if (!done?.ok) throw new Error('not appended')
}
await db.destroy()
const memory = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${process.env.SERVER_PID}/status`, 'utf8'))?.[1] ?? 0) / 1000
let most = memory()
const before = most
const watch = setInterval(() => (most = Math.max(most, memory())), 200)
const begun = performance.now()
const answer = await fetch(`${url}/api/export`, { headers: { cookie } })
let bytes = 0
for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) bytes += chunk.length
clearInterval(watch)
console.log(
  `All of ${count} batches taken out: ${((performance.now() - begun) / 1000).toFixed(0)} s, ${(bytes / 1e6).toFixed(0)} MB; the server took ${before.toFixed(0)} MB before, ${most.toFixed(0)} MB at most`,
)
