import { expect, test, type Browser, type Page } from '@playwright/test'
import { generate } from 'otplib'
import { SMTPServer } from 'smtp-server'
import { expectAccessible } from './accessible'
import { hasOwner, PASSWORD, Somebody, startOwn, type OwnServer } from './own-server'

/* People come in, are let in and are kept out, on a server without the demo. */
test.skip(!hasOwner, 'bin/test names a database of its own')
test.describe.configure({ mode: 'serial' })
test.use({ storageState: { cookies: [], origins: [] } })

let server: OwnServer
let admin: Somebody
let secret = ''
test.beforeAll(async () => {
  // Addresses of who asks are told by a proxy here, as behind TLS.
  server = await startOwn({ ZIP_LEDGER_PROXY: '127.0.0.1,::1' })
})
test.afterAll(() => server?.stop())

const open = async (browser: Browser): Promise<Page> => {
  const context = await browser.newContext({ baseURL: server.address, storageState: { cookies: [], origins: [] } })
  return context.newPage()
}
const linkFor = async (role: string, name: string): Promise<string> => {
  const { data } = await admin.ask('POST', '/api/people/links', { role, name })
  return (data as { link: string }).link.split('#')[1]!
}
async function joinAs(role: string, name: string, signName: string): Promise<Somebody> {
  const one = new Somebody(server.address)
  const link = await linkFor(role, name)
  expect((await one.ask('POST', '/api/join', { link, name, signName, password: PASSWORD })).status).toBe(200)
  return one
}

test('the first administrator sets up the lab by the link, with the keyboard alone', async ({ browser }) => {
  const page = await open(browser)
  await page.goto('/')
  await expect(page.getByText('No lab is set up here yet.')).toBeVisible()
  await expectAccessible(page)
  await page.goto(`/join#${server.first}`)
  await expect(page.getByRole('heading', { name: 'Set up your lab' })).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('What the lab is called').focus()
  const type = async (text: string): Promise<void> => {
    await page.keyboard.type(text)
    await page.keyboard.press('Tab')
  }
  await type('Wet side')
  await type('Ash Reed')
  await type('ash')
  await type('')
  await page.keyboard.type('short one')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('It has 9 characters; it takes 12.')
  await page.getByLabel('Password').fill('password1234')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('among the passwords that are tried first')
  await page.getByLabel('Password').fill(PASSWORD)
  await page.keyboard.press('Enter')

  await expect(page.getByRole('heading', { name: 'Set up a second factor' })).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Your password once more').fill('not the one that it is')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('The password is wrong.')
  await page.getByLabel('Your password once more').fill(PASSWORD)
  await page.keyboard.press('Enter')
  const text = page.locator('p.select-all')
  secret = ((await text.textContent()) ?? '').replaceAll(/\s/g, '')
  await expectAccessible(page)
  await page.getByLabel('The code that it shows now').fill('000000')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('This code does not fit')
  // The page asks anew who is in, just when the second factor is set and its codes are still on their way: once under the session that ended with that.
  const ways = { isTls: false, hasPasskeys: false, isSetUp: true }
  await page.route('**/api/nothing', route => route.fulfill({ status: 401, json: {} }))
  await page.route('**/api/account/factor', async route => {
    const response = await route.fetch()
    await page.route('**/api/me', one => one.fulfill({ status: 401, json: { ways } }), { times: 1 })
    for (let i = 0; i < 2; i += 1) {
      const isAsked = page.waitForResponse('**/api/me')
      await page.evaluate(() => void $fetch('/api/nothing').catch(() => undefined))
      await isAsked
    }
    await route.fulfill({ response })
  })
  await page.getByLabel('The code that it shows now').fill(await generate({ secret }))
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Recovery codes' }).getByRole('listitem')).toHaveCount(10)
  await page.getByRole('button', { name: 'I have written them down' }).press('Enter')
  await expect(page.getByRole('button', { name: 'You: Ash Reed, Administrator' })).toBeVisible()
  // A link is good once.
  const late = await new Somebody(server.address).ask('POST', '/api/join/look', { link: server.first })
  expect(late.status).toBe(404)
  // Its cookie can be read by no script, and goes to no other place.
  const [cookie] = (await page.context().cookies()).filter(({ name }) => name === 'zip-ledger')
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: '/' })
  expect(await page.evaluate(() => document.cookie)).not.toContain('zip-ledger=')
  admin = new Somebody(server.address, { cookie: `zip-ledger=${cookie!.value}` })
  await page.goto('/people')
  await expect(page.getByRole('row', { name: /Record at the bench/ })).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Invite somebody, called').fill('Fern Sedge')
  await page.getByRole('button', { name: 'Make the link' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Fern Sedge, as chemist' })).toContainText('/join#')
  await page.goto('/account')
  await expect(page.getByRole('heading', { name: 'Passkeys' })).toBeVisible()
  await expectAccessible(page)
  await page.context().close()
})

test('the code of a second factor is asked for, taken once, and a recovery code takes its place once', async ({
  browser,
}) => {
  const page = await open(browser)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expectAccessible(page)
  const field = page.getByLabel('Name or address')
  await expect(field).toBeFocused()
  await field.fill('ash')
  await page.getByLabel('Password', { exact: true }).fill('not the one that it is')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('The name or the password is wrong.')
  await field.fill('nobody of that name')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('The name or the password is wrong.')
  await field.fill('ASH')
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD)
  await page.keyboard.press('Enter')
  const code = page.getByLabel('Code of your second factor, or a recovery code')
  await expect(code).toBeFocused()
  // The one that set it up was taken already, and counts no more.
  const { data } = await admin.ask('POST', '/api/account/codes', { password: PASSWORD })
  const [one, two] = (data as { codes: string[] }).codes
  await code.fill('abcd-efgh-jkmn')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('This code is wrong')
  await code.fill(one!)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'You: Ash Reed, Administrator' })).toBeVisible()
  const again = new Somebody(server.address)
  const come = (given: string) => again.ask('POST', '/api/session', { name: 'ash', password: PASSWORD, code: given })
  expect((await come(one!)).status).toBe(422)
  expect((await come(two!)).status).toBe(200)
  await server.db('accounts').where({ name: 'ash' }).update({ totp_last: 0 })
  const now = await generate({ secret })
  expect((await come(now)).status).toBe(200)
  expect((await come(now)).status).toBe(422)
  await page.context().close()
})

test('a passkey is added and signs in, with no password', async ({ browser }) => {
  const page = await open(browser)
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('WebAuthn.enable')
  await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
  const fern = await joinAs('chemist', 'Fern Sedge', 'fern')
  await page.context().addCookies([{ name: 'zip-ledger', value: fern.cookie('zip-ledger')!, url: server.address }])
  await page.goto('/account')
  await page.getByLabel('Name of a new passkey').fill('Phone')
  await page.getByRole('button', { name: 'Add a passkey' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Phone' })).toBeVisible()
  await page.getByRole('button', { name: 'You: Fern Sedge, Chemist' }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  await page.getByRole('button', { name: 'With a passkey' }).click()
  await expect(page.getByRole('button', { name: 'You: Fern Sedge, Chemist' })).toBeVisible()
  // What was signed is taken once, for this place alone.
  expect((await fern.ask('POST', '/api/session/passkey', { id: 'x', response: { id: 'x' } })).status).toBe(422)
  await page.context().close()
})

test('whoever is let out in the middle finds the page as it was left, and nothing typed is lost', async ({
  browser,
}) => {
  const page = await open(browser)
  const moss = await joinAs('chemist', 'Moss Teal', 'moss')
  await page.context().addCookies([{ name: 'zip-ledger', value: moss.cookie('zip-ledger')!, url: server.address }])
  const { data } = await moss.ask('POST', '/api/batches', {
    product: 'ZnSO4.7H2O',
    equation: 'Zn + H2SO4 -> ZnSO4 + H2',
  })
  const { code } = data as { code: string }
  await page.goto(`/batches/${code}/sheet`)
  const title = page.getByRole('heading', { level: 1 })
  await expect(title).toBeVisible()
  const field = page.getByRole('textbox', { name: /amount|Zn/i }).first()
  await expect(field).toBeVisible()
  // Whatever the page still asks for as it opens is answered before the session ends, however slow the machine is.
  await page.waitForLoadState('networkidle', { timeout: 5000 }).catch(() => {})
  const { person } = (await moss.ask('GET', '/api/me')).data as { person: string }
  await server.db('sessions').where({ person_id: person }).delete()
  await new Promise(resolve => setTimeout(resolve, 3200))
  await field.fill('5 g')
  await field.press('Enter')
  await expect(page.getByText('What you typed or recorded stays on this device')).toBeVisible()
  await page.getByLabel('Name or address').fill('moss')
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD)
  await page.keyboard.press('Enter')
  await expect(title).toBeVisible()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await expect
    .poll(async () =>
      JSON.stringify((await page.request.get(`/api/batches/${code}`).then(answer => answer.json())).document.plan),
    )
    .toContain('5 g')
  // Who saved which plan, and what changed, is there to be looked at, and an earlier one to be brought back.
  await page.getByRole('button', { name: 'Plans as they were saved' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('row', { name: /Moss Teal/ }).first()).toBeVisible()
  await dialog.getByLabel('Every single save').check()
  await dialog.getByRole('radio', { name: 'from 1', exact: true }).check()
  await expect(dialog.getByRole('region', { name: 'What changed' })).toContainText('5 g')
  await expectAccessible(page)
  await dialog.getByRole('radio', { name: 'to 1', exact: true }).check()
  await dialog.getByRole('button', { name: 'Bring 1 back' }).click()
  await expect
    .poll(async () =>
      JSON.stringify((await page.request.get(`/api/batches/${code}`).then(answer => answer.json())).document.plan),
    )
    .not.toContain('5 g')
  await page.context().close()
})

test('what one recorded without the network is sent as theirs, also when another was in meanwhile', async ({
  browser,
}) => {
  const page = await open(browser)
  const [rush, loam] = [await joinAs('chemist', 'Rush Vale', 'rush'), await joinAs('chemist', 'Loam Field', 'loam')]
  const idOf = async (one: Somebody): Promise<string> =>
    ((await one.ask('GET', '/api/me')).data as { person: string }).person
  const rushId = await idOf(rush)
  const { data } = await rush.ask('POST', '/api/batches', {
    product: 'ZnSO4.7H2O',
    equation: 'Zn + H2SO4 -> ZnSO4 + H2',
  })
  const { code } = data as { code: string }
  const be = async (name: string): Promise<void> => {
    await page.getByLabel('Name or address').fill(name)
    await page.getByLabel('Password', { exact: true }).fill(PASSWORD)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /^You: / })).toBeVisible()
  }
  await page.goto('/')
  const stored = (await rush.ask('GET', `/api/batches/${code}`)).data as {
    version: number
    document: { plan: { stages: { reagents: object[] }[] } }
  }
  const [stage] = stored.document.plan.stages
  stage!.reagents[0] = { ...stage!.reagents[0], charge: { mass: '5 g' } }
  expect(
    (await rush.ask('PUT', `/api/batches/${code}`, { version: stored.version, document: stored.document })).status,
  ).toBe(200)
  await be('rush')
  await page.goto(`/batches/${code}/run`)
  await page.route('**/api/batches/*/entries', route =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  )
  await page.getByLabel('In words').fill('recorded in the cellar')
  await page.getByRole('button', { name: 'Seen', exact: true }).click()
  const kept = (): Promise<number> =>
    page.evaluate(() => Object.keys(localStorage).filter(key => /\.entry\./.test(key)).length)
  await expect.poll(kept).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'You: Rush Vale, Chemist' }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  await page.unroute('**/api/batches/*/entries')
  await be('loam')
  await expect(page.getByText('recorded here by Rush Vale')).toBeVisible()
  expect((await loam.ask('GET', `/api/batches/${code}/entries`)).data).toEqual([])
  await page.getByRole('button', { name: 'You: Loam Field, Chemist' }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  await be('rush')
  await expect
    .poll(async () => (await loam.ask('GET', `/api/batches/${code}/entries`)).data)
    .toMatchObject([{ entry: { by: rushId, text: 'recorded in the cellar' } }])
  await page.context().close()
})

test('a worksheet and an own row are kept as they were saved, also when they are taken away', async ({ browser }) => {
  const page = await open(browser)
  const reed = await joinAs('chemist', 'Reed Bank', 'reed')
  await page.context().addCookies([{ name: 'zip-ledger', value: reed.cookie('zip-ledger')!, url: server.address }])
  const sheet = { id: 'w1', kind: 'hydrate', name: 'Water', given: { salt: 'CuSO4' }, rows: [{}] }
  const save = (version: number, worksheet: object) => reed.ask('PUT', '/api/assays', { version, worksheet })
  expect((await save(0, sheet)).status).toBe(200)
  expect((await save(1, { ...sheet, name: 'Water, by heating' })).status).toBe(200)
  const keep = (name: string) =>
    reed.ask('POST', '/api/own-rows', {
      row: { kind: 'substance', body: { formula: 'Rb2SeO4', name, state: 'solid', water: 'soluble' } },
    })
  const kept = await keep('rubidium selenate')
  expect(kept.status, JSON.stringify(kept.data)).toBe(201)
  expect((await keep('selenate of the store')).status).toBe(201)

  await page.goto('/assays')
  await page.getByRole('button', { name: 'As it was saved' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('heading', { name: 'From 1 to 2' })).toBeVisible()
  await expect(dialog.getByRole('region', { name: 'What changed' })).toContainText('Water, by heating')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: /^1 .*Reed Bank/ }).click()
  await dialog.getByRole('button', { name: 'Bring 1 back' }).click()
  const nameNow = async (): Promise<string> =>
    ((await reed.ask('GET', '/api/assays')).data as { worksheet: { name: string } }[])[0]!.worksheet.name
  await expect.poll(nameNow).toBe('Water')

  await page.goto('/tables?q=Rb2SeO4')
  await page.getByRole('button', { name: 'As it was saved' }).click()
  await expect(page.getByRole('region', { name: 'What changed' })).toContainText('selenate of the store')
  await page.keyboard.press('Escape')
  const { id } = kept.data as { id: string }
  expect((await reed.ask('DELETE', '/api/assays/w1')).status).toBe(204)
  const [gone] = (await reed.ask('GET', '/api/revisions?kind=assay&subject=w1')).data as {
    body: unknown
    number: number
  }[]
  expect(gone).toMatchObject({ number: 4, body: null })
  expect((await reed.ask('DELETE', `/api/own-rows/${id}`)).status).toBe(200)
  await page.context().close()
})

test('the bench’s tablet opens by PIN or badge, belongs to who opened it, and locks when it is left', async ({
  browser,
}) => {
  const page = await open(browser)
  const kelp = await joinAs('chemist', 'Kelp Marsh', 'kelp')
  const { person } = (await kelp.ask('GET', '/api/me')).data as { person: string }
  const set = (pin: string) => kelp.ask('PUT', '/api/account/pin', { password: PASSWORD, pin })
  for (const pin of ['1234', '123456', '111111', 'abcdef']) expect((await set(pin)).status, pin).toBe(422)
  expect((await set('804271')).status).toBe(200)
  const badge = (await kelp.ask('POST', '/api/account/badge', { password: PASSWORD })).data as { code: string }
  // A PIN opens nothing but an enrolled device.
  expect(
    (await new Somebody(server.address).ask('POST', '/api/session/tablet', { person, pin: '804271' })).status,
  ).toBe(403)

  const enroller = new Somebody(server.address).withCookies(admin)
  expect((await admin.ask('POST', '/api/devices', { name: 'Tablet at hood 2' })).status).toBe(201)
  void enroller
  await page
    .context()
    .addCookies([{ name: 'zip-ledger-tablet', value: admin.cookie('zip-ledger-tablet')!, url: server.address }])
  await page.clock.install()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Tablet at hood 2' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Kelp Marsh' }).click()
  await page.getByLabel('PIN of Kelp Marsh').fill('804272')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('The PIN is wrong.')
  await page.getByLabel('PIN of Kelp Marsh').fill('804271')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'You: Kelp Marsh, Chemist' })).toBeVisible()
  const asKelp = await page.request.post('/api/own-rows', { data: {} })
  expect(asKelp.status(), 'tables are not kept at the tablet').toBe(403)
  expect((await page.request.get('/api/account')).status()).toBe(403)
  // The next hand opens it once the one before is out: a person takes seconds, a test does not.
  const out = page.waitForResponse(
    answer => answer.url().endsWith('/api/session') && answer.request().method() === 'DELETE',
  )
  await page.clock.fastForward(6 * 60_000)
  await out
  await expect(page.getByRole('heading', { name: 'Tablet at hood 2' })).toBeVisible()
  await page.getByLabel('Badge: scan or type it').fill(badge.code)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'You: Kelp Marsh, Chemist' })).toBeVisible()
  await page.context().close()
})

test('wrong tries are bounded, and nobody is kept out by another’s', async () => {
  const from = (address: string): Somebody => new Somebody(server.address, { 'x-forwarded-for': address })
  const tarn = new Somebody(server.address, { 'x-forwarded-for': '10.0.0.9' })
  const link = await linkFor('chemist', 'Tarn Hollow')
  expect(
    (await tarn.ask('POST', '/api/join', { link, name: 'Tarn Hollow', signName: 'tarn', password: PASSWORD })).status,
  ).toBe(200)
  const attempt = (one: Somebody, password: string) => one.ask('POST', '/api/session', { name: 'tarn', password })
  const attacker = from('10.0.0.66')
  const answers: number[] = []
  for (let i = 0; i < 12; i++) answers.push((await attempt(attacker, `guess number ${i}`)).status)
  expect(answers.slice(0, 10).every(status => status === 422)).toBe(true)
  expect(answers.slice(10)).toEqual([429, 429])
  // Right or wrong makes no difference to who is kept out, and the answer says when to try again.
  const kept = await attempt(attacker, PASSWORD)
  expect(kept.status).toBe(429)
  expect(Number(kept.headers.get('retry-after'))).toBeLessThanOrEqual(900)
  // From where they always are, the owner comes in, also after a hundred guesses from everywhere.
  expect((await attempt(tarn, PASSWORD)).status).toBe(200)
  for (let i = 0; i < 100; i++) await attempt(from(`10.1.${i}.1`), `guess ${i} of many`)
  expect((await attempt(from('10.2.0.1'), PASSWORD)).status).toBe(429)
  expect((await attempt(tarn, PASSWORD)).status).toBe(200)
})

test('a link is mailed where a mail server is named, and handed over where none is or it takes no letter', async () => {
  const letters: string[] = []
  const mail = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo: ({ address }, _, done) => done(address.startsWith('nobody') ? new Error('no such box') : undefined),
    onData(stream, _, done) {
      const parts: Buffer[] = []
      stream.on('data', (part: Buffer) => parts.push(part))
      stream.on('end', () => {
        letters.push(Buffer.concat(parts).toString())
        done()
      })
    },
  })
  await new Promise<void>(resolve => mail.listen(0, '127.0.0.1', resolve))
  const { port } = mail.server.address() as { port: number }
  const own = await startOwn({
    ZIP_LEDGER_SMTP: `smtp://127.0.0.1:${port}`,
    ZIP_LEDGER_MAIL_FROM: 'ledger@lab.example',
  })
  try {
    const first = new Somebody(own.address)
    const given = { link: own.first, lab: 'Mail side', name: 'Ash Reed', signName: 'ash', password: PASSWORD }
    expect((await first.ask('POST', '/api/join', given)).status).toBe(200)
    const offered = (await first.ask('POST', '/api/account/factor', { password: PASSWORD })).data as { secret: string }
    await first.ask('PUT', '/api/account/factor', { code: await generate({ secret: offered.secret }) })
    const invite = (address: string) => first.ask('POST', '/api/people/links', { role: 'viewer', address })
    expect((await invite('fern@lab.example')).data).toEqual({ sent: 'fern@lab.example' })
    const text = letters.join('').replaceAll('=\r\n', '').replaceAll('=3D', '=')
    expect(text).toContain('A link to Mail side')
    const [, link = ''] = /join#([\w-]{43})/.exec(text) ?? []
    expect((await new Somebody(own.address).ask('POST', '/api/join/look', { link })).data).toMatchObject({
      kind: 'invite',
      lab: 'Mail side',
    })
    expect((await invite('nobody@lab.example')).status).toBe(502)
    expect((await invite('a\r\nBcc: all@lab.example')).status).toBe(400)
    expect((await admin.ask('POST', '/api/people/links', { role: 'viewer', address: 'x@lab.example' })).status).toBe(
      409,
    )
  } finally {
    await own.stop()
    await new Promise<void>(resolve => mail.close(() => resolve()))
  }
})

test('behind TLS the cookie is bound to the host; a header of anybody else is not believed', async () => {
  const moss = (headers: Record<string, string>) =>
    new Somebody(server.address, headers).ask('POST', '/api/session', { name: 'moss', password: PASSWORD })
  const secure = await moss({ 'x-forwarded-proto': 'https', 'x-forwarded-for': '10.3.0.1' })
  expect(secure.headers.getSetCookie().join('\n')).toMatch(
    /__Host-zip-ledger=[^;]+;.*HttpOnly;.*Secure;.*SameSite=Strict/,
  )
  const plain = await moss({ 'x-forwarded-for': '10.3.0.2' })
  expect(plain.headers.getSetCookie().join('\n')).not.toMatch(/Secure|__Host-/)
  const own = await startOwn()
  try {
    const one = new Somebody(own.address, { 'x-forwarded-proto': 'https', 'x-forwarded-host': 'evil.example' })
    // Without a named proxy, its headers change nothing: the demo does not open through one either.
    expect((await one.ask('GET', '/api/me')).data).toMatchObject({ ways: { isTls: false } })
    expect((await one.ask('POST', '/api/session/demo', {})).status).toBe(403)
    expect((await new Somebody(own.address).ask('POST', '/api/session/demo', {})).status).toBe(403)
  } finally {
    await own.stop()
  }
})

test('an administrator helps somebody back in, who is out everywhere else', async () => {
  const { data } = await admin.ask('GET', '/api/lab')
  const moss = (data as { people: { id: string; name: string }[] }).people.find(({ name }) => name === 'Moss Teal')!
  const before = new Somebody(server.address)
  expect((await before.ask('POST', '/api/session', { name: 'moss', password: PASSWORD })).status).toBe(200)
  const made = await admin.ask('POST', `/api/people/${moss.id}/link`, {})
  const link = (made.data as { link: string }).link.split('#')[1]!
  const back = new Somebody(server.address)
  expect((await back.ask('POST', '/api/join/look', { link })).data).toMatchObject({ kind: 'recover', signName: 'moss' })
  expect((await back.ask('POST', '/api/join', { link, password: `${PASSWORD} more` })).status).toBe(200)
  expect((await back.ask('GET', '/api/me')).data).toMatchObject({ name: 'Moss Teal', role: 'chemist' })
  await expect.poll(async () => (await before.ask('GET', '/api/me')).status).toBe(401)
  expect((await back.ask('POST', '/api/join', { link, password: PASSWORD })).status).toBe(404)
  expect((await before.ask('POST', '/api/session', { name: 'moss', password: PASSWORD })).status).toBe(422)
  // What happened is there to be read, without a secret in it.
  const desk = JSON.stringify((await admin.ask('GET', '/api/people')).data)
  for (const said of ['made a link', 'came in by a link', 'was refused: wrong password']) expect(desk).toContain(said)
  expect(desk).not.toContain(PASSWORD)
})

test('somebody of two labs goes over from one to the other with one account', async ({ browser }) => {
  const page = await open(browser)
  const other = crypto.randomUUID()
  await server.db('labs').insert({ id: other, name: 'Dry side' })
  const { id } = await server.db('accounts').where({ name: 'fern' }).first('id')
  await server
    .db('people')
    .insert({ id: crypto.randomUUID(), lab_id: other, name: 'Fern Sedge', role: 'viewer', account_id: id })
  // An administrator of one of them cannot open the other by way of a link for her.
  const { data } = await admin.ask('GET', '/api/lab')
  const fern = (data as { people: { id: string; name: string }[] }).people.filter(({ name }) => name === 'Fern Sedge')
  const links = await Promise.all(fern.map(one => admin.ask('POST', `/api/people/${one.id}/link`, {})))
  expect(links.map(({ status }) => status)).toContain(409)
  await page.goto('/')
  await page.getByLabel('Name or address').fill('fern')
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD)
  await page.keyboard.press('Enter')
  // The first by name is the one where they only look.
  await expect(page.getByRole('button', { name: 'You: Fern Sedge, Viewer' })).toBeVisible()
  const get = async (path: string) => (await page.request.get(path)).json()
  expect(await get('/api/batches')).toEqual([])
  expect((await get('/api/me')).may).toEqual(['look'])
  const begun = await page.request.post('/api/batches', {
    data: { product: 'KCl', equation: 'KOH + HCl -> KCl + H2O' },
  })
  expect(begun.status()).toBe(403)
  await page.getByRole('button', { name: 'You: Fern Sedge, Viewer' }).click()
  await page.getByRole('menuitem', { name: 'Go over to Wet side' }).click()
  await expect(page.getByRole('button', { name: 'You: Fern Sedge, Chemist' })).toBeVisible()
  expect((await get('/api/batches')).length).toBeGreaterThan(0)
  expect((await get('/api/me')).labs).toHaveLength(2)
  // What was read in the one lab is kept under its name, apart from the other's.
  const kept = await page.evaluate(() => Object.keys(localStorage).filter(key => key.startsWith('zip-ledger.')))
  expect(
    kept.filter(key => /draft|entry|assay|typed/.test(key)).every(key => /^zip-ledger\.[0-9a-f-]{36}\./.test(key)),
  ).toBe(true)
  await page.context().close()
})
