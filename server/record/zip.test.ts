import { unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import type { OutFile } from './tables'
import { zipOf, zipped } from './zip'

async function* files(count: number, told: string[] = []): AsyncGenerator<OutFile> {
  for (let i = 0; i < count; i++) {
    told.push(`made ${i}`)
    yield {
      path: `a folder/Größe-${i}.csv`,
      type: i % 2 ? 'image/png' : 'text/csv',
      title: '',
      data: i % 2 ? new Uint8Array(5000).fill(i) : `row;${i}\r\n`.repeat(300),
    }
  }
}

describe('an archive', () => {
  it('is read back as it was written, by another program than the one that wrote it', async () => {
    const read = unzipSync(await zipOf(files(7)))
    expect(Object.keys(read)).toEqual(Array.from({ length: 7 }, (_, i) => `a folder/Größe-${i}.csv`))
    expect(Buffer.from(read['a folder/Größe-2.csv']!).toString()).toBe('row;2\r\n'.repeat(300))
    expect(read['a folder/Größe-3.csv']).toEqual(new Uint8Array(5000).fill(3))
  })
  it('is made no faster than it is read', async () => {
    const told: string[] = []
    const reading = zipped(files(500, told))
    await reading.next()
    await new Promise(resolve => setTimeout(resolve, 50))
    expect(told.length).toBeLessThan(100)
    await reading.return(undefined)
  })
  it('ends with what went wrong while a file was made, and not as if it were whole', async () => {
    async function* failing(): AsyncGenerator<OutFile> {
      yield { path: 'a.txt', type: 'text/plain', title: '', data: 'a' }
      throw new Error('the database is away')
    }
    await expect(zipOf(failing())).rejects.toThrow('the database is away')
    expect(unzipSync(await zipOf(files(0)))).toEqual({})
  })
})
