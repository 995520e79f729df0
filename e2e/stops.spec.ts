import { randomUUID } from 'node:crypto'
import { expect, test } from '@playwright/test'
import { hasOwner, Somebody, startOwn } from './own-server'

test.skip(!hasOwner, 'bin/test names a database server')

/** As in a rolling restart: the proxy must see that a process stops before it does, and nobody’s request may fall between. */
test('a process that is asked to stop says so first, answers on, ends its streams, and is gone', async () => {
  const own = await startOwn({ ZIP_LEDGER_DEMO: '1', ZIP_LEDGER_DRAIN: '2000' })
  try {
    const one = new Somebody(own.address)
    await one.ask('POST', '/api/session/demo', {})
    const [person] = (await one.ask('GET', '/api/lab')).data['people'] as { id: string }[]
    await one.ask('POST', '/api/session/demo', { person: person!.id })
    const live = await fetch(`${own.address}/api/live`, {
      headers: { cookie: `zip-ledger=${one.cookie('zip-ledger')}` },
    })
    const told = live.text()

    process.kill(own.pid, 'SIGTERM')
    await expect.poll(async () => (await fetch(`${own.address}/readyz`)).status).toBe(503)
    expect((await fetch(`${own.address}/healthz`)).status).toBe(200)
    const entry = {
      kind: 'note',
      id: randomUUID(),
      at: new Date().toISOString(),
      by: person!.id,
      stage: 's1',
      text: 'late',
    }
    const answer = await one.ask('POST', '/api/batches/ZN-020/entries', { entries: [entry] })
    expect(answer.status).toBe(201)
    expect(answer.headers.get('connection')).toBe('close')
    expect(await told).toContain('event: beat')
    await expect
      .poll(() =>
        fetch(`${own.address}/healthz`).then(
          () => 'there',
          () => 'gone',
        ),
      )
      .toBe('gone')
    expect(await own.db('entries').where({ id: entry.id }).pluck('kind')).toEqual(['note'])
    // What it told of itself is taken back.
    expect(await own.db('processes').count('* as n').first()).toEqual({ n: '0' })
  } finally {
    await own.stop()
  }
})
