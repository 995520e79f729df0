import { AsyncLocalStorage } from 'node:async_hooks'
import type { Span, Tracer } from '@opentelemetry/api'
import type { Knex } from 'knex'

/** Where traces go (OpenTelemetry over HTTP); without it none are made, and nothing of this is loaded. */
const target = (): string | undefined =>
  process.env.OTEL_EXPORTER_OTLP_TRACES_ENDPOINT ?? process.env.OTEL_EXPORTER_OTLP_ENDPOINT

const current = new AsyncLocalStorage<Span>()
let api: typeof import('@opentelemetry/api') | undefined
let tracer: Tracer | undefined

/** Begins to make traces where they are wanted; gives back how to send off the last ones. */
export async function beginTraces(): Promise<(() => Promise<void>) | undefined> {
  if (!target()) return undefined
  const [loaded, { BasicTracerProvider, BatchSpanProcessor }, { OTLPTraceExporter }, { resourceFromAttributes }] =
    await Promise.all([
      import('@opentelemetry/api'),
      import('@opentelemetry/sdk-trace-base'),
      import('@opentelemetry/exporter-trace-otlp-http'),
      import('@opentelemetry/resources'),
    ])
  const provider = new BasicTracerProvider({
    resource: resourceFromAttributes({ 'service.name': process.env.OTEL_SERVICE_NAME ?? 'zip-ledger' }),
    spanProcessors: [new BatchSpanProcessor(new OTLPTraceExporter())],
  })
  api = loaded
  tracer = provider.getTracer('zip-ledger')
  return () => provider.shutdown()
}

/** Begins the span of a request, and of what is done for it from here on; gives back how to end it. No path, body or name goes out: only the route. */
export function traceRequest(method: string): ((route: string, status: number) => void) | undefined {
  const span = tracer?.startSpan(method)
  if (!span) return undefined
  current.enterWith(span)
  return (route, status) => {
    span.updateName(`${method} ${route}`)
    span.setAttributes({ 'http.request.method': method, 'http.route': route, 'http.response.status_code': status })
    if (status >= 500) span.setStatus({ code: 2 })
    span.end()
  }
}

/** A span for each statement, below that of the request for which it is made. The statement has places for its values, and none of them. */
export function traceStatements(db: Knex): Knex {
  const open = new Map<string, Span>()
  db.on('query', ({ __knexQueryUid: id, sql = '' }: { __knexQueryUid?: string; sql?: string }) => {
    const above = current.getStore()
    if (!tracer || !api || !above || id === undefined) return
    const span = tracer.startSpan(
      sql.trimStart().split(/\s/, 1)[0]?.toUpperCase() || 'STATEMENT',
      { attributes: { 'db.system.name': 'postgresql', 'db.query.text': sql.slice(0, 400) } },
      api.trace.setSpan(api.ROOT_CONTEXT, above),
    )
    open.set(id, span)
  })
  const end = (_: unknown, { __knexQueryUid: id = '' }: { __knexQueryUid?: string }): void => {
    open.get(id)?.end()
    open.delete(id)
  }
  db.on('query-response', end)
  db.on('query-error', end)
  return db
}
