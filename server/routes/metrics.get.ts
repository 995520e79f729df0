import { timingSafeEqual } from 'node:crypto'
import { registry } from '../seen/metrics'

/** The key that Prometheus sends (`ZIP_LEDGER_METRICS_KEY`); without one the figures are told on the machine itself, and not through a proxy. */
const key = process.env.ZIP_LEDGER_METRICS_KEY ?? ''
const same = (a: string, b: string): boolean => {
  const [one, other] = [Buffer.from(a), Buffer.from(b)]
  return one.length === other.length && timingSafeEqual(one, other)
}

/** What this process counts, in the text form of Prometheus. */
export default defineEventHandler(async event => {
  const isHere = /^(127\.|::1$|::ffff:127\.)/.test(event.node.req.socket.remoteAddress ?? '')
  const isDirect = !getHeader(event, 'x-forwarded-for') && !getHeader(event, 'forwarded')
  const mayLook = key === '' ? isHere && isDirect : same(getHeader(event, 'authorization') ?? '', `Bearer ${key}`)
  if (!mayLook) throw refusal(404, 'There is nothing here.')
  setResponseHeader(event, 'content-type', registry.contentType)
  setResponseHeader(event, 'cache-control', 'no-store')
  return registry.metrics()
})
