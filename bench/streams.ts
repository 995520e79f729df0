import { readFileSync } from 'node:fs'
import { Agent, request, type IncomingMessage } from 'node:http'
import { randomUUID } from 'node:crypto'
import { demoLab } from '#demo'

/* What open streams take of a process: so many pages that listen (STREAMS), how long until the last of them hears of a change, and what the others wait meanwhile. ZIP_LEDGER_URL, SERVER_PID. */
const url = new URL(process.env.ZIP_LEDGER_URL ?? '')
const wanted = Number(process.env.STREAMS ?? 5000)
const memory = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${process.env.SERVER_PID}/status`, 'utf8'))?.[1] ?? 0) / 1000
const [person] = demoLab.people
const signed = await fetch(`${url.origin}/api/session/demo`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ person: person.id }),
})
const cookie = (signed.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
const agent = new Agent({ keepAlive: true, maxSockets: Infinity })
const open: IncomingMessage[] = []
const heard = new Map<number, number>()
const listen = (i: number): Promise<void> =>
  new Promise((resolve, reject) => {
    const sent = request(
      { host: url.hostname, port: url.port, path: '/api/live', agent, headers: { cookie } },
      answer => {
        if (answer.statusCode !== 200) return reject(new Error(`stream ${i} was answered ${answer.statusCode}`))
        answer.setEncoding('utf8')
        answer.on('data', (piece: string) => {
          if (piece.includes('data: ZN-020')) heard.set(i, performance.now())
        })
        answer.on('error', () => {})
        open.push(answer)
        resolve()
      },
    )
    sent.on('error', reject)
    sent.end()
  })
const before = memory()
for (let from = 0; from < wanted; from += 100)
  await Promise.all(Array.from({ length: Math.min(100, wanted - from) }, (_, i) => listen(from + i)))
await new Promise(resolve => setTimeout(resolve, 16_000))
const with_ = memory()
const waits: number[] = []
for (let i = 0; i < 20; i++) {
  const begun = performance.now()
  await (await fetch(`${url.origin}/api/bench`, { headers: { cookie } })).arrayBuffer()
  waits.push(performance.now() - begun)
}
const begun = performance.now()
const answer = await fetch(`${url.origin}/api/batches/ZN-020/entries`, {
  method: 'POST',
  headers: { cookie, 'content-type': 'application/json' },
  body: JSON.stringify({
    entries: [
      {
        kind: 'note',
        id: randomUUID(),
        at: new Date().toISOString(),
        by: person.id,
        stage: 's1',
        text: 'heard by all',
      },
    ],
  }),
})
if (answer.status !== 201) throw new Error(`the entry was answered ${answer.status}`)
while (heard.size < wanted && performance.now() < begun + 20_000) await new Promise(resolve => setTimeout(resolve, 20))
const last = Math.max(...heard.values()) - begun
console.log(
  `${open.length} open streams: ${before.toFixed(0)} MB before, ${with_.toFixed(0)} MB with them, ${(((with_ - before) * 1000) / wanted).toFixed(1)} kB each; ${heard.size} heard of a change, the last after ${last.toFixed(0)} ms; the Bench meanwhile ${waits.toSorted((a, b) => a - b)[10]!.toFixed(0)} ms`,
)
for (const one of open) one.destroy()
agent.destroy()
