import { readdirSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { generate } from 'otplib'
import { expectAccessible } from './accessible'
import { hasOwner, PASSWORD, Somebody, startOwn, type OwnServer } from './own-server'

/*
 * A class of 24 in twelve pairs, each driven by a script as a page would drive it, while the instructor's page shows it. And the wall between students: by no route does one get at what is another's.
 */
test.describe('a class of 24', () => {
  test.skip(!hasOwner, 'bin/test names a database of its own')
  test.describe.configure({ mode: 'serial' })
  let server: OwnServer
  let admin: Somebody
  let instructor: Somebody
  const students: { one: Somebody; person: string; name: string; batch: string; group: number }[] = []
  let id = ''
  let code = ''

  async function join(link: string, body: object): Promise<Somebody> {
    const one = new Somebody(server.address)
    const { status, data } = await one.ask('POST', '/api/join', { link, password: PASSWORD, ...body })
    expect(status, JSON.stringify(data)).toBe(200)
    return one
  }
  const invite = async (by: Somebody, role: string): Promise<string> => {
    const { data } = await by.ask('POST', '/api/people/links', { role })
    return (data as { link: string }).link.split('#')[1]!
  }
  const entry = (by: string, minute: number, more: object) => ({
    id: crypto.randomUUID(),
    at: new Date(Date.now() - (200 - minute) * 60_000).toISOString(),
    by,
    ...more,
  })
  const record = (student: (typeof students)[number], entries: object[]) =>
    student.one.ask('POST', `/api/batches/${student.batch}/entries`, { entries })
  const charge = { what: 'charge', stage: 's1', species: 'Zn' }
  const product = { what: 'product', stage: 's1', crop: 1 }
  const first = (group: number) => students.find(one => one.group === group)!

  test.beforeAll(async () => {
    test.setTimeout(180_000)
    server = await startOwn({ ZIP_LEDGER_DEMO: '1', ZIP_LEDGER_REQUESTS_A_MINUTE: '100000' })
    admin = await join(server.first, { lab: 'Teaching bench', name: 'Ash Reed', signName: 'ash' })
    const { data } = await admin.ask('POST', '/api/account/factor', { password: PASSWORD })
    await admin.ask('PUT', '/api/account/factor', {
      code: await generate({ secret: (data as { secret: string }).secret }),
    })
    instructor = await join(await invite(admin, 'instructor'), { name: 'Ilse Tarn', signName: 'ilse' })
    for (let i = 0; i < 24; i++) {
      const name = `Student ${String(i + 1).padStart(2, '0')}`
      const one = await join(await invite(instructor, 'student'), { name, signName: `student${i + 1}` })
      const { person } = (await one.ask('GET', '/api/me')).data as { person: string }
      students.push({ one, person, name, batch: '', group: 0 })
    }
  })
  test.afterAll(() => server?.stop())

  test('is made from a plan, with a list, and joined by its code', async () => {
    const made = await instructor.ask('POST', '/api/batches', {
      product: 'ZnSO4.7H2O',
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      table: 'Zn,5.00 g,99.5 %\nH2SO4,40.0 mL,2.00 mol/L',
    })
    const from = (made.data as { code: string }).code
    const plan = {
      name: 'Zinc sulfate, and zinc in a jar',
      groups: 12,
      sections: ['Monday', 'Wednesday'],
      seed: 11,
      scatter: 12,
      unknown: { asks: 'zinc in the nutrient salt', unit: '%', from: 15, to: 25, digits: 4 },
      shows: { predictions: false, explanations: false },
      questions: [{ id: 'before-1', when: 'before', text: 'Which reagent limits?' }],
      rubric: [
        {
          id: 'accuracy',
          name: 'Accuracy',
          points: 30,
          by: 'accuracy',
          bands: [
            { within: 2, share: 1 },
            { within: 5, share: 0.5 },
          ],
        },
        { id: 'record', name: 'Record keeping', points: 20, by: 'record' },
        { id: 'hand', name: 'Bench work', points: 10, by: 'hand' },
      ],
    }
    // What does not read is told at its place, and nothing is made.
    const wrong = await instructor.ask('POST', '/api/classes', {
      from,
      plan: { ...plan, groups: 0, unknown: { ...plan.unknown, from: 30 } },
    })
    expect(wrong.status).toBe(400)
    expect(JSON.stringify(wrong.data)).toContain('plan.groups')
    expect((await instructor.ask('POST', '/api/classes', { from: 'ZN-999', plan })).status).toBe(404)
    expect((await students[0]!.one.ask('POST', '/api/classes', { from, plan })).status).toBe(403)
    const { status, data } = await instructor.ask('POST', '/api/classes', { from, plan })
    expect(status, JSON.stringify(data)).toBe(201)
    ;({ id, code } = data as { id: string; code: string })

    const messy = await instructor.ask('PUT', `/api/classes/${id}/roster`, { table: 'name,group\n,1\nX,13' })
    expect(messy.status).toBe(422)
    expect(JSON.stringify(messy.data)).toContain('Line 3')
    const table = `name\n${students.map(({ name }) => name).join('\n')}`
    expect((await instructor.ask('PUT', `/api/classes/${id}/roster`, { table })).status).toBe(200)

    // A link for each who has not come yet lets one in, as a student under the name of the list.
    const links = (await instructor.ask('POST', `/api/classes/${id}/links`, {})).data as {
      slips: { name: string; link: string }[]
    }
    expect(links.slips).toHaveLength(24)
    const looked = await new Somebody(server.address).ask('POST', '/api/join/look', {
      link: links.slips[2]!.link.split('#')[1],
    })
    expect(looked.data).toMatchObject({ role: 'Student', name: 'Student 03' })

    expect((await students[0]!.one.ask('POST', '/api/classes/join', { code: 'zzzzzz' })).status).toBe(404)
    for (const student of students) {
      const joined = await student.one.ask('POST', '/api/classes/join', { code: code.toUpperCase() })
      expect(joined.status, JSON.stringify(joined.data)).toBe(200)
      Object.assign(student, joined.data)
    }
    expect(new Set(students.map(({ batch }) => batch)).size).toBe(12)
    // Joining twice changes nothing.
    expect((await students[5]!.one.ask('POST', '/api/classes/join', { code })).data).toEqual({
      batch: students[5]!.batch,
      group: students[5]!.group,
    })
    // Nobody copies: the amounts lie apart.
    const masses = await Promise.all(
      Array.from({ length: 12 }, async (_, i) => {
        const { one, batch } = first(i + 1)
        const { data: read } = await one.ask('GET', `/api/batches/${batch}`)
        return (read as { document: { plan: { stages: { reagents: { charge: { mass: string } }[] }[] } } }).document
          .plan.stages[0]!.reagents[0]!.charge.mass
      }),
    )
    expect(new Set(masses).size).toBeGreaterThan(8)
  })

  test('is seen live: steps, help, results, the outlier, and one press to a run', async ({ browser }) => {
    test.setTimeout(180_000)
    const context = await browser.newContext({ storageState: { cookies: [], origins: [] } })
    await context.addCookies([{ name: 'zip-ledger', value: instructor.cookie('zip-ledger')!, url: server.address }])
    const page: Page = await context.newPage()
    await page.goto(`${server.address}/class`)
    await page.getByRole('link', { name: 'Zinc sulfate, and zinc in a jar' }).click()
    const row = (group: number) =>
      page.getByRole('row').filter({ has: page.getByRole('link', { name: `Group ${group}, to its run` }) })
    await expect(row(7)).toContainText('Student 13, Student 14')

    // Everybody weighs zinc, at once; the page hears of it.
    await Promise.all(
      students
        .filter((_, i) => i % 2 === 0)
        .map(async student => {
          const { status } = await record(student, [
            entry(student.person, 1, { kind: 'reading', about: charge, measure: 'net', value: '5.02 g', typed: true }),
          ])
          expect(status).toBe(201)
        }),
    )
    await expect(row(12)).toContainText('H2SO4')
    await expect(row(1)).toContainText('ago')

    const touched = async (): Promise<string> =>
      ((await first(4).one.ask('GET', `/api/batches/${first(4).batch}`)).data as { touchedAt: string }).touchedAt
    const before = await touched()
    expect((await first(4).one.ask('PUT', `/api/batches/${first(4).batch}/class`, { help: true })).status).toBe(200)
    // A notice that is lost is looked up by that.
    expect(Date.parse(await touched())).toBeGreaterThan(Date.parse(before))
    await expect(row(4)).toContainText('asks for help')
    await expect(page.getByText('1 asks for help')).toBeVisible()

    // Crops as a class has them, one of them far too heavy.
    for (let group = 1; group <= 12; group++) {
      const student = first(group)
      const grams = group === 9 ? 30.4 : 17.2 + group * 0.07
      const done = [
        entry(student.person, 4, {
          kind: 'reading',
          about: { ...charge, species: 'H2SO4' },
          measure: 'volume',
          value: '44.0 mL',
          typed: true,
        }),
        entry(student.person, 20, { kind: 'observation', stage: 's1', text: 'It fizzes' }),
        entry(student.person, 40, { kind: 'observation', stage: 's1', text: 'No gas any more' }),
        entry(student.person, 80, { kind: 'observation', stage: 's1', text: 'White needles' }),
        entry(student.person, 120, {
          kind: 'reading',
          about: product,
          measure: 'net',
          value: `${grams.toFixed(2)} g`,
          typed: true,
        }),
        entry(student.person, 190, {
          kind: 'reading',
          about: product,
          measure: 'net',
          value: `${grams.toFixed(2)} g`,
          typed: true,
        }),
      ]
      expect((await record(student, done)).status).toBe(201)
    }
    await expect(row(9)).toContainText('suspected')
    await expect(page.getByText(/mean of 12/)).toBeVisible()
    await expect(page.getByText('Monday:')).toBeVisible()
    await expectAccessible(page)
    await row(4).getByRole('link', { name: 'Group 4, to its run' }).click()
    await expect(page).toHaveURL(new RegExp(`/batches/${first(4).batch}/run`))
    await expect(page.getByRole('region', { name: 'Class' })).toContainText('group 4')
    await context.close()
  })

  test('a student sees their run, their questions, and nothing that is another’s', async ({ browser }) => {
    test.setTimeout(180_000)
    const mine = first(1)
    const theirs = first(2)
    const context = await browser.newContext({ storageState: { cookies: [], origins: [] } })
    await context.addCookies([{ name: 'zip-ledger', value: mine.one.cookie('zip-ledger')!, url: server.address }])
    const page = await context.newPage()
    await page.goto(`${server.address}/class`)
    await page.getByRole('link', { name: new RegExp(mine.batch) }).click()
    await page.getByRole('button', { name: /^Questions/ }).click()
    await page
      .getByLabel('Which reagent limits?')
      .fill('The acid: 88 mmol of it for 77 mmol of zinc is too much, so zinc.')
    await page.getByRole('button', { name: 'Keep the answers' }).click()
    await expect(page.getByRole('button', { name: 'Answers are kept' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Questions: 1 of 1 answered' })).toBeVisible()
    await page.goto(`${server.address}/batches/${mine.batch}/yield`)
    await expect(page.getByText('In this class you explain the yield yourselves')).toBeVisible()
    await expectAccessible(page)
    await page.goto(`${server.address}/batches/${theirs.batch}/sheet`)
    await expect(page.getByText(`There is no batch ${theirs.batch}`)).toBeVisible()
    await context.close()

    // Every route that reads, with their code in the address, and those that list.
    const files = readdirSync('server/api', { recursive: true, encoding: 'utf8' }).filter(name =>
      name.endsWith('.get.ts'),
    )
    const paths = files.map(name => `/api/${name}`.replace(/(\/index)?\.get\.ts$/, ''))
    expect(paths.length).toBeGreaterThan(25)
    for (const path of paths.filter(one => !one.endsWith('/live'))) {
      const filled = path
        .replace('[code]', theirs.batch)
        .replace('[number]', '1')
        .replace('[sha256]', 'a'.repeat(64))
        .replace('[id]', id)
      const { status, data } = await mine.one.ask('GET', filled)
      const text = typeof data === 'string' ? data : JSON.stringify(data)
      expect(text.replace(`There is no batch ${theirs.batch}`, ''), `${filled}: ${status}`).not.toContain(
        `"${theirs.batch}"`,
      )
      expect(text, filled).not.toContain('18.04 g')
      if (path.includes('batches/[code]')) expect([400, 404, 415], `${filled}: ${status}`).toContain(status)
    }
    expect((await mine.one.ask('GET', `/api/compare?a=${mine.batch}&b=${theirs.batch}`)).status).toBeGreaterThanOrEqual(
      400,
    )
    // Nor is anything written there.
    const forged = await mine.one.ask('POST', `/api/batches/${theirs.batch}/entries`, {
      entries: [entry(mine.person, 195, { kind: 'note', stage: 's1', text: 'x' })],
    })
    expect(forged.status).toBe(404)
    const { data: own } = await mine.one.ask('GET', `/api/batches/${mine.batch}`)
    const saved = await mine.one.ask('PUT', `/api/batches/${theirs.batch}`, {
      version: 1,
      document: (own as { document: object }).document,
    })
    expect(saved.status).toBe(404)
    expect((await mine.one.ask('PUT', `/api/batches/${theirs.batch}/class`, { help: true })).status).toBe(404)
    expect((await mine.one.ask('POST', `/api/batches/${theirs.batch}/again`, { as: 'done' })).status).toBe(404)
    for (const path of ['table', 'marks', 'grades.csv', ''])
      expect((await mine.one.ask('GET', `/api/classes/${id}${path && `/${path}`}`)).status, path).toBe(403)
    // What one begins on one's own is one's own, and its code is free in the whole lab.
    const begun = await mine.one.ask('POST', '/api/batches', {
      product: 'ZnSO4.7H2O',
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
    })
    expect(begun.status).toBe(201)
    const alone = (begun.data as { code: string }).code
    expect((await theirs.one.ask('GET', `/api/batches/${alone}`)).status).toBe(404)
    expect((await instructor.ask('GET', `/api/batches/${alone}`)).status).toBe(200)
    const listed = (await mine.one.ask('GET', '/api/batches')).data as { code: string }[]
    expect(listed.filter(({ code: one }) => students.some(({ batch }) => batch === one)).map(one => one.code)).toEqual([
      mine.batch,
    ])
  })

  test('is marked by its rubric; the key stays sealed until it is released, and grades go out as a table', async () => {
    const mine = first(1)
    const sealed = (await mine.one.ask('GET', `/api/batches/${mine.batch}/class`)).data as {
      class: Record<string, unknown>
    }
    expect(sealed.class.key).toBeUndefined()
    expect(sealed.class.marks).toBeUndefined()
    const whole = (await instructor.ask('GET', `/api/classes/${id}`)).data as {
      key: Record<string, string>
      stocks: { used: number }[]
    }
    expect(Object.keys(whole.key)).toHaveLength(12)
    expect(whole.stocks[0]!.used).toBeGreaterThan(400)

    // Group 1 finds its zinc a percent too low, in a worksheet of its own.
    const { data } = await mine.one.ask('GET', `/api/batches/${mine.batch}`)
    const { version, document } = data as { version: number; document: object }
    const found = Number(whole.key['1']) * 0.99
    const volume = ((found / 100) * 0.5 * 1000) / 65.38 / 0.05
    const assays = [
      {
        id: crypto.randomUUID(),
        kind: 'titration',
        name: 'Zinc by EDTA',
        given: {
          equation: 'Zn^2+ + H2C10H12N2O8^2- -> ZnC10H12N2O8^2- + 2 H^+',
          titrant: 'H2C10H12N2O8^2-',
          concentration: '0.0500 mol/L',
          species: 'Zn^2+',
          form: 'Zn',
        },
        rows: [{ sample: '0.5000 g', volume: `${volume.toFixed(2)} mL` }],
      },
    ]
    const saved = await mine.one.ask('PUT', `/api/batches/${mine.batch}`, {
      version,
      document: { ...document, assays },
    })
    expect(saved.status, JSON.stringify(saved.data)).toBe(200)
    type Marks = { rows: { group: { number: number }; marks: { criterion: string; points?: number; why: string }[] }[] }
    const marksOf = async () => ((await instructor.ask('GET', `/api/classes/${id}/marks`)).data as Marks).rows[0]!.marks
    expect((await marksOf())[0]).toMatchObject({ criterion: 'accuracy', why: 'The key is sealed, or there is none.' })
    expect((await marksOf())[1]).toMatchObject({ criterion: 'record', points: 20 })

    expect((await instructor.ask('POST', `/api/classes/${id}/release`, {})).status).toBe(200)
    const [accuracy] = await marksOf()
    expect(accuracy, JSON.stringify(accuracy)).toMatchObject({ points: 30 })
    const beyond = await instructor.ask('POST', `/api/classes/${id}/marks`, {
      group: 1,
      criterion: 'hand',
      points: 11,
      comment: '',
    })
    expect(beyond.status).toBe(422)
    expect(
      (
        await instructor.ask('POST', `/api/classes/${id}/marks`, {
          group: 1,
          criterion: 'hand',
          points: 9,
          comment: '=careful work',
        })
      ).status,
    ).toBe(201)

    const open = (await mine.one.ask('GET', `/api/batches/${mine.batch}/class`)).data as {
      class: { key: string; total: { points: number } }
    }
    expect(open.class.key).toBe(whole.key['1'])
    expect(open.class.total.points).toBe(59)
    const csv = (await instructor.ask('GET', `/api/classes/${id}/grades.csv`)).data as unknown as string
    const lines = csv.trim().split('\r\n')
    expect(lines).toHaveLength(25)
    expect(lines[0]).toContain('Accuracy (of 30)')
    expect(lines[1]).toContain('Student 01,1,Monday')
    expect(lines[1]).toContain(',59,60,0')
  })

  test('is closed when it is over', async () => {
    const mine = first(3)
    await server
      .db('classes')
      .where({ id })
      .update({
        body: server.db.raw("jsonb_set(body, '{closesAt}', to_jsonb(?::text))", [
          new Date(Date.now() - 1000).toISOString(),
        ]),
      })
    const late = await record(mine, [entry(mine.person, 199, { kind: 'note', stage: 's1', text: 'late' })])
    expect(late.status).toBe(409)
    expect(JSON.stringify(late.data)).toContain('over')
    expect((await instructor.ask('GET', `/api/batches/${mine.batch}/entries`)).status).toBe(200)
  })
})
