import { createServer, type AddressInfo } from 'node:net'
import { createServer as createHttp } from 'node:http'
import { afterEach, expect, it, vi } from 'vitest'
import { connect } from '../db/connect'
import { slowest, watchStatements } from './statements'
import { beginTraces, traceRequest, traceStatements } from './traces'

const server = process.env.TEST_DATABASE_URL
afterEach(() => vi.unstubAllEnvs())

it('makes no traces where none are wanted', async () => {
  vi.stubEnv('OTEL_EXPORTER_OTLP_ENDPOINT', undefined)
  vi.stubEnv('OTEL_EXPORTER_OTLP_TRACES_ENDPOINT', undefined)
  expect(await beginTraces()).toBeUndefined()
  expect(traceRequest('GET')).toBeUndefined()
})

/** A stand-in for a collector, which takes what is sent to it. */
it.skipIf(!server)('sends a request with its statements below it, by route, and no values', async () => {
  const got: string[] = []
  const collector = createHttp((request, answer) => {
    let body = ''
    request.setEncoding('utf8')
    request.on('data', (piece: string) => (body += piece))
    request.on('end', () => {
      got.push(`${request.url} ${body}`)
      answer.end('{}')
    })
  })
  await new Promise<void>(resolve => collector.listen(0, '127.0.0.1', resolve))
  const { port } = (collector as unknown as ReturnType<typeof createServer>).address() as AddressInfo
  vi.stubEnv('OTEL_EXPORTER_OTLP_ENDPOINT', `http://127.0.0.1:${port}`)
  const finish = await beginTraces()
  const db = traceStatements(watchStatements(connect(server!)))
  const end = traceRequest('GET')
  await db.raw('select ?::text as secret', ['the name of somebody'])
  await db.raw('select 1 / 0').catch(() => {})
  end?.('/api/batches/:code', 200)
  await finish?.()
  await db.destroy()
  collector.close()

  expect(got[0]).toMatch(/^\/v1\/traces /)
  const spans = got.flatMap(one =>
    (
      JSON.parse(one.replace(/^\S+ /, '')) as {
        resourceSpans: { scopeSpans: { spans: { name: string; spanId: string; parentSpanId?: string }[] }[] }[]
      }
    ).resourceSpans.flatMap(({ scopeSpans }) => scopeSpans.flatMap(({ spans: some }) => some)),
  )
  const request = spans.find(one => one.name === 'GET /api/batches/:code')!
  expect(spans.filter(one => one.name === 'SELECT').map(one => one.parentSpanId)).toEqual([
    request.spanId,
    request.spanId,
  ])
  expect(got.join()).not.toContain('the name of somebody')
  // The same statements, as the page of the installation lists them.
  expect(slowest(9).map(({ sql, count }) => [sql, count])).toEqual(
    expect.arrayContaining([
      ['select $1::text as secret', 1],
      ['select 1 / 0', 1],
    ]),
  )
})
