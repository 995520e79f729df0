import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { registry } from '../server/seen/metrics'
import { limits } from '../server/seen/warnings'
import { expect, it } from 'vitest'
import { parse } from 'yaml'

const values: Record<string, string> = {
  NODE: 'node1',
  ADDRESS: '192.0.2.1',
  STATE: '/var/lib/zip-ledger',
  LOGS: '/var/log/zip-ledger',
  NETWORK: '192.0.2.0/24',
  ETCD_PORT: '2379',
  ETCD_PEER_PORT: '2380',
  ETCD_CLUSTER: 'node1=http://192.0.2.1:2380,node2=http://192.0.2.2:2380,node3=http://192.0.2.3:2380',
  ETCD_STATE: 'new',
  ETCD_HOSTS: '192.0.2.1:2379,192.0.2.2:2379,192.0.2.3:2379',
  PATRONI_PORT: '8008',
  POSTGRES_PORT: '5432',
  POSTGRES_BIN: '/usr/lib/postgresql/15/bin',
  SUPERUSER_PASSWORD: 'a',
  REPLICATION_PASSWORD: 'b',
  REWIND_PASSWORD: 'c',
  DATABASE: 'zip_ledger',
  DATABASE_HOST: '192.0.2.10',
  DATABASE_PORT: '5000',
  POOLER_PORT: '6432',
  POOL_SIZE: '20',
  APP_PORT: '443',
  APP_TLS: '',
  APP_NAME: 'ledger.example.org',
  DATABASE_SERVERS: '  server node1 192.0.2.1:5432 maxconn 150 check port 8008',
  APP_SERVERS: '  server app1 127.0.0.1:3001 check',
}
const fill = (file: string, without?: string) =>
  spawnSync('deploy/fill', [`deploy/${file}`], {
    env: { PATH: process.env.PATH, ...Object.fromEntries(Object.entries(values).filter(([key]) => key !== without)) },
    encoding: 'utf8',
  })
const filled = (file: string): string => {
  const { status, stdout, stderr } = fill(file)
  expect(stderr).toBe('')
  expect(status).toBe(0)
  return stdout
}
/** A setting of an ini file, or of HAProxy’s. */
const setting = (text: string, name: string): string | undefined =>
  new RegExp(`^\\s*${name}(?:\\s*=\\s*|\\s+)(.*)$`, 'm').exec(text)?.[1]

it.each(['etcd.yml', 'patroni.yml', 'haproxy.cfg', 'pgbouncer.ini'])(
  '%s is filled without a gap, or not at all',
  file => {
    expect(filled(file)).not.toContain('${')
    const { status, stdout, stderr } = fill(file, 'ADDRESS')
    expect([status, stdout]).toEqual([1, ''])
    expect(stderr).toContain('ADDRESS')
  },
)

it('loses nothing that was acknowledged: two disks, and nobody leads who cannot reach the others', () => {
  const { bootstrap, etcd3, etcd } = parse(filled('patroni.yml'))
  const { dcs } = bootstrap
  expect(etcd3.hosts.split(',')).toHaveLength(3)
  expect(etcd).toBeUndefined()
  expect(dcs).toMatchObject({ synchronous_mode: true, synchronous_mode_strict: true })
  expect(dcs.postgresql.parameters).toMatchObject({ fsync: 'on', synchronous_commit: 'on' })
  // Patroni: a leader must be able to step down before its word runs out; twenty seconds are the least.
  expect(dcs.ttl).toBeGreaterThanOrEqual(Math.max(20, dcs.loop_wait + 2 * dcs.retry_timeout))
  expect(bootstrap.initdb).toContain('data-checksums')
  expect(bootstrap.pg_hba.every((line: string) => line.endsWith('scram-sha-256'))).toBe(true)
  expect(parse(filled('etcd.yml'))).toMatchObject({ 'enable-v2': false, 'initial-cluster-state': 'new' })
})

it('lends connections for a transaction, and gives up when the app does', () => {
  const pooler = filled('pgbouncer.ini')
  expect(setting(pooler, 'pool_mode')).toBe('transaction')
  expect(setting(pooler, 'auth_type')).toBe('scram-sha-256')
  const longest = Number(/LONGEST = (\d+)/.exec(readFileSync('server/db/connect.ts', 'utf8'))?.[1])
  expect(Number(setting(pooler, 'query_wait_timeout')) * 1000).toBe(longest)
})

it('sends clients to whoever leads, and browsers to a process that says it is ready', () => {
  const proxy = filled('haproxy.cfg')
  expect(proxy).toContain('option httpchk OPTIONS /primary')
  expect(proxy).toContain('on-marked-down shutdown-sessions')
  expect(proxy).toContain('option httpchk GET /readyz')
  // A process goes on for longer than the proxy takes to notice that it stops.
  const unit = readFileSync('deploy/zip-ledger@.service', 'utf8')
  const drain = Number(/ZIP_LEDGER_DRAIN=(\d+)/.exec(unit)?.[1])
  const [, inter, fall] = /backend processes[\s\S]*?default-server inter (\d+)s fall (\d+)/.exec(proxy) ?? []
  expect(drain).toBeGreaterThan(Number(inter) * 1000 * (Number(fall) + 1))
  // A stream’s beat comes sooner than the proxy gives up on it.
  const [, waits] = /backend processes[\s\S]*?timeout server (\d+)s/.exec(proxy) ?? []
  const [, beat] = /BEAT = ([\d_]+)/.exec(readFileSync('server/utils/streams.ts', 'utf8')) ?? []
  expect(Number(waits) * 1000).toBeGreaterThan(2 * Number(beat?.replaceAll('_', '')))
})

it.skipIf(!existsSync('/usr/sbin/haproxy'))('is understood by HAProxy', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zip-ledger-settings-'))
  writeFileSync(join(folder, 'haproxy.cfg'), filled('haproxy.cfg'))
  const { status, stderr } = spawnSync('/usr/sbin/haproxy', ['-c', '-f', join(folder, 'haproxy.cfg')], {
    encoding: 'utf8',
  })
  rmSync(folder, { recursive: true })
  expect({ status, stderr: stderr.replaceAll(/\[NOTICE\].*\n/g, '') }).toEqual({ status: 0, stderr: '' })
})

it('wakes people by figures that the processes tell, from where on the page warns', async () => {
  const { groups } = parse(readFileSync('deploy/alerts.yml', 'utf8'))
  const rules: { alert: string; expr: string; annotations: { summary: string; fix: string } }[] = groups.flatMap(
    (group: { rules: unknown[] }) => group.rules,
  )
  const expr = (alert: string): string => rules.find(one => one.alert === alert)!.expr
  const source = readFileSync('server/plugins/seen.ts', 'utf8')
  const own = [...source.matchAll(/gauges?\('(\w+)'/g)].map(([, name]) => `zip_ledger_${name}`)
  const told = new Set([...(await registry.getMetricsAsJSON()).map(one => one.name), ...own])
  for (const { expr: text, annotations } of rules) {
    for (const [name] of text.matchAll(/zip_ledger_\w+/g))
      expect(told.has(name.replace(/_(bucket|count|sum)$/, '')), name).toBe(true)
    expect(annotations.fix).not.toBe('')
  }
  expect(expr('ComesLate')).toContain(`> ${limits.lag / 1000}`)
  expect(expr('SlowAnswers')).toContain(`> ${limits.slowest20th / 1000}`)
  expect(expr('EntriesWait')).toContain(`> ${limits.waiting}`)
  expect(expr('MuchMemory')).toContain(`> ${limits.memory / 1e6}e6`)
  expect(expr('DiskFills')).toContain(`< ${limits.diskFree}`)
  expect(expr('BackupIsOld')).toContain(`> ${limits.backupHours} * 3600`)
})
