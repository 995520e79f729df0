import { execFile } from 'node:child_process'
import { generateKeyPairSync } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { promisify } from 'node:util'
import { expect, test, type Page } from '@playwright/test'
import { generate } from 'otplib'
import { answerStamp, makeStandIn, type StandInAuthority } from '../server/stand-ins/time-stamp'
import { expectAccessible } from './accessible'
import { hasOwner, PASSWORD, Somebody, startOwn, type OwnServer } from './own-server'

const run = promisify(execFile)

test.describe('the record of a demo batch', () => {
  test('reads as a page, is chosen, said in one’s own words, printed, taken out', async ({ page, request }) => {
    // What was asked for comes while somebody types: their words stay.
    const isWhole = (url: URL): boolean => url.pathname.endsWith('/MO-002/record') && url.search === ''
    await page.route(isWhole, async route => {
      await new Promise(resolve => setTimeout(resolve, 1500))
      await route.continue()
    })
    await page.goto('/batches/MO-002/record')
    const paper = page.getByRole('article', { name: 'Record of MO-002' })
    await expect(paper.getByRole('heading', { name: 'What was done' })).toBeVisible()
    await expect(paper).toContainText('What it is for is not said.')
    await page.getByLabel('What it is for').fill('Molybdate for the nitrogen fixers.')
    await expect(page.getByText('Working out what would explain the yield.')).toBeHidden()
    await page.unroute(isWhole)
    await page.getByLabel('What it is for').blur()
    await expect(paper.getByText('Molybdate for the nitrogen fixers.')).toBeVisible()
    await expect(paper.getByRole('heading', { name: 'The journal, entry by entry' })).toHaveCount(0)
    await page.getByRole('button', { name: 'Long', exact: true }).click()
    await expect(paper.getByRole('heading', { name: 'The journal, entry by entry' })).toBeVisible()
    await page.getByRole('checkbox', { name: 'Where every mole went' }).uncheck()
    await expect(paper.getByRole('heading', { name: 'Where every mole went' })).toHaveCount(0)
    await expectAccessible(page)
    for (const [path, type] of [
      ['pdf?zone=Europe/Berlin', 'application/pdf'],
      ['bench-sheet', 'application/pdf'],
      ['label', 'application/pdf'],
      ['out', 'application/zip'],
      ['file?path=batch.json', 'application/json'],
      ['file?path=journal.csv', 'text/csv'],
    ] as const) {
      const answer = await request.get(`/api/batches/MO-002/record/${path}`)
      expect(answer.status(), path).toBe(200)
      expect(answer.headers()['content-type'], path).toContain(type)
      expect((await answer.body()).length, path).toBeGreaterThan(200)
    }
    expect((await request.get('/api/batches/MO-002/record/file?path=../../etc/passwd')).status()).toBe(404)
    expect((await request.get('/api/batches/CU-009/record/label')).status()).toBe(404)
    // Back to what the others find.
    await page.getByRole('button', { name: 'Short', exact: true }).click()
    await expect(page.getByRole('article').getByRole('heading', { name: 'The journal, entry by entry' })).toHaveCount(0)
  })

  test('opened by its address, has the browser ask at once for what will stand on it, and once', async ({
    page,
    request,
    browser,
  }) => {
    const askedFor = (html: string): string[] =>
      [...html.matchAll(/<link rel="(?:preload|modulepreload)"[^>]* href="([^"]+)"/g)].map(([, href = '']) => href)
    const ahead = askedFor(await (await request.get('/batches/MO-002/record')).text())
    expect(ahead).toContain('/api/batches/MO-002/record?quick=1')
    const [file] = ahead.filter(href => /\/record\.[^/]*\.css$/.test(href))
    expect((await request.get(file!)).status()).toBe(200)
    const sheet = askedFor(await (await request.get('/batches/MO-002/sheet')).text())
    expect(sheet.some(href => href.startsWith('/api/'))).toBe(false)
    expect(ahead.length).toBeGreaterThan(sheet.length + 2)
    // Nobody is in: nothing is asked for that would be refused.
    const stranger = await browser.newContext({ storageState: { cookies: [], origins: [] } })
    const html = await (await stranger.request.get('/batches/MO-002/record')).text()
    expect(askedFor(html).some(href => href.startsWith('/api/'))).toBe(false)
    await stranger.close()

    const quick: string[] = []
    const begun: number[] = []
    page.on('request', one => {
      if (one.url().endsWith('/record?quick=1')) quick.push(one.url())
      if (one.url().endsWith('/api/lab')) begun.push(quick.length)
    })
    await page.goto('/batches/MO-002/record')
    await expect(page.getByRole('article', { name: 'Record of MO-002' })).toBeVisible()
    expect(quick).toHaveLength(1)
    // It was under way before the app asked for anything.
    expect(begun[0]).toBe(1)
  })

  test('is begun once more, as planned or as done, and set beside another', async ({ page }) => {
    await page.goto('/batches/ZN-020/record')
    await page.getByRole('button', { name: 'A batch as this was done' }).click()
    await expect(page).toHaveURL(/\/batches\/ZN-\d{3}\/sheet/)
    await expect(page.getByLabel('Title')).toHaveValue('Zinc sulfate, the batch before')
    await page.goto('/batches/compare?a=ZN-020')
    await page.getByLabel('beside').selectOption('ZN-021')
    await expect(page.getByRole('row', { name: /, taken 9\.14\sg 9\.16\sg/ })).toBeVisible()
    await expectAccessible(page)
  })

  test('goes out and comes in again: the same is left alone, a copy stands beside it, what is faulty is named', async ({
    page,
    request,
  }) => {
    const archive = await (await request.get('/api/batches/SR-001/record/out')).body()
    await page.goto('/batches/bring')
    const field = page.getByLabel('Archive or JSON file')
    await field.setInputFiles({ name: 'SR-001.zip', mimeType: 'application/zip', buffer: archive })
    await expect(page.getByRole('row', { name: /SR-001.*here already, the very same/ })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Bring in what is not here' })).toBeDisabled()
    await page.getByRole('button', { name: 'Bring all in as copies' }).click()
    await expect(page.getByText(/Brought in:\s*SR-\d{3}/)).toBeVisible()
    const whole = JSON.parse(
      (await (await request.get('/api/batches/SR-001/record/file?path=batch.json')).body()).toString(),
    )
    whole.journal[2].entry.by = '00000000-0000-4000-8000-00000000dead'
    await field.setInputFiles({
      name: 'bad.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(whole)),
    })
    await expect(page.getByRole('alert')).toContainText('journal.2.entry.by')
    await expect(page.getByRole('alert')).toContainText('nothing of it was taken')
    await field.setInputFiles({
      name: 'half.zip',
      mimeType: 'application/zip',
      buffer: archive.subarray(0, archive.length - 300),
    })
    await expect(page.getByRole('alert')).toContainText('no whole ZIP archive')
    await expectAccessible(page)
    const tables = {
      format: 'zip-ledger/lab-file',
      version: 1,
      rows: [
        {
          kind: 'substance',
          body: { formula: 'Zr(SO4)2', name: 'zirconium sulfate', state: 'solid', water: 'soluble' },
        },
      ],
      templates: [],
      worksheets: [],
    }
    await field.setInputFiles({
      name: 'lab-tables.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(tables)),
    })
    await expect(page.getByRole('row', { name: /Own row.*not here yet/ })).toBeVisible()
    await page.getByRole('button', { name: 'Bring in what is not here' }).click()
    await expect(page.getByRole('status').filter({ hasText: 'Brought in' })).toContainText('substance')
    await page.getByRole('link', { name: 'Take everything out' }).click()
    await expect(page.getByText(/All \d+ batches are out/)).toBeVisible({ timeout: 60_000 })
  })

  test('a plan takes its amounts from a table, and says of each cell what is wrong', async ({ page }) => {
    await page.goto('/batches/new')
    await page.getByRole('button', { name: /Type the equation instead/ }).click()
    await page.getByLabel('Product, in the form you will isolate').fill('BaCO3')
    await page.getByLabel('Equation').fill('BaCl2 + K2CO3 -> BaCO3 + KCl')
    await page.getByText('Amounts from a table').click()
    const table = page.getByLabel(/Reagent, amount, strength/)
    await table.fill('BaCl2·2H2O\t12.21 g\nK2CO3\ta spoon\t99 %')
    await page.getByRole('button', { name: 'Begin the batch' }).click()
    await expect(page.getByText('Line 2, column 2: “a spoon” is no amount.')).toBeVisible()
    await table.fill('BaCl2·2H2O\t12.21 g\nK2CO3\t5 %\t99 %')
    await page.getByRole('button', { name: 'Begin the batch' }).click()
    await expect(page).toHaveURL(/\/batches\/BA-\d{3}\/sheet/)
    await expect(page.getByText('9.864 g').first()).toBeVisible()
  })
})

test.describe('signed, reviewed, sealed', () => {
  test.skip(!hasOwner, 'bin/test names a database of its own')
  test.describe.configure({ mode: 'serial' })
  test.use({ storageState: { cookies: [], origins: [] } })
  let server: OwnServer
  let admin: Somebody
  let reviewer: Somebody
  let author: Somebody
  let page: Page
  let code = ''
  const folder = mkdtempSync(join(tmpdir(), 'zip-ledger-e2e-'))

  async function joinAs(role: string, name: string, signName: string): Promise<Somebody> {
    const { data } = await admin.ask('POST', '/api/people/links', { role, name })
    const link = (data as { link: string }).link.split('#')[1]!
    const one = new Somebody(server.address)
    expect((await one.ask('POST', '/api/join', { link, name, signName, password: PASSWORD })).status).toBe(200)
    return one
  }
  async function addFactor(one: Somebody): Promise<void> {
    const { data } = await one.ask('POST', '/api/account/factor', { password: PASSWORD })
    const { secret } = data as { secret: string }
    expect((await one.ask('PUT', '/api/account/factor', { code: await generate({ secret }) })).status).toBe(200)
  }
  const proof = { by: 'password', password: PASSWORD }
  /** An authority for time stamps, which is away at first. */
  let authority: StandInAuthority
  let isAway = true
  const clock = createServer((asked, answer) => {
    if (isAway) return void answer.writeHead(503).end()
    void buffer(asked).then(async query =>
      answer
        .writeHead(200, { 'content-type': 'application/timestamp-reply' })
        .end(await answerStamp(authority, query, new Date())),
    )
  })

  test.beforeAll(async ({ browser }) => {
    test.setTimeout(120_000)
    authority = await makeStandIn(new Date())
    await new Promise<void>(resolve => clock.listen(0, '127.0.0.1', resolve))
    const { port } = clock.address() as AddressInfo
    server = await startOwn({ ZIP_LEDGER_TIME_STAMP: `http://127.0.0.1:${port}/` })
    admin = new Somebody(server.address)
    const joined = await admin.ask('POST', '/api/join', {
      link: server.first,
      lab: 'Wet side',
      name: 'Ash Reed',
      signName: 'ash',
      password: PASSWORD,
    })
    expect(joined.status, JSON.stringify(joined.data)).toBe(200)
    await addFactor(admin)
    author = await joinAs('chemist', 'Moss Teal', 'moss')
    reviewer = await joinAs('reviewer', 'Fern Sedge', 'fern')
    await addFactor(reviewer)
    const { data } = await author.ask('POST', '/api/batches', {
      product: 'BaCO3',
      equation: 'BaCl2 + K2CO3 -> BaCO3 + KCl',
      table: 'BaCl2·2H2O,12.21 g\nK2CO3,7.30 g',
    })
    ;({ code } = data as { code: string })
    const me = (await author.ask('GET', '/api/me')).data as { person: string }
    const base = { by: me.person, at: new Date().toISOString() }
    const reading = (about: object, value: string) => ({
      ...base,
      id: crypto.randomUUID(),
      kind: 'reading',
      about,
      measure: 'net',
      value,
      typed: true,
    })
    const entries = [
      reading({ what: 'charge', stage: 's1', species: 'BaCl2' }, '12.21 g'),
      reading({ what: 'charge', stage: 's1', species: 'K2CO3' }, '7.30 g'),
      reading({ what: 'product', stage: 's1', crop: 1 }, '9.61 g'),
    ]
    expect((await author.ask('POST', `/api/batches/${code}/entries`, { entries })).status).toBe(201)
    const context = await browser.newContext({ baseURL: server.address, storageState: { cookies: [], origins: [] } })
    await context.addCookies([{ name: 'zip-ledger', value: author.cookie('zip-ledger')!, url: server.address }])
    page = await context.newPage()
  })
  test.afterAll(async () => {
    rmSync(folder, { recursive: true })
    await page?.context().close()
    await server?.stop()
    clock.close()
  })

  test('its author signs with the password, and not with another', async () => {
    await page.goto(`/batches/${code}/record`)
    await expect(page.getByText('waits for its author’s signature')).toBeVisible()
    await page.getByRole('button', { name: 'Sign as author' }).click()
    const dialog = page.getByRole('dialog')
    await expect(dialog).toContainText('I did this work, or saw it done')
    await dialog.getByLabel('Your password, once more').fill('not the right words at all')
    await dialog.getByRole('button', { name: 'Sign as author' }).click()
    await expect(dialog.getByRole('alert')).toContainText('The password is wrong.')
    await expectAccessible(page)
    await dialog.getByLabel('Your password, once more').fill(PASSWORD)
    await dialog.getByRole('button', { name: 'Sign as author' }).click()
    await expect(page.getByText('waits for a countersignature')).toBeVisible()
    const signatures = page.getByRole('region', { name: 'Signatures' })
    await expect(signatures).toContainText('Signed as author by Moss Teal')
    await signatures.getByRole('button', { name: 'No time stamp yet: ask for it' }).click()
    await expect(page.getByRole('alert')).toContainText('The authority answered 503.')
    isAway = false
    await signatures.getByRole('button', { name: 'No time stamp yet: ask for it' }).click()
    await expect(signatures).toContainText('by Stand-in for a time-stamp authority')
    await expect(page.getByRole('alert')).toBeHidden()
  })

  test('a change after it voids it; a reviewer sends it back, and neither of them countersigns in the wrong place', async () => {
    await page.getByLabel('What it is for').fill('For the test of barium.')
    await page.getByLabel('What it is for').blur()
    await expect(page.getByText('changed since it was signed')).toBeVisible()
    const path = `/api/batches/${code}/record`
    expect((await reviewer.ask('POST', `${path}/review`, { kind: 'countersigned', proof })).status).toBe(409)
    expect((await author.ask('POST', `${path}/review`, { kind: 'countersigned', proof })).status).toBe(403)
    expect((await author.ask('POST', `${path}/sign`, { kind: 'signed', proof })).status).toBe(201)
    const { data } = await reviewer.ask('GET', path)
    const place = (data as { page: { sections: { id: string; blocks: { id: string }[] }[] } }).page.sections.find(
      ({ id }) => id === 'materials',
    )!.blocks[0]!.id
    expect(
      (await reviewer.ask('POST', `${path}/review`, { kind: 'remark', text: 'Which bottle?', place })).status,
    ).toBe(201)
    expect(
      (await reviewer.ask('POST', `${path}/review`, { kind: 'returned', text: 'Name the bottle.', proof })).status,
    ).toBe(201)
    await page.reload()
    await expect(page.getByText('Fern Sedge: Which bottle?')).toBeVisible()
    await expect(page.getByText('sent back to its author')).toBeVisible()
    // Who countersigns is no matter of those who sign.
    expect((await author.ask('PUT', '/api/lab', { review: 'none' })).status).toBe(403)
    expect((await author.ask('POST', `${path}/sign`, { kind: 'sealed', proof })).status).toBe(409)
    expect((await author.ask('POST', `${path}/sign`, { kind: 'signed', proof })).status).toBe(201)
    expect(
      (
        await reviewer.ask('POST', `${path}/review`, {
          kind: 'countersigned',
          proof: { by: 'password', password: 'wrong words entirely here' },
        })
      ).status,
    ).toBe(422)
    expect((await reviewer.ask('POST', `${path}/review`, { kind: 'countersigned', proof })).status).toBe(201)
  })

  test('the seal closes it: nothing is recorded, corrected or planned any more, whoever asks', async () => {
    await page.reload()
    await page.getByRole('button', { name: 'Seal' }).click()
    const dialog = page.getByRole('dialog')
    await expect(dialog).toContainText('It cannot be taken back.')
    await dialog.getByLabel('Your password, once more').fill(PASSWORD)
    await dialog.getByRole('button', { name: 'Seal' }).click()
    await expect(page.getByRole('region', { name: 'Signatures' })).toContainText('Sealed by Moss Teal')
    const me = (await author.ask('GET', '/api/me')).data as { person: string }
    const late = {
      id: crypto.randomUUID(),
      kind: 'note',
      stage: 's1',
      text: 'late',
      by: me.person,
      at: new Date().toISOString(),
    }
    expect((await author.ask('POST', `/api/batches/${code}/entries`, { entries: [late] })).data).toMatchObject({
      problems: [{ code: 'append.sealed' }],
    })
    const stored = (await author.ask('GET', `/api/batches/${code}`)).data as { version: number; document: object }
    expect(
      (
        await author.ask('PUT', `/api/batches/${code}`, {
          version: stored.version,
          document: { ...stored.document, title: 'another' },
        })
      ).status,
    ).toBe(403)
    // Not by whoever has the database’s own password either, short of switching its triggers off.
    await expect(server.db('batches').where({ code }).update({ last_seq: 1 })).rejects.toThrow(/sealed/)
    await expect(server.db('acts').delete()).rejects.toThrow()
    await page.goto(`/batches/${code}/sheet`)
    await page.getByRole('textbox').first().fill('13 g')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Not kept: this batch is sealed')).toBeVisible()
    const path = `/api/batches/${code}/record`
    expect(
      (await author.ask('POST', `${path}/sign`, { kind: 'addendum', text: 'The bottle was B-7.', proof })).status,
    ).toBe(201)
    expect((await author.ask('POST', `${path}/review`, { kind: 'addendum-countersigned', of: 7, proof })).status).toBe(
      403,
    )
    const { data } = await reviewer.ask('GET', path)
    const addendum = (data as { acts: { number: number; kind: string }[] }).acts.find(
      ({ kind }) => kind === 'addendum',
    )!
    expect(
      (await reviewer.ask('POST', `${path}/review`, { kind: 'addendum-countersigned', of: addendum.number, proof }))
        .status,
    ).toBe(201)
  })

  test('is proven offline by the key that the installation publishes, and by no other', async ({ request }) => {
    const nobody = new Somebody(server.address)
    const { keys } = (await nobody.ask('GET', '/api/installation')).data as { keys: { publicKey: string }[] }
    const key = join(folder, 'key.pem')
    writeFileSync(key, keys[0]!.publicKey)
    const answer = await request.get(`${server.address}/api/batches/${code}/record/out`, {
      headers: { cookie: `zip-ledger=${author.cookie('zip-ledger')}` },
    })
    const file = join(folder, 'record.zip')
    writeFileSync(file, await answer.body())
    const { stdout: said } = await run('bin/check-record', [file, '--key', key])
    expect(said).toContain(`${code} of Wet side`)
    expect(said).toMatch(
      /signed as author by Moss Teal[^]*countersigned by Fern Sedge[^]*sealed by Moss Teal[^]*addendum by Moss Teal/,
    )
    const vouched = join(folder, 'authority.pem')
    writeFileSync(vouched, authority.certificate)
    const stamps = (await run('bin/check-record', [file, '--key', key, '--authority', vouched])).stdout
    const named = stamps.match(/^(signed|countersigned|sealed|addendum) /gm)?.length
    expect(stamps.match(/^act \d stamped .*: vouched for$/gm)).toHaveLength(named ?? 0)
    const other = join(folder, 'other.pem')
    writeFileSync(other, generateKeyPairSync('ed25519').publicKey.export({ type: 'spki', format: 'pem' }))
    await expect(run('bin/check-record', [file, '--key', other])).rejects.toMatchObject({
      code: 1,
      stdout: expect.stringContaining('which is not the one that was given') as string,
    })
    const bytes = readFileSync(file)
    bytes[bytes.length >> 1]! ^= 1
    writeFileSync(file, bytes)
    await expect(run('bin/check-record', [file, '--key', key])).rejects.toThrow()
    // What is published each day says where its chain ended.
    await expect
      .poll(async () => JSON.stringify((await nobody.ask('GET', '/api/anchors')).data))
      .toContain('zip-ledger/anchor')
  })
})
