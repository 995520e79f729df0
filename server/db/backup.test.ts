import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { accessFor, addDemoLab, allDemo, putBatch, TOVE } from '../record/fixtures'
import { sha256Of } from '../record/canonical'
import { insertBatch } from './batches'
import { connect } from './connect'
import { migrate } from './migrate'

const server = process.env.TEST_DATABASE_URL

/** The drill: saved, something goes wrong, and back. */
describe.skipIf(!server)('a backup', () => {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const url = server?.replace(/\/[^/]*$/, `/${name}`) ?? ''
  const folder = mkdtempSync(join(tmpdir(), 'zip-ledger-backup-'))
  const file = join(folder, 'saved.dump')
  let admin: Knex
  const withDb = async <T>(work: (db: Knex) => Promise<T>): Promise<T> => {
    const db = connect(url)
    try {
      return await work(db)
    } finally {
      await db.destroy()
    }
  }
  function run(command: string, ...more: string[]): { code: number; said: string } {
    try {
      return {
        code: 0,
        said: execFileSync(`bin/${command}`, more, {
          env: { ...process.env, DATABASE_URL: url },
          encoding: 'utf8',
          stdio: 'pipe',
        }),
      }
    } catch (error) {
      const { status, stdout, stderr } = error as { status: number; stdout: string; stderr: string }
      return { code: status, said: `${stdout}${stderr}` }
    }
  }
  const codes = (): Promise<string[]> => withDb(db => db('batches').orderBy('code').pluck('code'))

  beforeAll(async () => {
    admin = connect(server!)
    await admin.raw('create database ??', [name])
    await withDb(async db => {
      await migrate(db)
      await addDemoLab(db)
      for (const batch of allDemo()
        .filter(({ entries }) => entries.some(({ kind }) => kind === 'observation'))
        .slice(0, 5))
        await putBatch(db, batch)
    })
  })
  afterAll(async () => {
    const { rows } = await admin.raw<{ rows: { datname: string }[] }>(
      `select datname from pg_database where datname = ? or datname like 'before_restore_%' or datname like 'restore_%'`,
      [name],
    )
    for (const { datname } of rows) await admin.raw('drop database ?? with (force)', [datname])
    await admin.destroy()
    rmSync(folder, { recursive: true })
  })

  it('is saved with its hash, and never over another file', () => {
    expect(run('backup', file)).toMatchObject({ code: 0 })
    expect(readFileSync(`${file}.sha256`, 'utf8')).toBe(`${sha256Of(readFileSync(file))}  saved.dump\n`)
    expect(run('backup', file)).toMatchObject({ code: 1, said: expect.stringContaining('is there already') })
    expect(run('backup', join(folder, 'no/such/folder.dump'))).toMatchObject({ code: 1 })
  })
  it('comes back as it was, and what stood there meanwhile is kept beside it', async () => {
    const before = await codes()
    await withDb(db => insertBatch(db, accessFor(TOVE.id), 'LATE-001', allDemo()[0]!.document))
    expect(await codes()).toContain('LATE-001')
    const { code, said } = run('restore', file)
    expect(said).toContain('5 batches, each looked at')
    expect(code).toBe(0)
    expect(await codes()).toEqual(before)
    const [, kept] = /kept as the database (\w+)/.exec(said)!
    const old = connect(server!.replace(/\/[^/]*$/, `/${kept}`))
    expect(await old('batches').where({ code: 'LATE-001' }).first('code')).toBeDefined()
    await old.destroy()
    // Walls and append-only tables are there again.
    await withDb(async db => {
      await expect(db('entries').delete()).rejects.toThrow()
      const { rows } = await db.raw<{ rows: { rowsecurity: boolean }[] }>(
        `select rowsecurity from pg_tables where tablename = 'entries'`,
      )
      expect(rows[0]?.rowsecurity).toBe(true)
    })
  })
  it('that was altered, cut short or has lost its hash changes nothing', async () => {
    const before = await codes()
    const data = readFileSync(file)
    const broken = (bytes: Buffer, hash?: string): string => {
      const path = join(folder, `${randomUUID()}.dump`)
      writeFileSync(path, bytes)
      if (hash) writeFileSync(`${path}.sha256`, `${hash}  ${path.split('/').at(-1)}\n`)
      return path
    }
    const altered = Buffer.from(data)
    altered[altered.length >> 1]! ^= 1
    expect(run('restore', broken(altered, sha256Of(data)))).toMatchObject({
      code: 1,
      said: expect.stringContaining('its hash differs'),
    })
    expect(run('restore', broken(data))).toMatchObject({ code: 1, said: expect.stringContaining('not beside it') })
    const short = data.subarray(0, data.length - 4000)
    expect(run('restore', broken(short, sha256Of(short)))).toMatchObject({
      code: 1,
      said: expect.stringContaining('Nothing was changed'),
    })
    expect(await codes()).toEqual(before)
    expect(existsSync(file)).toBe(true)
  })
  it('whose journal was tampered with does not take the place of what is there', async () => {
    const before = await codes()
    // Whoever owns the tables can switch the walls off; the chain notices.
    await withDb(async db => {
      await db.raw('alter table entries disable trigger user')
      const row = await db('entries').where({ kind: 'observation' }).first('id')
      await db('entries')
        .where({ id: row.id })
        .update({ body: db.raw(`body || '{"text":"nothing happened"}'`) })
      await db.raw('alter table entries enable trigger user')
    })
    const tampered = join(folder, 'tampered.dump')
    expect(run('backup', tampered).code).toBe(0)
    expect(run('restore', tampered)).toMatchObject({
      code: 1,
      said: expect.stringMatching(/broken at entry[^]*Nothing was changed/),
    })
    expect(await codes()).toEqual(before)
    expect(run('restore', file).code).toBe(0)
  })
})
