import { execFile } from 'node:child_process'
import { randomBytes, randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import knex, { type Knex } from 'knex'
import { demoBatches, demoLab } from '#demo'
import { hashSlowly } from '../server/access/secrets'
import { findBreak } from '../server/db/chain'
import { sender, write, type Client } from './parts/clients'
import { apps, House, nodes, PORTS, proxy, type Node } from './parts/cluster'
import { Agent } from 'node:http'

const CLIENTS = 32
/** s. */
const LASTS = 75
const PASSWORD = 'four plain words in a row'

/** The same kills at the same times for the same number. */
function dice(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return state / 2 ** 32
  }
}
const pause = (ms: number): Promise<void> => new Promise(resolve => setTimeout(resolve, ms))
const say = (text: string): void => console.log(text)

async function until(what: string, is: () => Promise<boolean>, seconds = 90): Promise<void> {
  const end = performance.now() + seconds * 1000
  while (performance.now() < end) {
    if (await is().catch(() => false)) return
    await pause(250)
  }
  throw new Error(`This did not come about in ${seconds} s: ${what}.`)
}
const answers = async (url: string): Promise<boolean> => (await fetch(url)).ok
const leads = ({ address }: Node): Promise<boolean> => answers(`http://${address}:${PORTS.patroni}/primary`)
async function leader(): Promise<Node> {
  for (const node of nodes) if (await leads(node).catch(() => false)) return node
  throw new Error('Nobody leads.')
}
async function followers(): Promise<number> {
  const node = await leader()
  const { members } = (await (await fetch(`http://${node.address}:${PORTS.patroni}/cluster`)).json()) as {
    members: { role: string; state: string }[]
  }
  return members.filter(({ role, state }) => role !== 'leader' && ['running', 'streaming'].includes(state)).length
}

async function bringUp(house: House): Promise<void> {
  for (const node of nodes) house.startEtcd(node, true)
  await until('etcd answers', () => answers(`http://${nodes[0]!.address}:${PORTS.etcd}/health`))
  for (const node of nodes) house.startPatroni(node)
  house.startProxy()
  await until('somebody leads', async () => (await leader()) !== undefined)
  await until('two follow', async () => (await followers()) === 2)
  const admin = knex({ client: 'pg', connection: house.ownerUrl('postgres') })
  await until('the proxy reaches the leader', async () => (await admin.raw('select 1')).rows.length === 1)
  await admin.raw('create database zip_ledger')
  await admin.destroy()
}

/** The tables of this version, or of the one before; clients go on meanwhile. */
async function prepare(house: House, app: string, by = '.build/prepare.mjs'): Promise<void> {
  const env = { ...process.env, DATABASE_URL: house.ownerUrl(), APP_PASSWORD: app }
  await promisify(execFile)('node', [by], { env })
}

/** The demo, somebody who may record, and a batch for each client. */
async function fillIn(house: House): Promise<{ person: string; name: string; clients: Client[] }> {
  const db = knex({ client: 'pg', connection: house.ownerUrl() })
  const [account, person] = [randomUUID(), randomUUID()]
  const name = `drill-${account.slice(0, 6)}`
  await db('accounts').insert({ id: account, name, password: await hashSlowly(PASSWORD) })
  await db('people').insert({ id: person, lab_id: demoLab.id, name: 'Drill', role: 'chemist', account_id: account })
  const document = JSON.stringify(demoBatches(new Date())[0]!.document)
  const clients = Array.from({ length: CLIENTS }, (_, i) => ({
    code: `DR-${String(i + 1).padStart(3, '0')}`,
    acknowledged: [],
    repeats: 0,
  }))
  await db('batches').insert(clients.map(({ code }) => ({ id: randomUUID(), lab_id: demoLab.id, code, document })))
  await db.destroy()
  return { person, name, clients }
}

async function comeIn(name: string): Promise<string> {
  const answer = await fetch(`http://${proxy}:${PORTS.web}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, password: PASSWORD }),
  })
  if (!answer.ok) throw new Error(`Nobody comes in: ${answer.status} ${await answer.text()}`)
  return (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
}

/** What is killed, when, s after the first entry, and when it comes back. */
function plan(random: () => number): { at: number; what: 'leader' | 'app' | 'etcd'; back: number }[] {
  const between = (from: number, to: number): number => from + random() * (to - from)
  const app = { at: between(3, 40), what: 'app' as const, back: 4 }
  const etcd = { at: between(3, 40), what: 'etcd' as const, back: between(4, 10) }
  return [{ at: between(5, 20), what: 'leader' as const, back: between(10, 25) }, app, etcd].toSorted(
    (a, b) => a.at - b.at,
  )
}

/** What a kill stops, it stops within so many ms. */
const SOON = 5000
/** The longest time in which nothing was acknowledged, of those that begin before or soon after a moment and end after it, ms. */
const silence = (times: readonly number[], at: number): number =>
  Math.max(
    0,
    ...times.flatMap((time, i) => {
      const before = times[i - 1] ?? at
      return time >= at && before <= at + SOON ? [time - before] : []
    }),
  )

interface Outcome {
  readonly acknowledged: number
  readonly lost: number
  readonly doubled: number
  readonly disordered: number
  readonly broken: number
  readonly repeats: number
  readonly unheard: number
}

/** What was acknowledged beside what is stored, and each chain from its first entry on. */
async function compare(db: Knex, clients: readonly Client[], heard: ReadonlySet<string>): Promise<Outcome> {
  let [lost, doubled, disordered, broken] = [0, 0, 0, 0]
  for (const { code, acknowledged } of clients) {
    const batch = await db('batches').where({ lab_id: demoLab.id, code }).first('id')
    const rows: { id: string; seq: number; text: string }[] = await db('entries')
      .where({ lab_id: demoLab.id, batch_id: batch.id })
      .orderBy('seq')
      .select('id', 'seq', db.raw("body->>'text' as text"))
    const byId = new Map(rows.map(row => [row.id, row]))
    lost += acknowledged.filter(({ id, seq }) => byId.get(id)?.seq !== seq).length
    doubled += rows.length - new Set(rows.map(({ text }) => text)).size
    disordered += acknowledged.filter(({ seq }, i) => i > 0 && seq <= acknowledged[i - 1]!.seq).length
    if (await findBreak(db, demoLab.id, batch.id as string)) broken += 1
  }
  return {
    acknowledged: clients.reduce((sum, one) => sum + one.acknowledged.length, 0),
    ...{ lost, doubled, disordered, broken },
    repeats: clients.reduce((sum, one) => sum + one.repeats, 0),
    unheard: clients.filter(({ code }) => !heard.has(code)).length,
  }
}

/** Listens as a page does: over a stream, and after each cut asks what changed meanwhile. */
async function listen(cookie: string, heard: (codes: readonly string[]) => void, isOver: () => boolean): Promise<void> {
  const agent = new Agent()
  const send = sender(agent, cookie)
  let since = ''
  while (!isOver()) {
    const changes = await send('GET', `/api/changes${since && `?since=${since}`}`)
    if (changes?.status === 200) {
      const { at, codes } = JSON.parse(changes.body) as { at: number; codes: string[] }
      since = String(at)
      heard(codes)
    }
    const cut = new AbortController()
    const timer = setInterval(() => isOver() && cut.abort(), 200)
    try {
      const answer = await fetch(`http://${proxy}:${PORTS.web}/api/live`, { headers: { cookie }, signal: cut.signal })
      if (!answer.ok) throw new Error('no stream')
      const decoder = new TextDecoder()
      let text = ''
      for await (const piece of answer.body as unknown as AsyncIterable<Uint8Array>) {
        text += decoder.decode(piece, { stream: true })
        const blocks = text.split('\n\n')
        text = blocks.pop() ?? ''
        for (const block of blocks) {
          const [, id] = /^id: (\d+)$/m.exec(block) ?? []
          if (id) since = id
          const [, data] = /^data: (.+)$/m.exec(block) ?? []
          if (data) heard(data.split(','))
        }
      }
    } catch {
      await pause(500)
    } finally {
      clearInterval(timer)
    }
  }
}

/** What is running, so that it ends with the drill, whatever ends that. */
let current: House | undefined

interface Ready {
  readonly house: House
  /** The application’s own password. */
  readonly app: string
  readonly person: string
  readonly cookie: string
  readonly clients: readonly Client[]
}

/** Brings everything up, by this version or by the one `before` it, lets `work` do with it what it will, and ends it all. */
async function withHouse(work: (ready: Ready) => Promise<boolean>, before?: string): Promise<boolean> {
  const folder = mkdtempSync(join(tmpdir(), 'zip-ledger-drill-'))
  chmodSync(folder, 0o777)
  const word = (): string => randomBytes(18).toString('base64url')
  const passwords = { superuser: word(), replication: word(), rewind: word(), app: word() }
  const house = new House(folder, passwords)
  current = house
  try {
    await bringUp(house)
    await prepare(house, passwords.app, before && '.build/prepare-before.mjs')
    const { person, name, clients } = await fillIn(house)
    house.startPooler()
    for (const i of apps.keys()) house.startApp(i, before)
    for (const app of apps) await until('the app is ready', () => answers(`http://${app}:${PORTS.app}/readyz`))
    await until('the proxy reaches the app', () => answers(`http://${proxy}:${PORTS.web}/readyz`))
    return await work({ house, app: passwords.app, person, cookie: await comeIn(name), clients })
  } finally {
    await house.stopAll()
    if (process.env.KEEP_DRILL) say(`Its logs are in ${folder}`)
    else rmSync(folder, { recursive: true, force: true })
  }
}

async function drill(number: number, seed: number, { house, person, cookie, clients }: Ready): Promise<boolean> {
  const random = dice(seed)
  let isOver = false
  let isHeard = false
  try {
    const kills = plan(random)
    say(
      `\nDrill ${number}, seed ${seed}: ${kills.map(({ at, what, back }) => `${what} at ${at.toFixed(1)} s, back after ${back.toFixed(1)}`).join('; ')}`,
    )

    const lastHeard = new Map<string, number>()
    const listening = listen(
      cookie,
      codes => codes.forEach(code => lastHeard.set(code, performance.now())),
      () => isHeard,
    )
    const begun = performance.now()
    const writing = clients.map(client => write(client, person, cookie, () => isOver))
    const killedAt = new Map<string, number>()
    const kill = async ({ at, what, back }: (typeof kills)[number]): Promise<void> => {
      await pause(at * 1000)
      if (what === 'leader') {
        const node = await leader()
        killedAt.set(what, performance.now())
        house.kill(`${node.name}-patroni`)
        await pause(back * 1000)
        house.startPatroni(node)
      } else if (what === 'app') {
        const i = Math.floor(random() * apps.length)
        killedAt.set(what, performance.now())
        house.kill(`app${i + 1}`)
        await pause(back * 1000)
        house.startApp(i)
      } else {
        const node = nodes[Math.floor(random() * nodes.length)]!
        killedAt.set(what, performance.now())
        house.kill(`${node.name}-etcd`)
        await pause(back * 1000)
        house.startEtcd(node, false)
      }
    }
    await Promise.all([...kills.map(kill), pause(LASTS * 1000)])
    isOver = true
    const stoppedAt = performance.now()
    await Promise.all(writing)
    // A lost notice is looked up every five seconds.
    await pause(7000)
    isHeard = true
    await listening
    await until('two follow again', async () => (await followers()) === 2, 120)

    const times = clients.flatMap(one => one.acknowledged.map(({ at }) => at)).toSorted((a, b) => a - b)
    const heard = new Set(
      clients
        .filter(({ code, acknowledged }) => (lastHeard.get(code) ?? 0) >= (acknowledged.at(-1)?.at ?? 0) - 1000)
        .map(({ code }) => code),
    )
    const db = knex({ client: 'pg', connection: house.ownerUrl() })
    const found = await compare(db, clients, heard)
    await db.destroy()
    const { acknowledged, lost, doubled, disordered, broken, repeats, unheard } = found
    say(
      `${acknowledged} entries acknowledged in ${((stoppedAt - begun) / 1000).toFixed(0)} s: ${lost} lost, ${doubled} doubled, ${disordered} out of order, ${broken} chains broken; ${unheard} of ${CLIENTS} last changes not heard; ${repeats} requests sent again.`,
    )
    for (const [what, at] of killedAt)
      say(`Without writes around the kill of the ${what}: ${(silence(times, at) / 1000).toFixed(1)} s`)
    const isGreen = lost + doubled + disordered + broken + unheard === 0 && acknowledged > 0
    say(isGreen ? 'Green.' : 'RED.')
    return isGreen
  } finally {
    isOver = true
    isHeard = true
  }
}

const ROLLS = 3
/**
 * Each process is stopped in order and begun anew, one after the other, while clients write and pages listen: what failed, and was sent again, is counted. For a new version the tables are
 * changed under the processes of the one before, which then work beside the new ones.
 */
async function roll({ house, app: password, person, cookie, clients }: Ready, isUpdate: boolean): Promise<boolean> {
  let isOver = false
  const writing = clients.map(client => write(client, person, cookie, () => isOver))
  const lastHeard = new Map<string, number>()
  let isHeard = false
  const listening = listen(
    cookie,
    codes => codes.forEach(code => lastHeard.set(code, performance.now())),
    () => isHeard,
  )
  await pause(3000)
  if (isUpdate) {
    await prepare(house, password)
    await pause(3000)
  }
  const stops: number[] = []
  const rolls = isUpdate ? 1 : ROLLS
  for (let i = 0; i < rolls * apps.length; i++) {
    const app = i % apps.length
    const begun = performance.now()
    await house.stop(`app${app + 1}`)
    stops.push((performance.now() - begun) / 1000)
    house.startApp(app)
    await until('the app is ready again', () => answers(`http://${apps[app]}:${PORTS.app}/readyz`))
    await pause(3000)
  }
  isOver = true
  await Promise.all(writing)
  await pause(7000)
  isHeard = true
  await listening
  const heard = new Set(
    clients
      .filter(({ code, acknowledged }) => (lastHeard.get(code) ?? 0) >= (acknowledged.at(-1)?.at ?? 0) - 1000)
      .map(({ code }) => code),
  )
  const db = knex({ client: 'pg', connection: house.ownerUrl() })
  const { acknowledged, lost, doubled, disordered, broken, repeats, unheard } = await compare(db, clients, heard)
  await db.destroy()
  say(
    `${isUpdate ? 'From the version before to this one' : `Rolling restart, ${rolls} times round`}: ${acknowledged} entries acknowledged, ${repeats} requests failed and were sent again; ${lost} lost, ${doubled} doubled, ${disordered} out of order, ${broken} chains broken, ${unheard} last changes not heard. A stop took ${Math.max(...stops).toFixed(1)} s at most.`,
  )
  const isGreen = lost + doubled + disordered + broken + unheard + repeats === 0 && acknowledged > 0
  say(isGreen ? 'Green.' : 'RED.')
  return isGreen
}

for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.once(signal, () => void (current?.stopAll() ?? Promise.resolve()).finally(() => process.exit(130)))

/** The number of a drill’s seed; for an update the tree of the version before. */
const [what = '1', how = '1'] = process.argv.slice(2)
const isRoll = what === 'roll' || what === 'update'
const times = isRoll ? 1 : Number(what)
const before = what === 'update' ? how : undefined
let green = 0
for (let i = 0; i < times; i++)
  if (
    await withHouse(
      ready => (isRoll ? roll(ready, before !== undefined) : drill(i + 1, Number(how) + i, ready)),
      before,
    )
  )
    green += 1
say(`\n${green} of ${times} green.`)
process.exit(green === times ? 0 : 1)
