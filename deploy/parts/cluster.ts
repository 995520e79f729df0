import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { chmodSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** The machines of a drill: addresses of loopback, each with the ports that a real one has. */
export const nodes = [1, 2, 3].map(n => ({ name: `node${n}`, address: `127.0.77.${n}` }))
export type Node = (typeof nodes)[number]
export const proxy = '127.0.77.10'
export const apps = ['127.0.77.21', '127.0.77.22'] as const
export const PORTS = {
  etcd: 2379,
  peer: 2380,
  patroni: 8008,
  postgres: 5432,
  database: 5000,
  pooler: 6432,
  app: 3000,
  web: 8080,
}
const DATABASE = 'zip_ledger'

export interface Passwords {
  readonly superuser: string
  readonly replication: string
  readonly rewind: string
  readonly app: string
}

const isRoot = process.getuid?.() === 0
/** PostgreSQL refuses to run as root; what is its own runs as its user. */
const asUser = (command: string, more: readonly string[]): [string, string[]] =>
  isRoot
    ? ['setpriv', ['--reuid=postgres', '--regid=postgres', '--clear-groups', command, ...more]]
    : [command, [...more]]

/** Everything that a drill starts, each by its name, with its log in the folder; ended by id, and by nothing else. */
export class House {
  private readonly running = new Map<string, ChildProcess>()
  constructor(
    readonly folder: string,
    private readonly passwords: Passwords,
  ) {}

  /** A file of settings as it is deployed, with this machine's values in it. */
  private fill(file: string, values: Record<string, string>): string {
    const filled = spawnSync('deploy/fill', [`deploy/${file}`], {
      env: { ...process.env, ...values },
      encoding: 'utf8',
    })
    if (filled.status !== 0) throw new Error(filled.stderr)
    return filled.stdout
  }
  private valuesOf({ name, address }: Node, isFirst: boolean): Record<string, string> {
    return {
      NODE: name,
      ADDRESS: address,
      STATE: join(this.folder, name),
      LOGS: this.folder,
      NETWORK: '127.0.0.0/8',
      ETCD_PORT: String(PORTS.etcd),
      ETCD_PEER_PORT: String(PORTS.peer),
      ETCD_CLUSTER: nodes.map(one => `${one.name}=http://${one.address}:${PORTS.peer}`).join(','),
      ETCD_STATE: isFirst ? 'new' : 'existing',
      ETCD_HOSTS: nodes.map(one => `${one.address}:${PORTS.etcd}`).join(','),
      PATRONI_PORT: String(PORTS.patroni),
      POSTGRES_PORT: String(PORTS.postgres),
      POSTGRES_BIN: process.env.POSTGRES_BIN ?? '',
      SUPERUSER_PASSWORD: this.passwords.superuser,
      REPLICATION_PASSWORD: this.passwords.replication,
      REWIND_PASSWORD: this.passwords.rewind,
    }
  }
  private write(name: string, text: string): string {
    const file = join(this.folder, name)
    writeFileSync(file, text)
    return file
  }
  private begin(name: string, [command, more]: [string, string[]], env: Record<string, string> = {}): void {
    const log = openSync(join(this.folder, `${name}.log`), 'a')
    const child = spawn(command, more, {
      stdio: ['ignore', log, log],
      env: { ...process.env, ...env },
      cwd: process.cwd(),
    })
    this.running.set(name, child)
  }

  startEtcd(node: Node, isFirst: boolean): void {
    const file = this.write(`${node.name}-etcd.yml`, this.fill('etcd.yml', this.valuesOf(node, isFirst)))
    this.begin(`${node.name}-etcd`, asUser('etcd', ['--config-file', file]))
  }
  startPatroni(node: Node): void {
    const file = this.write(`${node.name}-patroni.yml`, this.fill('patroni.yml', this.valuesOf(node, true)))
    this.begin(`${node.name}-patroni`, asUser('patroni', [file]), { LC_ALL: 'C.UTF-8' })
  }
  startProxy(): void {
    const server = (name: string, address: string, port: number, more: string): string =>
      `  server ${name} ${address}:${port} ${more}`
    const file = this.write(
      'haproxy.cfg',
      this.fill('haproxy.cfg', {
        ADDRESS: proxy,
        DATABASE_PORT: String(PORTS.database),
        DATABASE_SERVERS: nodes
          .map(({ name, address }) => server(name, address, PORTS.postgres, `maxconn 150 check port ${PORTS.patroni}`))
          .join('\n'),
        APP_PORT: String(PORTS.web),
        APP_TLS: '',
        APP_NAME: proxy,
        APP_SERVERS: apps.map((address, i) => server(`app${i + 1}`, address, PORTS.app, 'check')).join('\n'),
      }),
    )
    this.begin('haproxy', asUser('haproxy', ['-db', '-f', file]))
  }
  startPooler(): void {
    const state = join(this.folder, 'pooler')
    const file = this.write(
      'pgbouncer.ini',
      this.fill('pgbouncer.ini', {
        ADDRESS: proxy,
        POOLER_PORT: String(PORTS.pooler),
        DATABASE,
        DATABASE_HOST: proxy,
        DATABASE_PORT: String(PORTS.database),
        POOL_SIZE: '20',
        STATE: state,
        LOGS: state,
      }),
    )
    mkdirSync(state, { recursive: true })
    chmodSync(state, 0o777)
    writeFileSync(join(state, 'userlist.txt'), `"zip_ledger_app" "${this.passwords.app}"\n`)
    this.begin('pgbouncer', asUser('pgbouncer', ['-q', file]))
  }
  /** A process of the app, of the build in this tree or in another. */
  startApp(number: number, tree = process.cwd()): void {
    const role = `postgres://zip_ledger_app:${this.passwords.app}@${proxy}`
    this.begin(
      `app${number + 1}`,
      ['node', ['--max-semi-space-size=16', '--heap-growing-percent=100', join(tree, '.output/server/index.mjs')]],
      {
        DATABASE_URL: `${role}:${PORTS.pooler}/${DATABASE}`,
        DATABASE_LISTEN_URL: `${role}:${PORTS.database}/${DATABASE}`,
        NITRO_HOST: apps[number]!,
        NITRO_PORT: String(PORTS.app),
        ZIP_LEDGER_HOSTS: proxy,
        ZIP_LEDGER_PROXY: proxy,
        ZIP_LEDGER_DRAIN: '3000',
        NITRO_SHUTDOWN_TIMEOUT: '10000',
        ZIP_LEDGER_REQUESTS_A_MINUTE: '10000000',
        MALLOC_ARENA_MAX: '2',
      },
    )
  }
  /** The database as its owner sees it, wherever the leader is. */
  ownerUrl = (database = DATABASE): string =>
    `postgres://postgres:${this.passwords.superuser}@${proxy}:${PORTS.database}/${database}`

  /** Ends one at once, as a machine that loses its power does: with its PostgreSQL, where it has one. */
  kill(name: string): void {
    this.running.get(name)?.kill('SIGKILL')
    this.running.delete(name)
    if (!name.endsWith('-patroni')) return
    const file = join(this.folder, name.replace('-patroni', ''), 'postgres', 'postmaster.pid')
    try {
      const first = Number(readFileSync(file, 'utf8').split('\n')[0])
      const children = spawnSync('pgrep', ['-P', String(first)], { encoding: 'utf8' }).stdout.split('\n')
      for (const pid of [first, ...children.filter(Boolean).map(Number)]) process.kill(pid, 'SIGKILL')
    } catch {
      // It had none running.
    }
  }
  /** Asks one to stop, and waits until it has. */
  async stop(name: string, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const child = this.running.get(name)
    if (!child) return
    this.running.delete(name)
    if (child.exitCode !== null || child.signalCode !== null) return
    const ended = new Promise(resolve => child.once('exit', resolve))
    child.kill(signal)
    await ended
  }
  async stopAll(): Promise<void> {
    for (const name of ['app1', 'app2', 'pgbouncer', 'haproxy']) await this.stop(name)
    // The followers first, so that none of them takes over.
    for (const { name } of nodes) this.kill(`${name}-patroni`)
    for (const { name } of nodes) await this.stop(`${name}-etcd`, 'SIGKILL')
  }
}
