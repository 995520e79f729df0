import { expect, test, type APIRequestContext } from '@playwright/test'
import { demoLab } from '../demo/lab'

const equation = 'Zn + H2SO4 -> ZnSO4 + H2'
const by = demoLab.people[0].id
const uuid = () => crypto.randomUUID()

async function begin(request: APIRequestContext): Promise<string> {
  const answer = await request.post('/api/batches', { data: { product: 'ZnSO4.7H2O', equation } })
  expect(answer.status()).toBe(201)
  return (await answer.json()).code
}

test('bad requests get a problem document, and never a 500', async ({ request }) => {
  const code = await begin(request)
  const { document } = await (await request.get(`/api/batches/${code}`)).json()
  const put = (data: unknown) => ['PUT', `/api/batches/${code}`, data] as const
  const post = (...entries: unknown[]) => ['POST', `/api/batches/${code}/entries`, { entries }] as const
  const note = { kind: 'note', id: uuid(), at: '2026-05-04T09:00:00Z', by, stage: 's1', text: 'x' }
  const { text: _, ...stepTaken } = { ...note, kind: 'step', step: 'a', what: 'done', words: 'x' }
  const sheet = { id: uuid(), kind: 'hydrate', name: 'x', given: {}, rows: [{}] }
  const reading = {
    kind: 'reading',
    id: uuid(),
    at: '2026-05-04T09:00:00Z',
    by,
    about: { what: 'product', stage: 's1', crop: 1 },
    measure: 'gross',
    value: '5 g',
    typed: true,
  }
  const cases: [number, string, string, unknown][] = [
    [404, 'GET', '/api/nothing', undefined],
    [404, 'GET', '/api/batches/ZZ-999', undefined],
    [404, 'GET', '/api/batches/%00', undefined],
    [404, 'GET', `/api/batches/${'x'.repeat(2000)}`, undefined],
    [405, 'DELETE', `/api/batches/${code}`, undefined],
    [405, 'PUT', '/api/batches', {}],
    [400, 'POST', '/api/batches', '{"product":'],
    [400, 'POST', '/api/batches', {}],
    [400, 'POST', '/api/batches', [1, 2]],
    [400, 'POST', '/api/batches', { product: 'H2O', equation, colour: 'red' }],
    [400, 'POST', '/api/batches', { product: 'H'.repeat(100_000), equation }],
    [400, 'POST', '/api/batches', { product: 'ZnSO4', equation, title: 'a\0b' }],
    [422, 'POST', '/api/batches', { product: 'CuSO4', equation }],
    [422, 'POST', '/api/batches', { product: 'ZnSO4', equation: 'Zn + H2SO4 -> ZnSO4' }],
    [422, 'POST', '/api/batches', { product: '('.repeat(300), equation }],
    [400, ...put({ version: 1 })],
    [400, ...put({ version: 'one', document })],
    [400, ...put({ version: 1, document: { ...document, title: 'a\0b' } })],
    [400, ...put({ version: 1, document: { ...document, title: '\ud800' } })],
    [
      422,
      ...put({
        version: 1,
        document: { ...document, plan: { stages: [{ ...document.plan.stages[0], equation: 'Zn -> Xx' }] } },
      }),
    ],
    [422, ...put({ version: 1, document: { ...document, plan: { stages: [] } } })],
    [409, ...put({ version: 99, document })],
    [413, ...put({ version: 1, document, padding: 'x'.repeat(1_100_000) })],
    [400, ...post()],
    [400, ...post({ ...note, id: 'not-a-uuid' })],
    [400, ...post({ ...note, at: 'yesterday' })],
    [400, ...post({ ...note, at: '0000-01-01T00:00:00Z' })],
    [400, ...post({ ...note, text: '\0' })],
    [422, ...post({ ...note, by: uuid() })],
    [422, ...post({ ...note, stage: 'never' })],
    [422, ...post({ ...reading, value: '-5 g' })],
    [422, ...post({ ...reading, value: '5 mL' })],
    [400, ...post({ ...stepTaken, what: 'danced' })],
    [400, ...post({ ...note, kind: 'step', step: 'a', what: 'done', words: 'x' })],
    [422, ...post({ ...stepTaken, what: 'skipped' })],
    [400, ...post({ ...stepTaken, kind: 'timer', timer: 'no-uuid', what: 'start', name: 'x' })],
    [400, ...post({ ...stepTaken, kind: 'shift', to: 'tomorrow' })],
    [400, ...post({ ...stepTaken, kind: 'photo', photo: '../../etc', type: 'image/png', text: 'x' })],
    [400, ...post({ ...stepTaken, kind: 'test', added: 'HCl', result: 'boom' })],
    [400, 'GET', `/api/batches/${code}/entries?after=x`, undefined],
    [400, 'GET', `/api/batches/${code}/entries?after=-1`, undefined],
    [404, 'GET', '/api/batches/ZZ-999/chain', undefined],
    [400, 'GET', '/api/bench?from=x', undefined],
    [404, 'GET', `/api/batches/${code}/photos/${'0'.repeat(64)}`, undefined],
    [404, 'GET', `/api/batches/${code}/photos/x`, undefined],
    [415, 'POST', `/api/batches/${code}/photos`, 'not a picture'],
    [413, 'POST', `/api/batches/${code}/photos`, 'x'.repeat(6_100_000)],
    [400, 'PUT', '/api/lab', { hours: { from: 9, to: 8, days: [1] }, have: {} }],
    [400, 'PUT', '/api/lab', { hours: { from: 9, to: 18, days: [9] }, have: {} }],
    [400, 'PUT', '/api/lab', { hours: { from: 9, to: 18, days: [1] }, have: { unicorn: 1 } }],
    [400, 'POST', '/api/templates', { template: { name: 'x', steps: [] } }],
    [400, 'POST', '/api/templates', { template: { name: 'x', steps: [{ id: 'a', do: 'fly', words: 'x' }] } }],
    [
      400,
      'POST',
      '/api/templates',
      { template: { name: 'x', steps: [{ id: 'a', do: 'wash', words: 'x' }] }, by: uuid() },
    ],
    [404, 'DELETE', `/api/templates/${uuid()}`, undefined],
    [404, 'DELETE', '/api/templates/x', undefined],
    [400, 'PUT', '/api/assays', { version: 0, worksheet: { ...sheet, kind: 'magic' } }],
    [400, 'PUT', '/api/assays', { version: -1, worksheet: sheet }],
    [400, 'PUT', '/api/assays', { version: 0, worksheet: { ...sheet, given: { analyte: '\0' } } }],
    [400, 'PUT', '/api/assays', { version: 0, worksheet: { ...sheet, curve: { x: '', y: '', points: [[1, 2]] } } }],
    [400, 'PUT', '/api/assays', { version: 0, worksheet: sheet, by: uuid() }],
    [409, 'PUT', '/api/assays', { version: 7, worksheet: sheet }],
    [404, 'DELETE', '/api/assays/none', undefined],
    [404, 'DELETE', '/api/assays/%00', undefined],
    [400, ...put({ version: 1, document: { ...document, procedures: [{ stage: 's1', steps: [{ id: 'a' }] }] } })],
    [
      400,
      ...put({
        version: 1,
        document: { ...document, assays: [{ id: 'a', kind: 'magic', name: '', given: {}, rows: [] }] },
      }),
    ],
    [422, ...post({ kind: 'correction', id: uuid(), at: note.at, by, corrects: uuid(), why: 'x' })],
  ]
  for (const [status, method, url, data] of cases) {
    const answer = await request.fetch(url, {
      method,
      ...(data === undefined ? {} : { data, headers: { 'content-type': 'application/json' } }),
    })
    const told = `${method} ${url.slice(0, 60)} ${JSON.stringify(data)?.slice(0, 120)}`
    expect(answer.status(), told).toBe(status)
    expect(answer.headers()['content-type'], told).toBe('application/problem+json')
    expect(await answer.json(), told).toMatchObject({
      type: 'about:blank',
      status,
      title: expect.any(String),
      detail: expect.any(String),
    })
  }
  expect((await request.get(`/api/batches/${code}/entries`)).ok()).toBe(true)
})

test('an entry sent twice is kept once, and one of another batch is refused', async ({ request }) => {
  const [here, there] = [await begin(request), await begin(request)]
  const entry = { kind: 'note', id: uuid(), at: '2026-05-04T09:00:00Z', by, stage: 's1', text: 'once' }
  for (let i = 0; i < 3; i++)
    expect((await request.post(`/api/batches/${here}/entries`, { data: { entries: [entry] } })).status()).toBe(201)
  expect(await (await request.get(`/api/batches/${here}/entries`)).json()).toHaveLength(1)
  expect((await request.post(`/api/batches/${there}/entries`, { data: { entries: [entry] } })).status()).toBe(409)
})

test('only this application’s own pages, under its own name, reach what the lab keeps', async ({
  request,
  baseURL,
}) => {
  const code = await begin(request)
  const note = { kind: 'note', id: uuid(), at: '2026-05-04T09:00:00Z', by, stage: 's1', text: 'x' }
  const send = (headers: Record<string, string>) =>
    request.post(`/api/batches/${code}/entries`, {
      data: JSON.stringify({ entries: [note] }),
      headers: { 'content-type': 'application/json', ...headers },
    })
  expect((await send({ origin: 'http://elsewhere.example' })).status()).toBe(403)
  expect((await send({ 'sec-fetch-site': 'cross-site' })).status()).toBe(403)
  expect((await send({ 'content-type': 'text/plain' })).status()).toBe(415)
  expect((await request.get('/api/batches', { headers: { host: 'rebound.example' } })).status()).toBe(403)
  expect(await (await request.get(`/api/batches/${code}/entries`)).json()).toEqual([])
  expect((await send({ origin: new URL(baseURL!).origin, 'sec-fetch-site': 'same-origin' })).status()).toBe(201)
})

test('an id in capitals is the same id, and with other words it is refused', async ({ request }) => {
  const code = await begin(request)
  const note = { kind: 'note', id: uuid(), at: '2026-05-04T09:00:00Z', by, stage: 's1', text: 'x' }
  const send = (entry: object) => request.post(`/api/batches/${code}/entries`, { data: { entries: [entry] } })
  expect((await send({ ...note, id: note.id.toUpperCase() })).status()).toBe(201)
  expect((await send(note)).status()).toBe(201)
  expect((await send({ ...note, text: 'something else' })).status()).toBe(409)
  expect(await (await request.get(`/api/batches/${code}/entries`)).json()).toHaveLength(1)
})

test('a body that is too long is refused while it streams', async ({ request }) => {
  const code = await begin(request)
  const long = await request
    .post(`/api/batches/${code}/photos`, { data: Buffer.alloc(60_000_000), headers: { 'content-type': 'image/png' } })
    .then(
      answer => answer.status(),
      () => 'cut',
    )
  expect([413, 'cut']).toContain(long)
  // A connection that was cut may be taken up once more by the client; the server itself stands.
  const answers = (): Promise<boolean> =>
    request.get(`/api/batches/${code}`).then(
      answer => answer.ok(),
      () => false,
    )
  await expect.poll(answers).toBe(true)
})

test('every answer is walled in: policies on the page, its files and the data, and no word of what serves it', async ({
  request,
}) => {
  const shell = await request.get('/')
  const script = /<script[^>]*src="(\/_nuxt\/[^"]+)"/.exec(await shell.text())![1]!
  for (const path of ['/', script, '/api/lab', '/api/batches/XX-999', '/healthz']) {
    const headers = (await request.get(path)).headers()
    expect(headers, path).toMatchObject({
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'DENY',
      'referrer-policy': 'no-referrer',
      'permissions-policy': expect.stringContaining('camera=(self), serial=(self)'),
    })
    expect(headers['x-powered-by'], path).toBeUndefined()
  }
  const policy = shell.headers()['content-security-policy']!
  expect(policy).toContain("default-src 'none'")
  expect(policy).toContain("frame-ancestors 'none'")
  expect(policy).toMatch(/script-src 'self' 'sha256-[A-Za-z0-9+/=]{44}'/)
  expect(policy).not.toMatch(/script-src[^;]*unsafe/)
})

test('an entry that shows a picture needs the picture, and a picture is drawn anew', async ({ request }) => {
  const product = 'ZnSO4.7H2O'
  const equation = 'Zn + H2SO4 -> ZnSO4 + H2'
  const { code } = await (await request.post('/api/batches', { data: { product, equation } })).json()
  const { people } = await (await request.get('/api/lab')).json()
  const shows = (photo: string) => ({
    kind: 'photo',
    id: crypto.randomUUID(),
    at: '2026-05-04T09:00:00Z',
    by: people[0].id,
    stage: 's1',
    photo,
    type: 'image/png',
    text: 'the dish',
  })
  const send = (photo: string) => request.post(`/api/batches/${code}/entries`, { data: { entries: [shows(photo)] } })
  const without = await send('f'.repeat(64))
  expect(without.status()).toBe(422)
  expect(await without.json()).toMatchObject({ problems: [{ code: 'journal.no-picture', at: 'entries.0.photo' }] })
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  const stuffed = Buffer.concat([png, Buffer.from('what lies behind')])
  const sent = await request.post(`/api/batches/${code}/photos`, {
    headers: { 'content-type': 'image/png' },
    data: stuffed,
  })
  expect(sent.status()).toBe(201)
  const { photo } = await sent.json()
  expect((await send(photo)).status()).toBe(201)
  const kept = await (await request.get(`/api/batches/${code}/photos/${photo}`)).body()
  expect(kept.includes('what lies behind')).toBe(false)
})

test('it says whether it is up and ready, and names each request', async ({ request }) => {
  expect(await (await request.get('/healthz')).json()).toEqual({ is: 'up' })
  expect(await (await request.get('/readyz')).json()).toEqual({ is: 'ready' })
  const [one, other] = await Promise.all([request.get('/api/lab'), request.get('/api/lab')])
  expect(one.headers()['x-request-id']).toMatch(/^[0-9a-f-]{36}$/)
  expect(one.headers()['x-request-id']).not.toBe(other.headers()['x-request-id'])
})

test('what the database refuses is told without a word of SQL', async ({ request }) => {
  const product = 'ZnSO4.7H2O'
  const equation = 'Zn + H2SO4 -> ZnSO4 + H2'
  const { code } = await (await request.post('/api/batches', { data: { product, equation } })).json()
  const { document } = await (await request.get(`/api/batches/${code}`)).json()
  const answers = await Promise.all([
    request.post('/api/batches', {
      headers: { 'content-type': 'application/json' },
      data: `{"product":"${product}","equation":"${equation}","title":"G \\ud800"}`,
    }),
    request.put(`/api/batches/${code}`, { data: { version: 9007199254740991, document } }),
    request.post(`/api/batches/${code}/entries`, {
      data: {
        entries: [
          {
            kind: 'note',
            id: crypto.randomUUID(),
            at: '2026-05-04T09:00:00+23:59',
            by: crypto.randomUUID(),
            stage: 's1',
            text: 'x',
          },
        ],
      },
    }),
  ])
  for (const answer of answers) {
    expect(answer.status(), await answer.text()).toBeGreaterThanOrEqual(400)
    expect(answer.status()).toBeLessThan(500)
    expect(await answer.text()).not.toMatch(/select |insert |update | from |\$\d|jsonb|numeric|relation /i)
  }
})
