import { randomUUID } from 'node:crypto'
import { Agent, request } from 'node:http'
import type { Entry } from '#core/journal'
import { PORTS, proxy } from './cluster'

/** An entry that the server said it has: which, where in its batch, and when the word came, ms. */
export interface Acknowledged {
  readonly id: string
  readonly text: string
  readonly seq: number
  readonly at: number
}
export interface Client {
  readonly code: string
  readonly acknowledged: Acknowledged[]
  /** Requests that were not answered as they should, and sent again. */
  repeats: number
}

/** Sends through the proxy, each client over a connection of its own; undefined where nothing came back. */
export const sender = (agent: Agent, cookie: string) =>
  function send(method: string, path: string, body?: object): Promise<{ status: number; body: string } | undefined> {
    const text = body && JSON.stringify(body)
    return new Promise(resolve => {
      const sent = request(
        {
          host: proxy,
          port: PORTS.web,
          path,
          method,
          agent,
          timeout: 12_000,
          headers: {
            cookie,
            ...(text && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }),
          },
        },
        answer => {
          let got = ''
          answer.setEncoding('utf8')
          answer.on('data', (piece: string) => (got += piece))
          answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body: got }))
          answer.on('error', () => resolve(undefined))
        },
      )
      sent.on('timeout', () => sent.destroy())
      sent.on('error', () => resolve(undefined))
      sent.end(text)
    })
  }

const pause = (ms: number): Promise<void> => new Promise(resolve => setTimeout(resolve, ms))
/** ms. As long as a page waits, about. */
const AGAIN = 200

/** Writes one entry after the other, each again and again by the same id until it is acknowledged, as a page does. */
export async function write(client: Client, by: string, cookie: string, isOver: () => boolean): Promise<void> {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 })
  const send = sender(agent, cookie)
  for (let n = 0; !isOver(); n++) {
    const text = `${client.code}/${n}`
    const entry: Entry = { kind: 'note', id: randomUUID(), at: new Date().toISOString(), by, stage: 's1', text }
    for (;;) {
      const answer = await send('POST', `/api/batches/${client.code}/entries`, { entries: [entry] })
      if (answer?.status === 201) {
        const [stored] = JSON.parse(answer.body) as { seq: number }[]
        client.acknowledged.push({ id: entry.id, text, seq: stored!.seq, at: performance.now() })
        break
      }
      if (answer && answer.status < 500 && answer.status !== 429 && answer.status !== 401)
        throw new Error(`An entry was refused: ${answer.status} ${answer.body}`)
      client.repeats += 1
      await pause(AGAIN)
    }
    await pause(20)
  }
  agent.destroy()
}
