// Sends malformed requests to a running server, by a seed, and says what came back that should not: node tools/malformed.mjs URL [how many] [seed] [pid of the server]
// The server runs with ZIP_LEDGER_DEMO=1, so that the requests come from somebody who is in, and with a large ZIP_LEDGER_REQUESTS_A_MINUTE.
import { readFileSync } from 'node:fs'
import http from 'node:http'

const [address = 'http://127.0.0.1:3000', count = '100000', seed = '1', pid] = process.argv.slice(2)
const { hostname, port } = new URL(address)
const AT_ONCE = 40
/** Words of a database, a file system or a stack that no answer may hold. */
const LEAK =
  /\b(?:select .* from|insert into|update .* set|violates|syntax error at|relation "|pg_|knex|node_modules|at \w+ \(|\/(?:home|root|work|tmp)\/)/i

let state = Number(seed) >>> 0 || 1
const random = () => {
  state = (state + 0x6d2b79f5) >>> 0
  let t = Math.imul(state ^ (state >>> 15), 1 | state)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
const one = list => list[Math.floor(random() * list.length)]

const odd = [
  '',
  '\u0000',
  '\ud800',
  '../../etc/passwd',
  "' or 1=1 --",
  '{{7*7}}',
  '<script>',
  '9'.repeat(400),
  '-1',
  'NaN',
  '1e999',
  '%',
  '😀',
  'null',
  '2026-13-45',
  '+23:59',
  '$1',
  'ZN-021',
  'a'.repeat(70000),
]
const scalars = [...odd, null, true, -1, 0, 9007199254740991, 1e308, [], {}, [[]], { __proto__: 1 }]
const nest = depth =>
  depth === 0
    ? one(scalars)
    : random() < 0.5
      ? [nest(depth - 1)]
      : { [one(['a', 'constructor', '__proto__', 'entries', ''])]: nest(depth - 1) }
const keys = [
  'entries',
  'document',
  'version',
  'product',
  'equation',
  'title',
  'kind',
  'id',
  'at',
  'by',
  'stage',
  'text',
  'worksheet',
  'steps',
  'name',
  'body',
  'settings',
  'people',
  'photo',
  'value',
  'measure',
  'about',
  'password',
  'code',
  'pin',
  'person',
  'link',
  'role',
  'scopes',
]
const object = () =>
  Object.fromEntries(
    Array.from({ length: Math.floor(random() * 6) }, () => [one(keys), random() < 0.3 ? nest(4) : one(scalars)]),
  )
const bodies = [
  () => JSON.stringify(object()),
  () => JSON.stringify({ entries: [object(), object()] }),
  () => JSON.stringify({ version: one(scalars), document: object() }),
  () => JSON.stringify(nest(200)),
  () => `${JSON.stringify(object()).slice(0, -1)}`,
  () => '['.repeat(5000),
  () => one(odd),
  () => `{"product":"ZnSO4","equation":"Zn + H2SO4 -> ZnSO4 + H2","title":"\\ud800${one(['', '\\u0000'])}"}`,
]
const parts = [
  'batches',
  'entries',
  'photos',
  'chain',
  'lab',
  'own-rows',
  'assays',
  'templates',
  'bench',
  'bench.ics',
  'nowhere',
  'session',
  'demo',
  'tablet',
  'passkey',
  'factor',
  'account',
  'join',
  'look',
  'people',
  'links',
  'devices',
  'keys',
  'revisions',
  'me',
  'openapi.json',
  'ZN-021',
  ...odd.slice(0, 18),
]
const path = () =>
  `/api/${Array.from({ length: 1 + Math.floor(random() * 4) }, () =>
    encodeURIComponent(
      one(parts)
        .slice(0, 200)
        .replaceAll(/[\ud800-\udfff]/g, '?'),
    ),
  ).join('/')}${
    random() < 0.2
      ? `?${encodeURIComponent(one(keys))}=${encodeURIComponent(
          one(odd)
            .slice(0, 50)
            .replaceAll(/[\ud800-\udfff]/g, '?'),
        )}`
      : ''
  }`
const types = [
  'application/json',
  'application/json; charset=latin1',
  'text/plain',
  'image/png',
  'multipart/form-data',
  '',
  'application/xml',
]

const agent = new http.Agent({ keepAlive: true, maxSockets: AT_ONCE })
const found = new Map()
const seen = new Map()
const bad = (what, example) =>
  found.set(what, { times: (found.get(what)?.times ?? 0) + 1, example: found.get(what)?.example ?? example })
const memory = () => (pid ? Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024 : 0)

/** The cookie of somebody who is in: half of the requests carry it. A session that one of them ended is begun anew. */
let cookie = ''
const comeIn = async () => {
  const answer = await fetch(`${address}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{}',
  })
  cookie = (answer.headers.get('set-cookie') ?? '').split(';')[0]
  if (!answer.ok) throw new Error(`nobody comes in: ${answer.status} ${await answer.text()}`)
}
await comeIn()
const mayBegin = /^\/api\/session/

const send = () =>
  new Promise(resolve => {
    const method = one(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS'])
    const to = path()
    if (to.startsWith('/api/live')) return resolve()
    const body = method === 'GET' || method === 'HEAD' ? undefined : one(bodies)()
    const isIn = random() < 0.7 && !mayBegin.test(to)
    const headers = {
      ...(isIn && { cookie }),
      ...(random() < 0.02 && {
        authorization: `Bearer ${one(odd)
          .replaceAll(/[^\x20-\x7e]/g, '?')
          .slice(0, 300)}`,
      }),
      ...(random() < 0.9 && { 'content-type': one(types) }),
      ...(random() < 0.1 && { host: one(['evil.example', '', 'localhost']) }),
      ...(random() < 0.1 && { origin: one(['null', 'http://evil.example', address]) }),
    }
    const request = http.request({ hostname, port, path: to, method, headers, agent, timeout: 20_000 }, answer => {
      const chunks = []
      answer.on('data', chunk => chunks.push(chunk))
      answer.on('error', resolve)
      answer.on('end', () => {
        const text = Buffer.concat(chunks).toString()
        const { statusCode = 0 } = answer
        seen.set(statusCode, (seen.get(statusCode) ?? 0) + 1)
        if (statusCode >= 500) bad(`${statusCode}`, `${method} ${to} ${String(body).slice(0, 200)}`)
        if (statusCode >= 400 && LEAK.test(text)) bad('leak', text.slice(0, 300))
        if (answer.headers['x-powered-by']) bad('powered by', to)
        resolve()
      })
    })
    request.on('timeout', () => {
      bad('no answer', `${method} ${to}`)
      request.destroy()
    })
    request.on('error', resolve)
    request.end(body)
  })

const start = performance.now()
let left = Number(count)
const marks = []
const worker = async () => {
  while (left-- > 0) {
    if (left % 10_000 === 0) marks.push(Math.round(memory()))
    await send()
  }
}
await Promise.all(Array.from({ length: AT_ONCE }, worker))
console.log(
  `${count} requests in ${((performance.now() - start) / 1000).toFixed(1)} s, answers: ${[...seen]
    .toSorted(([a], [b]) => a - b)
    .map(([status, times]) => `${status} ${times}`)
    .join(', ')}`,
)
if (pid) console.log(`memory of the server, MB, at each ten thousand: ${marks.join(' ')}`)
for (const [what, { times, example }] of found) console.log(`BAD ${what}: ${times} times, such as ${example}`)
process.exit(found.size > 0 ? 1 : 0)
