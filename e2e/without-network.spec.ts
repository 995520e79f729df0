import { expect, test } from '@playwright/test'

test.use({ serviceWorkers: 'allow' })

test('without the network the app opens, shows what it read last, and keeps what is recorded until it is back', async ({
  page,
  context,
  request,
}) => {
  const { code } = await (
    await request.post('/api/batches', {
      data: { product: 'ZnSO4.7H2O', equation: 'Zn + H2SO4 -> ZnSO4 + H2', title: 'Kept on the device' },
    })
  ).json()
  const { people } = (await (await request.get('/api/lab')).json()) as { people: { id: string }[] }
  const clock = { kind: 'timer', stage: 's1', what: 'start', name: 'dish', seconds: 3600 }
  const started = { ...clock, id: crypto.randomUUID(), timer: crypto.randomUUID(), by: people[0]!.id }
  await request.post(`/api/batches/${code}/entries`, {
    data: { entries: [{ ...started, at: new Date().toISOString() }] },
  })
  await page.goto('/')
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await page.goto(`/batches/${code}/sheet`)
  await page.getByLabel('Charge of Zn').fill('5.00 g')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Charge of Zn')).toHaveValue('5.00 g')
  await page.getByRole('navigation', { name: 'Batch' }).getByRole('link', { name: 'Run' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Weigh Zn')

  await context.setOffline(true)
  await page.close()
  const again = await context.newPage()
  await again.goto(`/batches/${code}/run`)
  await expect(again.getByRole('heading', { level: 1 })).toContainText('Weigh Zn')
  await expect(again.getByRole('complementary', { name: 'Clocks' })).toContainText('dish')
  await again.getByLabel('or net').fill('5.02')
  await again.getByRole('button', { name: 'Record net' }).click()
  await expect(again.getByRole('complementary', { name: 'Not saved yet' })).toContainText('1 not saved yet.')
  await expect(again.getByRole('complementary', { name: 'No connection' })).toBeVisible()
  await again.close()

  await context.setOffline(false)
  const back = await context.newPage()
  await back.goto('/')
  await expect.poll(async () => (await (await request.get(`/api/batches/${code}/entries`)).json()).length).toBe(2)
  await expect(back.getByRole('complementary', { name: 'Not saved yet' })).toHaveCount(0)
})
