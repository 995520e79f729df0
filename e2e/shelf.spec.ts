import { writeFile } from 'node:fs/promises'
import { chromium, expect, test } from '@playwright/test'
import sharp from 'sharp'
import { renderSVG } from 'uqr'
import { expectAccessible } from './accessible'

test('a batch is planned from the shelf, weighed from two bottles with scanned codes, drawn down and corrected', async ({
  page,
  request,
}) => {
  const made = await request.post('/api/batches', {
    data: { product: 'ZnSO4·7H2O', equation: 'Zn + H2SO4 -> ZnSO4 + H2', table: 'Zn,9.11 g' },
  })
  const { code } = (await made.json()) as { code: string }
  const lot = `Z-${Date.now()}`
  const { person } = (await (await request.get('/api/me')).json()) as { person: string }

  // One bottle from the form, typed as somebody would; it has not enough in it.
  await page.goto('/shelf/new')
  await page.getByLabel('What is in it: formula or name').fill('zinc')
  await expect(page.getByText('reads as')).toBeVisible()
  await page.getByLabel('How much came').fill('6.00 g')
  await page.getByLabel('Assay or strength').fill('strong')
  await expect(page.getByText('Give a share such as 97 %')).toBeVisible()
  await page.getByLabel('Assay or strength').fill('99.2 %')
  await page.getByLabel('What it weighs empty').fill('41.20 g')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put it up', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/B-\d+ · Zn/)
  const first = page.url().split('/').at(-1)!
  await expectAccessible(page)

  // And one from a table, in which a cell was wrong at first.
  await page.goto('/shelf/new')
  const table = page.getByLabel('The table')
  await table.fill('Zn\ta handful\t99.2 %')
  await expect(page.getByRole('alert')).toContainText('Line 1, column 2')
  await table.fill(`Zn\t250 g\t99.2 %\t${lot}\tMetals`)
  await page.getByRole('button', { name: 'Put it up', exact: true }).last().click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/B-\d+ · Zn/)
  const second = page.url().split('/').at(-1)!

  // The sheet takes its zinc from the first: what is in it, and that it is not enough, stand beside it.
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Supply of Zn').click()
  const shelf = page.getByRole('region', { name: 'From the shelf' })
  await expect(shelf).toContainText('not enough in it')
  await shelf.getByRole('button', { name: `Take it from ${first}` }).click()
  await expect(shelf).toContainText(`Comes from ${first}`)
  await expect
    .poll(async () => JSON.stringify(await (await request.get(`/api/batches/${code}`)).json()))
    .toContain(`"bottle":"${first}"`)

  // At the bench the first runs out; the wrong bottle is caught, the second taken.
  await page.goto(`/batches/${code}/run`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Weigh Zn')
  const hand = page.getByRole('region', { name: 'Bottle at hand' })
  await expect(hand).toContainText(`From bottle ${first}`)
  const readings = page.getByRole('region', { name: 'Readings' })
  await readings.getByLabel('or net').fill('6.00')
  await readings.getByRole('button', { name: 'Record net' }).click()
  const scan = hand.getByLabel('Scan or type a bottle’s code')
  await scan.fill('B-005')
  await scan.press('Enter')
  await expect(hand.getByRole('alert')).toContainText('B-005 holds')
  await scan.fill(second.toLowerCase())
  await scan.press('Enter')
  await expect(hand).toContainText(`From bottle ${second}`)
  await readings.getByLabel('Another portion, net').fill('3.11')
  await readings.getByRole('button', { name: 'Record net' }).click()
  await expect
    .poll(async () => ((await (await request.get(`/api/bottles/${second}`)).json()) as { amount: number }).amount)
    .toBeCloseTo(246.89, 6)

  // The first is empty by its ledger, and shown to be so; a correction in the journal corrects the shelf.
  await page.goto(`/shelf/${first}`)
  await expect(page.getByRole('region', { name: 'Ledger' })).toContainText(`Taken for ${code}`)
  await page.getByLabel('What happened').selectOption('It is empty')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('empty', { exact: true })).toBeVisible()
  const entries = (await (await request.get(`/api/batches/${code}/entries`)).json()) as {
    entry: { id: string; kind: string; value?: string }
  }[]
  const wrong = entries.find(({ entry }) => entry.value === '3.11 g')!.entry
  await request.post(`/api/batches/${code}/entries`, {
    data: {
      entries: [
        {
          id: crypto.randomUUID(),
          at: new Date().toISOString(),
          by: person,
          kind: 'correction',
          corrects: wrong.id,
          why: 'misread',
          instead: '3.31 g',
        },
      ],
    },
  })
  const after = (await (await request.get(`/api/bottles/${second}`)).json()) as { amount: number }
  expect(after.amount).toBeCloseTo(246.69, 6)

  // Found by its lot among all of them; the emptied one only where it is asked for.
  await page.goto('/shelf')
  await page.getByLabel('Search the shelf').fill(lot.toLowerCase())
  await expect(page.getByRole('status').filter({ hasText: '1 bottle with' })).toBeVisible()
  await page.getByLabel('Search the shelf').fill(first)
  await expect(page.getByText('No bottle has')).toBeVisible()
  await page.getByLabel('Empty ones too').check()
  await expect(page.getByRole('listitem')).toContainText(first)
  await expectAccessible(page)
})

test('the ledger takes what happened, keeps what was corrected, and the shelf is walked by keyboard', async ({
  page,
}) => {
  await page.goto('/shelf')
  const items = page.getByRole('listitem')
  await expect(items.first()).toBeVisible()
  await items.first().getByRole('link').focus()
  await page.keyboard.press('ArrowDown')
  await expect(items.nth(1).getByRole('link')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('B-004 · KOH')
  await expect(page.getByText('By common practice it is about')).toBeVisible()
  await page.getByLabel('How much').fill('12 spoons')
  await expect(page.getByText('Give it with its unit')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Write it down' })).toBeDisabled()
  await page.getByLabel('How much').fill('12.5 g')
  await page.getByLabel('For what (may be empty)').fill('a drying tube')
  await page.getByRole('button', { name: 'Write it down' }).click()
  const ledger = page.getByRole('region', { name: 'Ledger' })
  await expect(ledger).toContainText('Taken for a drying tube')
  await ledger.getByRole('button', { name: 'Correct: Taken for a drying tube' }).click()
  await page.getByLabel('What counts instead').fill('2.5 g')
  await page.getByLabel('Why').fill('a digit too many')
  await page.getByRole('button', { name: 'Correct', exact: true }).last().click()
  await expect(ledger).toContainText('corrected: a digit too many; 2.5 g instead')
  await page.getByLabel('What happened').selectOption('Its strength was found')
  await page.getByLabel('How strong').fill('84.1 ± 0.3 %')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('84.1 ± 0.3 %, by own titration')).toBeVisible()
  await expect(page.getByText('By common practice it is about')).toBeHidden()
  const label = await page.request.get('/api/bottles/B-004/label')
  expect(label.headers()['content-type']).toBe('application/pdf')
  expect((await label.body()).subarray(0, 5).toString()).toBe('%PDF-')
  await page.getByRole('button', { name: 'Write another label' }).click()
  await expectAccessible(page)
})

/** A film of one picture, for the camera's stand-in: a label with its code, held before it a little askew. */
async function film(path: string, address: string): Promise<void> {
  const code = await sharp(Buffer.from(renderSVG(address, { border: 3 })))
    .resize(300, 300)
    .rotate(7, { background: '#ddd8cc' })
    .toBuffer()
  const frame = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#ddd8cc' } })
    .composite([{ input: code, left: 150, top: 60 }])
    .jpeg({ quality: 80 })
    .toBuffer()
  await writeFile(path, Buffer.concat(Array.from({ length: 4 }, () => frame)))
}

/*
 * By hand: 28.75 g of ZnSO4·7H2O (287.54 g/mol) are put up as a vial; the next batch throws its carbonate down from 14.38 g of it, 0.0500 mol; 14.37 g are left.
 */
test('what a batch gave is put up as a vial, caught by the camera at the bench, and used up by the next batch', async ({
  request,
  baseURL,
}, info) => {
  const { person } = (await (await request.get('/api/me')).json()) as { person: string }
  const batch = async (data: object): Promise<string> =>
    ((await (await request.post('/api/batches', { data })).json()) as { code: string }).code
  const first = await batch({ product: 'ZnSO4·7H2O', equation: 'Zn + H2SO4 -> ZnSO4 + H2', table: 'Zn,6.54 g' })
  const said = await request.post(`/api/batches/${first}/entries`, {
    data: {
      entries: [
        {
          id: crypto.randomUUID(),
          at: new Date().toISOString(),
          by: person,
          kind: 'reading',
          about: { what: 'product', stage: 's1', crop: 1 },
          measure: 'net',
          value: '28.75 g',
          typed: true,
        },
      ],
    },
  })
  expect(said.ok(), await said.text()).toBe(true)
  const next = await batch({
    product: 'ZnCO3',
    equation: 'ZnSO4 + Na2CO3 -> ZnCO3 + Na2SO4',
    table: 'ZnSO4·7H2O,14.38 g\nNa2CO3,5.6 g',
  })

  const path = info.outputPath('code.mjpeg')
  await film(path, `${baseURL}/shelf/B-005`)
  const browser = await chromium.launch({
    ...info.project.use.launchOptions,
    args: [
      ...(info.project.use.launchOptions?.args ?? []),
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${path}`,
    ],
  })
  try {
    const context = await browser.newContext({
      storageState: '.build/signed-in.json',
      baseURL: baseURL!,
      serviceWorkers: 'block',
    })
    const page = await context.newPage()
    page.setDefaultTimeout(40_000)
    await page.goto(`/batches/${first}/record`)
    await page.getByRole('link', { name: 'Put the vial onto the shelf' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('A vial for the shelf')
    await expect(page.getByLabel('How much came')).toHaveValue(/28\.75/)
    await expect(page.getByLabel('Lot')).toHaveValue(first)
    await page.getByLabel('Place').fill('Products')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Put it up', exact: true }).click()
    await expect(page.getByRole('heading', { level: 1 })).toContainText('ZnSO')
    const vial = page.url().split('/').at(-1)!
    await expect(page.getByRole('main').getByRole('link', { name: first, exact: true })).toHaveAttribute(
      'href',
      `/batches/${first}/record`,
    )
    const label = await request.get(`/api/bottles/${vial}/label`)
    expect(label.headers()['content-type']).toBe('application/pdf')
    await page.goto(`/shelf/new?of=${first}`)
    await expect(page.getByText('Already on the shelf:')).toBeVisible()

    // The next batch is planned from the vial.
    await page.goto(`/batches/${next}/sheet`)
    await page.getByLabel('Supply of ZnSO4').click()
    const shelf = page.getByRole('region', { name: 'From the shelf' })
    await shelf.getByRole('button', { name: `Take it from ${vial}` }).click()
    await expect(shelf).toContainText(`Comes from ${vial}`)

    // At the bench the camera sees another bottle first, and then the vial.
    await page.goto(`/batches/${next}/run`)
    const hand = page.getByRole('region', { name: 'Bottle at hand' })
    await expect(hand).toContainText(`From bottle ${vial}`)
    await hand.getByRole('button', { name: 'Scan' }).click()
    await expect(hand.getByRole('alert')).toContainText('B-005 holds')
    await expect(hand.getByRole('button', { name: 'Scan' })).toBeVisible()
    const photo = await sharp(Buffer.from(renderSVG(`${baseURL}/shelf/${vial}`, { border: 3 })))
      .resize(400)
      .png()
      .toBuffer()
    await hand
      .getByLabel('Read a code off a photo')
      .setInputFiles({ name: 'vial.png', mimeType: 'image/png', buffer: photo })
    await expect(hand.getByRole('alert')).toBeHidden()
    await expect(hand).toContainText(`From bottle ${vial}`)
    const readings = page.getByRole('region', { name: 'Readings' })
    await readings.getByLabel('or net').fill('14.38')
    await readings.getByRole('button', { name: 'Record net' }).click()
    await expect
      .poll(async () => ((await (await request.get(`/api/bottles/${vial}`)).json()) as { amount: number }).amount)
      .toBeCloseTo(14.37, 6)
    await page.goto(`/shelf/${vial}`)
    await expect(page.getByRole('region', { name: 'Ledger' })).toContainText(`Taken for ${next}`)
    await page.goto(`/batches/${next}/record`)
    await expect(page.locator('article.paper')).toContainText(vial)
    await expect(page.locator('article.paper')).toContainText(first)
  } finally {
    await browser.close()
  }
})

/*
 * By hand: 8.16 g of caustic of 98 ± 1 % in 100.0 mL: 8.16 × 0.98 / 39.997 / 0.1 = 1.999 mol/L, as unsure as the caustic, 0.020.
 */
test('a solution is made from a bottle, stock is taken by code, and what is worth a look is listed', async ({
  page,
  request,
}) => {
  const { person } = (await (await request.get('/api/me')).json()) as { person: string }
  const base = { at: new Date().toISOString(), by: person }
  const name = `Cupboard ${Date.now()}`
  const put = async (label: object, amount: string): Promise<string> => {
    const facts = [{ ...base, id: crypto.randomUUID(), kind: 'came', amount }]
    const answer = await request.post('/api/bottles', {
      data: { bottles: [{ label: { known: 'label', ...label }, facts }] },
    })
    expect(answer.ok(), await answer.text()).toBe(true)
    return ((await answer.json()) as { codes: string[] }).codes[0]!
  }
  const caustic = await put(
    { formula: 'NaOH', comes: { kind: 'solid', assay: '98 ± 1 %' }, place: name, lot: name },
    '100.00 g',
  )
  await page.goto(`/shelf/make?from=${caustic}&strength=2.00%20mol/L&volume=100%20mL`)
  const plan = page.getByRole('region', { name: 'What to take' })
  await expect(plan).toContainText(/Take 8\.163\sg of it/)
  await expect(plan).toContainText('Solid into water')
  const taken = page.getByRole('region', { name: 'What was taken' })
  await taken.getByRole('button', { name: 'Put it up' }).click()
  await expect(taken.getByText('Say how much.').first()).toBeVisible()
  await taken.getByLabel('Taken').fill('8.16 g')
  await taken.getByLabel('Made up to').fill('100 g')
  await expect(taken.getByText('Give what it was made up to as a volume')).toBeVisible()
  await taken.getByLabel('Made up to').fill('100.0 mL')
  await expect(taken).toContainText(/It is\s+(1\.999|2\.00) ± 0\.02\d?\smol\/L/)
  await taken.getByLabel('Place').fill(name)
  await expectAccessible(page)
  await taken.getByRole('button', { name: 'Put it up' }).click()
  await expect(page.getByText('8.16 g made up to 100.0 mL.')).toBeVisible()
  const lye = page.url().split('/').at(-1)!
  await page.getByRole('main').getByRole('link', { name: caustic, exact: true }).click()
  await expect(page.getByRole('region', { name: 'Ledger' })).toContainText(`Taken for ${lye}`)
  expect(((await (await request.get(`/api/bottles/${caustic}`)).json()) as { amount: number }).amount).toBeCloseTo(
    91.84,
    6,
  )

  // Bleach beside an acid; at stocktaking one is found elsewhere, one is counted, and one is not there.
  const bleach = await put(
    { formula: 'NaClO', comes: { kind: 'solution', concentration: '1.5 mol/L' }, place: name },
    '500 mL',
  )
  const acid = await put(
    { formula: 'HCl', comes: { kind: 'solution', concentration: '3.00 mol/L' }, place: name },
    '250 mL',
  )
  await page.goto('/shelf/look')
  const clash = page.getByRole('region', { name: 'Must not meet' }).getByRole('listitem').filter({ hasText: name })
  await expect(clash.filter({ hasText: bleach }).filter({ hasText: acid })).toContainText('chlorine')
  await page.getByLabel('Formula', { exact: true }).fill('NaClO')
  await page.getByLabel('At most').fill('a lot')
  await page.getByRole('button', { name: 'Set the limit' }).click()
  await expect(page.getByText('Give a mass or a volume, such as 500 g.')).toBeVisible()
  await page.getByLabel('At most').fill('100 mL')
  await page.getByRole('button', { name: 'Set the limit' }).click()
  await expect(page.getByRole('region', { name: 'More than the limit' })).toContainText(bleach)
  await page.getByRole('button', { name: 'No limit for NaClO' }).click()
  await expect(page.getByRole('region', { name: 'More than the limit' })).toHaveCount(0)

  const stray = await put({ formula: 'KCl', comes: { kind: 'solid' } }, '10 g')
  await page.goto('/shelf/stock')
  await page.getByRole('button', { name: new RegExp(`^${name} 4 bottles`) }).click()
  const scan = page.getByLabel('Scan or type a bottle’s code')
  await scan.fill('B-99999')
  await scan.press('Enter')
  await expect(page.getByText('There is no bottle B-99999')).toBeVisible()
  await scan.fill(`http://127.0.0.1/shelf/${stray.toLowerCase()}`)
  await scan.press('Enter')
  await expect(page.getByText(`${stray} stood in no place, and stands here now.`)).toBeVisible()
  const find = page.getByRole('list', { name: 'Still to find' }).getByRole('listitem')
  await find.filter({ hasText: caustic }).getByRole('button', { name: 'Here' }).click()
  await expect(find.filter({ hasText: caustic })).toHaveCount(0)
  await find.filter({ hasText: lye }).getByRole('button', { name: 'Count' }).click()
  await page.getByLabel(`What is in ${lye}`).fill('90 mL')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Counted' }).click()
  await scan.fill(acid)
  await scan.press('Enter')
  await page.getByRole('button', { name: 'The other one is not here' }).click()
  await expect(page.getByText('1 not found.')).toBeVisible()
  await page.goto(`/shelf/${bleach}`)
  await expect(page.getByRole('region', { name: 'Ledger' })).toContainText('Not found')
  expect(await (await request.get(`/api/bottles/${lye}`)).json()).toMatchObject({ amount: 90 })

  // The label as a picture, sheets of labels, and the list of what is missing as a table.
  const png = await request.get(`/api/bottles/${bleach}/label?as=png&dots=300`)
  expect(png.headers()['content-type']).toBe('image/png')
  expect((await request.get(`/api/bottles/${bleach}/label?as=png&dots=77`)).status()).toBe(400)
  expect((await request.get(`/api/labels?q=${encodeURIComponent(name)}&from=20`)).headers()['content-type']).toBe(
    'application/pdf',
  )
  expect((await request.get('/api/labels?q=nothing-has-this')).status()).toBe(404)
  const csv = await (await request.get('/api/shopping.csv')).text()
  expect(csv.split('\r\n')[0]).toBe('formula,comes_as,strength,missing,unit,needed,there,batches,low')

  // Of a hundred and fifty more only those are drawn that are seen, and the last is come to by scrolling.
  const many = Array.from({ length: 150 }, (_, i) => ({
    label: { formula: 'NaCl', comes: { kind: 'solid' }, known: 'label', lot: `${name} no ${i + 1}` },
    facts: [],
  }))
  expect((await request.post('/api/bottles', { data: { bottles: many } })).ok()).toBe(true)
  await page.goto('/shelf')
  await page.getByLabel('Search the shelf').fill(`${name} no`)
  await expect(page.getByRole('status').filter({ hasText: '150 bottles' })).toBeVisible()
  expect(await page.getByRole('listitem').count()).toBeLessThan(40)
  await page.getByRole('listitem').first().getByRole('link').focus()
  await page.keyboard.press('End')
  await expect(page.getByRole('listitem').filter({ hasText: `${name} no 150` })).toBeInViewport()
})
