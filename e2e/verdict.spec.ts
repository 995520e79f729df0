import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'

test('a yield over 100 % is explained by what the batch makes possible, and every mole is booked', async ({ page }) => {
  await page.goto('/batches/MO-002/yield')
  const why = page.getByRole('region', { name: 'What would explain it' })
  await expect(why).toContainText('more than was possible')
  await expect(why.getByRole('listitem').first()).toContainText('Still wet')
  await expect(why.getByRole('listitem').first()).toContainText('water is the commonest reason')
  await expect(why).toContainText('What would divide the leading two')
  const ledger = page.getByRole('region', { name: 'Ledger of matter' })
  await expect(ledger.getByRole('row', { name: /^Mo: every figure/ })).toContainText('too many')
  await ledger.getByRole('button', { name: /^Mo: .* too many\. Show the working/ }).click()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText('Mo open')
  await expect(page.getByRole('region', { name: 'Residues' })).toContainText('Your site’s rules decide')
  await expectAccessible(page)
})

test('a low yield hears the assay and what came back of the excess', async ({ page, request }) => {
  await page.goto('/batches/ZN-020/yield')
  const why = page.getByRole('region', { name: 'What would explain it' })
  await expect(why.getByRole('listitem').first()).toContainText('The second crop is still in the liquor')
  // EDTA found the heptahydrate: a lower hydrate is out, though its mass would fit.
  await expect(why).not.toContainText('It lost water')
  await expect(page.getByRole('row', { name: /ZnSO4·H2O|ZnSO₄·H₂O/ }).first()).toContainText('unlikely')
  await expect(page.getByRole('region', { name: 'What came back' })).toContainText('as it should be')
  const ledger = page.getByRole('region', { name: 'Ledger of matter' })
  await ledger.getByRole('button', { name: 'Flow' }).click()
  await expect(ledger.getByRole('img', { name: /^Flow of Zn/ })).toBeVisible()
  await expectAccessible(page)
  // Another batch of the same plan, in which much of the zinc came back.
  const { document } = await (await request.get('/api/batches/ZN-020')).json()
  const { code } = await (
    await request.post('/api/batches', { data: { product: 'ZnSO4.7H2O', equation: 'Zn + H2SO4 -> ZnSO4 + H2' } })
  ).json()
  const { version } = await (await request.get(`/api/batches/${code}`)).json()
  const put = await request.put(`/api/batches/${code}`, { data: { version, document: { ...document, assays: [] } } })
  expect(put.status()).toBe(200)
  await page.goto(`/batches/${code}/run`)
  await page.goto(`/batches/${code}/yield`)
  await expect(page.getByText('The product is not weighed yet.')).toBeVisible()
  const { by } = { by: (await (await request.get('/api/lab')).json()).people[0].id }
  const reading = {
    kind: 'reading',
    id: crypto.randomUUID(),
    at: new Date().toISOString(),
    by,
    about: { what: 'product', stage: 's1', crop: 1 },
    measure: 'net',
    value: '23.10 g',
    typed: true,
  }
  expect((await request.post(`/api/batches/${code}/entries`, { data: { entries: [reading] } })).status()).toBeLessThan(
    300,
  )
  await page.reload()
  const charged = page.getByRole('region', { name: 'What was really charged' })
  await charged.getByLabel('Zn that came back').fill('3,100')
  await charged.getByRole('button', { name: 'Keep what came back of Zn' }).click()
  await expect(charged.getByText(/Use a point for decimals/).first()).toBeVisible()
  await charged.getByLabel('Zn that came back').fill('3.10')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'What came back' })).toContainText('more than should be there')
  await expect(page.getByRole('region', { name: 'What came back' })).toContainText('The reaction was not finished')
})

test('curves are read from files: a thermogram’s steps are assigned, a spectrum’s bands named, a bad file refused', async ({
  page,
  request,
}) => {
  const { code } = await (
    await request.post('/api/batches', { data: { product: 'CuSO4.5H2O', equation: 'CuO + H2SO4 -> CuSO4 + H2O' } })
  ).json()
  await page.goto(`/batches/${code}/assay`)
  await page.getByRole('button', { name: 'Thermogram' }).click()
  const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
  await page.locator('input[type=file]').setInputFiles(file('bad.csv', 'a;b\n1;x\n'))
  await expect(page.getByRole('alert')).toContainText('The file has 1 rows')
  // 1 of 5 waters gone at 100 °C, none after: 7.2 %; then the other four: 36.1 %.
  const step = (t: number, at: number) => 1 / (1 + Math.exp((at - t) / 3))
  const rows = Array.from({ length: 150 }, (_, i) => {
    const t = 30 + 2 * i
    return `${t};${(20 * (1 - 0.07215 * step(t, 100) - 0.2886 * step(t, 200))).toFixed(3)}`
  })
  await page.locator('input[type=file]').setInputFiles(file('heated.csv', ['°C;mg', ...rows].join('\n')))
  await page.getByLabel('What was weighed in').fill('CuSO4·5H2O')
  await expect(page.getByRole('region', { name: 'What each step leaves' })).toContainText('1 H2O gone')
  await expect(page.getByTestId('headline')).toContainText('36.0')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'New worksheet' }).click()
  await page.getByRole('menuitem', { name: 'Spectrum' }).click()
  const band = (x: number) => (0.02 + 0.6 * Math.exp(-(((x - 810) / 90) ** 2))).toFixed(4)
  const points = Array.from({ length: 61 }, (_, i) => `${500 + 10 * i} ${band(500 + 10 * i)}`)
  const jcamp = [
    '##TITLE=copper sulfate in water',
    '##JCAMP-DX=4.24',
    '##DATA TYPE=UV/VIS SPECTRUM',
    '##XUNITS=NANOMETERS',
    '##YUNITS=ABSORBANCE',
    '##FIRSTX=500',
    '##LASTX=1100',
    '##NPOINTS=61',
    '##XYPOINTS=(XY..XY)',
    ...points,
    '##END=',
  ].join('\n')
  await page.locator('input[type=file]').setInputFiles(file('copper.dx', jcamp))
  await expect(page.getByTestId('headline')).toContainText('bands at 810')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Spectrum' }).first().click()
  await expect(page.getByTestId('headline')).toContainText('bands at 810')
})

test('a calibration line is read, and a menu offers every kind of worksheet', async ({ page }) => {
  await page.goto('/batches/NI-014/assay')
  await page.getByRole('button', { name: 'Nickel left in the liquor' }).click()
  await expect(page.getByTestId('headline')).toContainText(/^Liquor 0\.26\d* ±/)
  await expect(page.getByRole('img', { name: /^Calibration line/ })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'New worksheet' }).click()
  await expect(page.getByRole('menuitem')).toHaveCount(23)
  await page.keyboard.press('Escape')
})

test('an assay is worked out as it is typed, with its spread, its doubts and its problems in place', async ({
  page,
  request,
}) => {
  const { code } = await (
    await request.post('/api/batches', {
      data: { product: '(NH4)2Ni(SO4)2.6H2O', equation: 'NiSO4 + (NH4)2SO4 -> (NH4)2Ni(SO4)2', title: 'An assay' },
    })
  ).json()
  await page.goto(`/batches/${code}/assay`)
  await expect(page.getByText('No assay yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Gravimetric' }).click()
  await page.getByLabel('Analyte').fill('Zn')
  await page.getByLabel('Weighed as').fill('Ni(C4H7N2O2)2')
  await expect(page.getByText(/does not hold Zn/)).toBeVisible()
  await page.getByLabel('Analyte').fill('Ni')
  // 0.1871 g × 0.20315 ÷ 0.2561 g = 14.84 %; 14.85 %; and one that a misread digit makes 15.6 %.
  const rows = [
    ['0.2561 g', '24.1311 g', '24.3182 g'],
    ['0.2498 g', '23.8804 g', '24.0630 g'],
    ['0.2603 g', '24.5519 g', '24.7522 g'],
  ]
  for (const [i, [sample, tare, gross]] of rows.entries()) {
    await page.getByLabel(`Sample, replicate ${i + 1}`).fill(sample!)
    await page.getByLabel(`Crucible or paper, replicate ${i + 1}`).fill(tare!)
    await page.getByLabel(`with the precipitate, replicate ${i + 1}`).fill(gross!)
  }
  await expect(page.getByText(/Replicate 3 stands out by Dixon’s test/)).toBeVisible()
  await page.getByLabel('with the precipitate, replicate 3').fill('24.4 g')
  await expect(page.getByText('This is below the empty vessel.')).toBeVisible()
  await page.getByLabel('with the precipitate, replicate 3').fill('24.7422 g')
  await expect(page.getByTestId('mean')).toHaveText(/^14\.84\d*\s%$/)
  await expect(page.getByText(/holds 14\.86 %/)).toBeVisible()
  await page.getByRole('button', { name: /^Analyte in the sample, replicate 1: 14\.84/ }).click()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText('0.2561 g')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Write it into the journal' }).click()
  await expect(page.getByRole('button', { name: 'In the journal' })).toBeDisabled()
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('mean')).toHaveText(/^14\.84\d*\s%$/)
})

test('a worksheet stands alone, is kept, and goes to a batch', async ({ page, request }) => {
  const { code } = await (
    await request.post('/api/batches', { data: { product: 'CuSO4.5H2O', equation: 'CuO + H2SO4 -> CuSO4 + H2O' } })
  ).json()
  await page.goto('/assays')
  await expect(page.getByRole('heading', { name: 'Assays on their own' })).toBeVisible()
  const begun = page.getByRole('button', { name: 'New worksheet' })
  await expect(page.getByText('Fetching the worksheets.')).toHaveCount(0)
  if (await begun.isVisible()) {
    await begun.click()
    await page.getByRole('menuitem', { name: 'Standardisation' }).click()
  } else await page.getByRole('button', { name: 'Standardisation' }).click()
  await page.getByLabel('Name').fill('Alkali of the week')
  await page.getByLabel('Equation').fill('KHC8H4O4 + NaOH -> KNaC8H4O4 + H2O')
  await page.getByLabel('Standard', { exact: true }).fill('KHC8H4O4')
  await page.getByLabel('Solution', { exact: true }).fill('NaOH')
  await page.getByLabel('Standard, replicate 1').fill('0.3888 g')
  await page.getByLabel('Solution used, replicate 1').fill('18.64 mL')
  await expect(page.getByTestId('mean')).toHaveText(/^0\.10213\d\smol\/L$/)
  await expectAccessible(page)
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Alkali of the week' }).click()
  await expect(page.getByTestId('mean')).toHaveText(/^0\.10213\d/)
  await page.getByLabel('Attach it to a batch').selectOption(code)
  await page.getByRole('button', { name: 'Attach', exact: true }).click()
  await expect(page.getByText(`“Alkali of the week” is with ${code} now.`)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Alkali of the week' })).toHaveCount(0)
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.goto(`/batches/${code}/assay`)
  await expect(page.getByTestId('mean')).toHaveText(/^0\.10213\d/)
  await page.getByRole('button', { name: 'Write it into the journal' }).click()
  await expect(page.getByRole('button', { name: 'In the journal' })).toBeDisabled()
})

test('a worksheet typed while the database is away is kept, and one deleted elsewhere is begun anew', async ({
  page,
  request,
}) => {
  await page.route('**/api/assays', route => route.abort())
  await page.goto('/assays')
  await expect(page.getByText('Server not reached; trying again.')).toBeVisible()
  await page.getByRole('button', { name: 'Washes' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Kept through the outage')
  await page.unroute('**/api/assays')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  const stored = async () =>
    ((await (await request.get('/api/assays')).json()) as { worksheet: { id: string; name: string } }[]).find(
      ({ worksheet }) => worksheet.name.startsWith('Kept through'),
    )
  const { id } = (await stored())!.worksheet
  await page.reload()
  await page.getByRole('button', { name: 'Kept through the outage' }).click()
  expect((await request.delete(`/api/assays/${id}`)).status()).toBe(204)
  await page.getByLabel('Name', { exact: true }).fill('Kept through the outage and the deletion')
  await expect.poll(async () => (await stored())?.worksheet.name).toBe('Kept through the outage and the deletion')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.getByRole('button', { name: 'Delete this worksheet' }).click()
  await expect.poll(async () => (await stored()) === undefined).toBe(true)
})
