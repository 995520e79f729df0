import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { generate } from 'otplib'
import { may, roles, type Action, type Role } from '../core/people'
import { hasOwner, PASSWORD, Somebody, startOwn, type OwnServer } from './own-server'

/*
 * Every route of the application, found by itself, asked by nobody, by each role, by the member of another lab, by a key of each scope, and by the tablet. A new route
 * that says no rule fails here.
 */
interface Route {
  readonly method: string
  /** With `:code` and the like in it. */
  readonly path: string
  /** A rule of the roles' table, `self` for one's own account, `anyone` for the door. */
  readonly rule: string
}
const METHODS = ['get', 'post', 'put', 'delete']

function findRoutes(): Route[] {
  const files = ['api', 'routes'].flatMap(folder =>
    readdirSync(`server/${folder}`, { recursive: true, encoding: 'utf8' }).map(name => `server/${folder}/${name}`),
  )
  return files
    .filter(file => file.endsWith('.ts'))
    .map(file => {
      const source = readFileSync(file, 'utf8')
      const [, called = '', rule] = /export default (\w+)(?:<[^(]*>)?\(\s*(?:'([\w-]+)')?/.exec(source) ?? []
      const bare = file
        .replace(/^server\/(?:routes)?/, '/')
        .replaceAll('//', '/')
        .replace(/\.ts$/, '')
      const method = METHODS.find(one => bare.endsWith(`.${one}`)) ?? 'get'
      const path = bare
        .replace(new RegExp(`\\.${method}$`), '')
        .replace(/\/index$/, '')
        .replaceAll(/\[(?:\.\.\.)?(\w+)\]/g, ':$1')
      const named = { answer: rule ?? '', answerSelf: 'self', answerAnyone: 'anyone', defineEventHandler: 'none' }[
        called
      ]
      return { method: method.toUpperCase(), path, rule: named || `unknown: ${called}` }
    })
}
const routes = findRoutes()
/** Whether the process and its database are well is told to anyone, without a word of what they hold. */
const OF_THE_PROCESS = ['/healthz', '/readyz', '/metrics']

test('every route says who may ask', () => {
  expect(routes.length).toBeGreaterThan(45)
  for (const { method, path, rule } of routes) {
    if (OF_THE_PROCESS.includes(path)) continue
    expect(
      [
        'self',
        'anyone',
        'calendar',
        'look',
        'plan',
        'record',
        'assay',
        'keep',
        'sign',
        'review',
        'move',
        'settle',
        'key',
        'invite',
        'people',
      ],
      `${method} ${path}`,
    ).toContain(rule)
  }
  // The door itself, and what the installation publishes, by which anybody proves what it signed; nothing else.
  const open = routes.filter(({ rule }) => rule === 'anyone').map(({ path }) => path)
  expect(open.toSorted()).toEqual(
    [
      '/api/:path',
      '/api/anchors',
      '/api/installation',
      '/api/join',
      '/api/join/look',
      '/api/me',
      '/api/openapi.json',
      '/api/schema',
      '/api/session',
      '/api/session',
      '/api/session/demo',
      '/api/session/passkey',
      '/api/session/passkey-begin',
      '/api/session/tablet',
    ].toSorted(),
  )
})

test('what a process counts is told on its machine, and not through a proxy', async ({ request }) => {
  const here = await request.get('/metrics')
  expect(here.status()).toBe(200)
  expect(await here.text()).toMatch(
    /^zip_ledger_request_seconds_count\{route="\/readyz",method="GET",status="2xx"\} \d+$/m,
  )
  expect((await request.get('/metrics', { headers: { 'x-forwarded-for': '192.0.2.7' } })).status()).toBe(404)
})

test('every route that a script can ask for is described, and nothing that is not there', async ({ request }) => {
  const described = (await (await request.get('/api/openapi.json')).json()) as {
    paths: Record<string, object>
    openapi: string
  }
  expect(described.openapi).toBe('3.1.0')
  const told = Object.entries(described.paths).flatMap(([path, methods]) =>
    Object.keys(methods).map(method => `${method.toUpperCase()} ${path.replaceAll(/\{(\w+)\}/g, ':$1')}`),
  )
  const ofTheLab = ['look', 'calendar', 'plan', 'record', 'assay', 'keep', 'settle']
  const there = routes.filter(({ rule }) => ofTheLab.includes(rule)).map(({ method, path }) => `${method} ${path}`)
  expect(told.toSorted()).toEqual(there.toSorted())
})

test.describe('asked by', () => {
  test.skip(!hasOwner, 'bin/test names a database of its own')
  test.describe.configure({ mode: 'serial' })
  let server: OwnServer
  const people = new Map<Role, Somebody>()
  const ids = new Map<Role, string>()
  let stranger: Somebody
  let code = ''
  let mine = { photo: '', revision: 1, key: '', person: '', device: '', ownRow: '', template: '', assay: '' }

  /** Comes in by a link, as somebody new. */
  async function join(link: string, body: object): Promise<Somebody> {
    const one = new Somebody(server.address)
    const { status, data } = await one.ask('POST', '/api/join', { link, password: PASSWORD, ...body })
    expect(status, JSON.stringify(data)).toBe(200)
    return one
  }
  async function addFactor(one: Somebody): Promise<void> {
    const { data } = await one.ask('POST', '/api/account/factor', { password: PASSWORD })
    const { secret } = data as { secret: string }
    const { status } = await one.ask('PUT', '/api/account/factor', { code: await generate({ secret }) })
    expect(status).toBe(200)
  }
  const linkOf = (data: unknown): string => (data as { link: string }).link.split('#')[1]!
  const makeLink = async (by: Somebody, role: Role): Promise<string> =>
    linkOf((await by.ask('POST', '/api/people/links', { role })).data)

  test.beforeAll(async () => {
    test.setTimeout(120_000)
    server = await startOwn({ ZIP_LEDGER_DEMO: '1' })
    const first = await join(server.first, { lab: 'Wet side', name: 'Ash Reed', signName: 'ash' })
    await addFactor(first)
    people.set('administrator', first)
    for (const role of Object.keys(roles) as Role[]) {
      if (role === 'administrator') continue
      const one = await join(await makeLink(first, role), { name: `A ${role}`, signName: role })
      if (role === 'reviewer') await addFactor(one)
      people.set(role, one)
    }
    for (const [role, one] of people)
      ids.set(role, ((await one.ask('GET', '/api/me')).data as { person: string }).person)
    // Another lab on the same installation: its administrator is of no business here.
    const mark = 'b'.repeat(43)
    const hash = createHash('sha256').update(mark).digest('base64url')
    await server.db('links').insert({ hash, kind: 'first', ends_at: new Date(Date.now() + 60_000) })
    stranger = await join(mark, { lab: 'Dry side', name: 'Oak Burn', signName: 'oak' })
    await addFactor(stranger)
    const made = await first.ask('POST', '/api/batches', {
      product: 'ZnSO4.7H2O',
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
    })
    code = (made.data as { code: string }).code
    const key = await first.ask('POST', '/api/keys', { name: 'a balance', scopes: ['read'], days: 3 })
    expect(key.status).toBe(201)
    const [line] = (await first.ask('GET', '/api/keys')).data as { id: string }[]
    const device = await first.ask('POST', '/api/devices', { name: 'Tablet' })
    expect(device.status).toBe(201)
    const [tablet] = ((await first.ask('GET', '/api/people')).data as { devices: { id: string }[] }).devices
    mine = { ...mine, key: line!.id, device: tablet!.id, person: ids.get('viewer')! }
  })
  test.afterAll(() => server?.stop())

  /** The address of something that is there. */
  const addressOf = ({ path }: Route): string =>
    path
      .replace(':code', code)
      .replace(':number', '1')
      .replace(':sha256', 'a'.repeat(64))
      .replace(':path', 'nowhere')
      .replace(
        /(keys|devices|people)\/:id/,
        (_, what: 'keys' | 'devices' | 'people') =>
          `${what}/${what === 'keys' ? mine.key : what === 'devices' ? mine.device : mine.person}`,
      )
      .replace(':id', crypto.randomUUID())
  /** What is refused for what it asks, once it is known that whoever asks may: nothing is changed by the walk. */
  const BODY = { nonsense: true }
  const asked = (one: Somebody, route: Route) =>
    one.ask(route.method, addressOf(route), route.method === 'POST' || route.method === 'PUT' ? BODY : undefined)
  const guarded = routes.filter(({ rule }) => !['anyone', 'none'].includes(rule))
  /** A deletion would not be refused for its shape: it is asked only of what is not there. */
  const isSafe = ({ method, path }: Route): boolean =>
    method !== 'DELETE' ||
    !(path.startsWith('/api/keys') || path.startsWith('/api/devices') || path === '/api/account/sessions')

  test('nobody: 401 from every route but the door’s', async () => {
    const nobody = new Somebody(server.address)
    for (const route of guarded) {
      const { status, data } = await asked(nobody, route)
      expect(status, `${route.method} ${route.path}`).toBe(401)
      expect(JSON.stringify(data)).not.toMatch(new RegExp(`${code}|Wet side|Ash Reed`))
    }
    for (const forged of ['x', 'a'.repeat(43), "' or 1=1 --", '%00']) {
      const one = new Somebody(server.address, {
        cookie: `zip-ledger=${encodeURIComponent(forged)}`,
        authorization: `Bearer zlk_${forged}`,
      })
      expect((await one.ask('GET', '/api/batches')).status).toBe(401)
    }
  })

  for (const role of Object.keys(roles) as Role[])
    test(`a ${role}: what the table lets, and nothing else`, async () => {
      const one = people.get(role)!
      for (const route of guarded.filter(isSafe)) {
        const { status } = await asked(one, route)
        const action = route.rule === 'calendar' ? 'look' : (route.rule as Action)
        const isLet = route.rule === 'self' || may(role, action)
        const told = `${route.method} ${route.path} as ${role}`
        if (isLet) expect([200, 201, 204, 400, 404, 409, 415, 422], told).toContain(status)
        else expect(status, told).toBe(403)
      }
      // The walk itself has changed nothing of who is what.
      expect((await one.ask('GET', '/api/me')).data).toMatchObject({ role, person: ids.get(role) })
    })

  test('a member of another lab: nothing of this one', async () => {
    // Theirs begins with the same code as ours: each reads its own.
    const own = new Set(((await stranger.ask('GET', '/api/batches')).data as { code: string }[]).map(one => one.code))
    expect(own.has(code)).toBe(false)
    for (const route of guarded.filter(({ path, rule }) => /:code|:id/.test(path) && rule !== 'self')) {
      const { status, data } = await asked(stranger, route)
      expect([400, 404, 415], `${route.method} ${route.path}: ${status}`).toContain(status)
      expect(JSON.stringify(data)).not.toMatch(/Wet side|Ash Reed|a balance/)
    }
    for (const route of guarded.filter(
      ({ method, path, rule }) => method === 'GET' && !/:/.test(path) && rule !== 'self',
    )) {
      const { data } = await asked(stranger, route)
      expect(JSON.stringify(data), route.path).not.toMatch(new RegExp(`Wet side|Ash Reed|a balance|"${code}"`))
    }
    const theirs = await stranger.ask('POST', `/api/batches/${code}/entries`, {
      entries: [
        {
          kind: 'note',
          id: crypto.randomUUID(),
          at: new Date().toISOString(),
          by: ids.get('chemist'),
          stage: 's1',
          text: 'x',
        },
      ],
    })
    expect(theirs.status).toBe(404)
    expect((await stranger.ask('PUT', `/api/people/${mine.person}`, { role: 'administrator' })).status).toBe(404)
    expect((await stranger.ask('DELETE', `/api/keys/${mine.key}`)).status).toBe(404)
    expect((await stranger.ask('DELETE', `/api/devices/${mine.device}`)).status).toBe(404)
    expect((await people.get('administrator')!.ask('GET', '/api/keys')).data).toHaveLength(1)
  })

  test('somebody who signs for another, or for nobody', async () => {
    const chemist = people.get('chemist')!
    const entry = (by: string | undefined) => ({
      kind: 'note',
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      by,
      stage: 's1',
      text: 'x',
    })
    const send = (by: string | undefined) =>
      chemist.ask('POST', `/api/batches/${code}/entries`, { entries: [entry(by)] })
    expect((await send(ids.get('chemist'))).status).toBe(201)
    expect((await send(ids.get('student'))).status).toBe(422)
    // The same person written otherwise is the same person, and the chain holds.
    expect((await send(ids.get('chemist')!.toUpperCase())).status).toBe(201)
    expect((await chemist.ask('GET', `/api/batches/${code}/chain`)).data).toEqual({ whole: true })
    expect((await send(undefined)).status).toBe(400)
  })

  test('a key of each scope: what it is made for', async () => {
    const admin = people.get('administrator')!
    const keyFor = async (scope: string): Promise<Somebody & { key: string }> => {
      const { data } = await admin.ask('POST', '/api/keys', { name: scope, scopes: [scope], days: 1 })
      const { key } = data as { key: string }
      return Object.assign(new Somebody(server.address, { authorization: `Bearer ${key}` }), { key })
    }
    const lets: Record<string, readonly string[]> = {
      read: ['look', 'calendar'],
      append: ['record'],
      calendar: ['calendar'],
    }
    for (const scope of ['read', 'append', 'calendar']) {
      const script = await keyFor(scope)
      for (const route of guarded.filter(isSafe)) {
        const { status } = await asked(script, route)
        const told = `${route.method} ${route.path} by a key to ${scope}`
        if (lets[scope]!.includes(route.rule)) expect([200, 400, 404, 415], told).toContain(status)
        else expect([401, 403], told).toContain(status)
      }
    }
    const append = await keyFor('append')
    const by = ids.get('administrator')
    const send = (entry: object) =>
      append.ask('POST', `/api/batches/${code}/entries`, {
        entries: [{ id: crypto.randomUUID(), at: new Date().toISOString(), by, ...entry }],
      })
    const reading = {
      kind: 'reading',
      about: { what: 'pot', stage: 's1' },
      measure: 'temperature',
      value: '41.2 °C',
      typed: false,
    }
    expect((await send(reading)).status).toBe(201)
    expect((await send({ kind: 'note', stage: 's1', text: 'a key writes no notes' })).status).toBe(403)
    // A calendar’s key stands in its address, and opens nothing else.
    const calendar = await keyFor('calendar')
    const nobody = new Somebody(server.address)
    expect((await nobody.ask('GET', `/api/bench.ics?key=${calendar.key}`)).status).toBe(200)
    expect((await nobody.ask('GET', `/api/bench?key=${calendar.key}`)).status).toBe(401)
    expect((await nobody.ask('GET', `/api/bench.ics?key=${append.key}`)).status).toBe(401)
    const lines = (await admin.ask('GET', '/api/keys')).data as { id: string; name: string }[]
    for (const { id } of lines.filter(({ name }) => name !== 'a balance'))
      expect((await admin.ask('DELETE', `/api/keys/${id}`)).status).toBe(204)
    expect((await nobody.ask('GET', `/api/bench.ics?key=${calendar.key}`)).status).toBe(401)
    expect((await append.ask('GET', '/api/bench')).status).toBe(401)
  })

  test('somebody whose role needs a second factor that they have not', async () => {
    const link = await makeLink(people.get('administrator')!, 'reviewer')
    const bare = await join(link, { name: 'No factor', signName: 'bare' })
    for (const route of guarded.filter(({ rule }) => rule !== 'self'))
      expect((await asked(bare, route)).status, route.path).toBe(403)
    expect((await bare.ask('GET', '/api/me')).data).toMatchObject({ needs: 'factor', may: [] })
    await addFactor(bare)
    expect((await bare.ask('GET', '/api/batches')).status).toBe(200)
  })

  test('somebody who was closed, on their next request', async () => {
    const admin = people.get('administrator')!
    const gone = await join(await makeLink(admin, 'chemist'), { name: 'Goes soon', signName: 'goes' })
    const { person } = (await gone.ask('GET', '/api/me')).data as { person: string }
    expect((await gone.ask('GET', '/api/batches')).status).toBe(200)
    expect((await admin.ask('PUT', `/api/people/${person}`, { isClosed: true })).status).toBe(200)
    expect((await gone.ask('GET', '/api/batches')).status).toBe(401)
    expect((await gone.ask('POST', '/api/session', { name: 'goes', password: PASSWORD })).status).toBe(422)
    // What they wrote stays, and the last administrator cannot go.
    expect(
      ((await admin.ask('GET', '/api/lab')).data as { people: { name: string }[] }).people.map(({ name }) => name),
    ).toContain('Goes soon')
    expect((await admin.ask('PUT', `/api/people/${ids.get('administrator')}`, { role: 'viewer' })).status).toBe(409)
    expect((await admin.ask('PUT', `/api/people/${ids.get('administrator')}`, { isClosed: true })).status).toBe(409)
  })
})
