import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import knex, { type Knex } from 'knex'

/** A server of a test's own, on a database of its own beside that of the other tests. */
export interface OwnServer {
  readonly address: string
  /** The link that sets up the first lab. */
  readonly first: string
  readonly db: Knex
  readonly pid: number
  stop(): Promise<void>
}
const freePort = (): Promise<number> =>
  new Promise(resolve => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })

/** The database's owner, who makes another database; bin/test names it. */
const owner = process.env.TEST_DATABASE_URL
export const hasOwner = owner !== undefined

/** Starts one, with an application role as bin/start has it. `more` are settings of the server. */
export async function startOwn(more: Record<string, string> = {}): Promise<OwnServer> {
  const name = `own_${crypto.randomUUID().replaceAll('-', '')}`
  const admin = knex({ client: 'pg', connection: owner! })
  await admin.raw('create database ??', [name])
  const url = owner!.replace(/\/[^/]*$/, `/${name}`)
  const prepared = spawnSync('node', ['.build/prepare.mjs'], {
    env: { ...process.env, DATABASE_URL: url, APP_PASSWORD: process.env.APP_PASSWORD ?? '' },
    encoding: 'utf8',
  })
  const [, first = ''] = /^first (\S+)$/m.exec(prepared.stdout) ?? []
  if (!first) throw new Error(`not prepared: ${prepared.stdout}${prepared.stderr}`)
  const app = new URL(url)
  if (process.env.APP_PASSWORD) Object.assign(app, { username: 'zip_ledger_app', password: process.env.APP_PASSWORD })
  const port = await freePort()
  const child: ChildProcess = spawn('node', ['.output/server/index.mjs'], {
    env: { ...process.env, DATABASE_URL: app.href, NITRO_HOST: '127.0.0.1', NITRO_PORT: String(port), ...more },
    stdio: 'ignore',
  })
  const address = `http://localhost:${port}`
  for (let i = 0; i < 100; i++) {
    if ((await fetch(`${address}/readyz`).catch(() => undefined))?.ok) break
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  const db = knex({ client: 'pg', connection: url })
  return {
    address,
    first,
    db,
    pid: child.pid!,
    async stop() {
      child.kill('SIGKILL')
      await db.destroy()
      await admin.raw('drop database ?? with (force)', [name])
      await admin.destroy()
    },
  }
}

/** Somebody with cookies of their own, who asks as a page would. */
export class Somebody {
  private readonly cookies = new Map<string, string>()
  constructor(
    private readonly address: string,
    private readonly headers: Record<string, string> = {},
  ) {}
  async ask(method: string, path: string, body?: unknown): Promise<{ status: number; data: never; headers: Headers }> {
    const answer = await fetch(`${this.address}${path}`, {
      method,
      redirect: 'manual',
      headers: {
        ...(body !== undefined && { 'content-type': 'application/json' }),
        ...(this.cookies.size > 0 && { cookie: [...this.cookies].map(([key, value]) => `${key}=${value}`).join('; ') }),
        ...this.headers,
      },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    for (const cookie of answer.headers.getSetCookie()) {
      const [pair = ''] = cookie.split(';')
      const at = pair.indexOf('=')
      if (/max-age=0/i.test(cookie)) this.cookies.delete(pair.slice(0, at))
      else this.cookies.set(pair.slice(0, at), pair.slice(at + 1))
    }
    const text = answer.headers.get('content-type')?.includes('event-stream') ? '' : await answer.text()
    if (text === '') await answer.body?.cancel().catch(() => {})
    let data: unknown = text
    try {
      data = JSON.parse(text)
    } catch {
      // What is no JSON is given as it came.
    }
    return { status: answer.status, data: data as never, headers: answer.headers }
  }
  cookie = (name: string): string | undefined => this.cookies.get(name)
  /** As another browser, with this one's cookies. */
  withCookies(from: Somebody): this {
    for (const [key, value] of from.cookies) this.cookies.set(key, value)
    return this
  }
}
export const PASSWORD = 'four plain words in a row'
