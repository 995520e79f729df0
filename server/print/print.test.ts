import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import jsQR from 'jsqr'
import PDFDocument from 'pdfkit'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoBatches, demoLab } from '#demo'
import { pictogramsOf } from '#core/remarks'
import { meanings, plainText, recordOf, runText, type Act, type Reader, type RecordPage } from '#core/record'
import { benchSheetPdf } from './bench-sheet'
import { rulerOf } from './flow'
import { LABEL, labelMarks, type Label } from './label'
import { labelsPdf } from './label-pdf'
import { labelSvg } from './label-picture'
import { labelPng } from './to-png'
import { recordPdf } from './record-pdf'

const folder = mkdtempSync(join(tmpdir(), 'zip-ledger-print-'))
afterAll(() => rmSync(folder, { recursive: true }))
const reader: Reader = { zone: 'Europe/Berlin', locale: 'en-GB' }
const at = new Date('2026-11-12T12:00:00Z')
const [tove, wren] = demoLab.people

const zinc: Label = {
  code: 'ZN-020',
  form: 'ZnSO4·7H2O',
  name: 'zinc sulfate heptahydrate',
  mass: '23.29 g',
  made: '12 Nov 2026',
  by: 'Tove Marl',
  lab: 'Lowmere culture station',
  pictograms: pictogramsOf(['H302', 'H318', 'H410']),
  signal: 'Danger',
  statements: 'Causes serious eye damage (H318), very toxic to aquatic life (H410).',
  keep: 'Keep it closed: it loses water in dry air.',
  address: 'http://localhost:3000/batches/ZN-020/record',
}

/** A PDF as another program reads it: its text, what it says of itself, its structure. */
function readBack(data: Uint8Array) {
  const file = join(folder, 'out.pdf')
  writeFileSync(file, data)
  const run = (command: string, ...more: string[]): string =>
    execFileSync(command, more, { encoding: 'utf8', maxBuffer: 50_000_000 })
  return {
    text: run('pdftotext', '-layout', file, '-'),
    info: run('pdfinfo', file),
    structure: run('pdfinfo', '-struct', file),
    fonts: run('pdffonts', file),
    /** The code on its first page, as a camera reads it. */
    async code(): Promise<string | undefined> {
      run('pdftoppm', '-r', '150', '-f', '1', '-l', '1', '-singlefile', '-png', file, join(folder, 'page'))
      const { data: pixels, info } = await sharp(join(folder, 'page.png'))
        .ensureAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true })
      return jsQR(new Uint8ClampedArray(pixels), info.width, info.height)?.data
    },
  }
}
/** Without spaces and breaks, which a layout puts where it likes. */
const bare = (text: string): string => text.replace(/\s/g, '')

const act = (number: number, kind: Act['kind'], name: string, more: Partial<Act> = {}): Act => ({
  batch: 'b',
  number,
  kind,
  by: name,
  name,
  at: '2026-11-12T09:05:00.000Z',
  how: 'password',
  previousHash: '',
  hash: `${number}`.repeat(64),
  key: 'abcdef0123456789',
  signature: '',
  ...more,
})

describe('the record on paper', () => {
  const { code, document, entries } = demoBatches(at).find(one => one.code === 'CO-003')!
  const photo = 'f'.repeat(64)
  const shown = {
    id: '00000000-0000-4000-8000-000000000001',
    kind: 'photo' as const,
    stage: 's1',
    at: '2026-11-12T11:00:00.000Z',
    by: tove.id,
    photo,
    type: 'image/jpeg' as const,
    text: 'The cake, mauve',
  }
  const all = [...entries, shown]
  const strange = 'For the corals → 5 µmol ≤ Δ; Ελληνικά, čeština, Кириллица, \u4e2d, and {Na2MoO4·2H2O}'
  const page: RecordPage = recordOf({
    lab: demoLab.name,
    code,
    document: { ...document, record: { form: 'long', purpose: strange } },
    journal: all.map((entry, i) => ({ seq: i + 1, recordedAt: entry.at, entry })),
    revisions: [{ number: 1, at: '2026-11-11T08:00:00.000Z', by: tove.id, afterSeq: 0, document }],
    people: { [tove.id]: tove.name, [wren.id]: wren.name },
    tables: { substances: [], curves: [] },
  })
  const acts = [
    act(1, 'signed', tove.name, { meaning: meanings.signed }),
    act(2, 'remark', wren.name, {
      text: 'Which bottle was that?',
      place: page.sections.find(({ id }) => id === 'materials')!.blocks[0]!.id,
    }),
    act(3, 'countersigned', wren.name, { meaning: meanings.countersigned }),
    act(4, 'sealed', tove.name, { meaning: meanings.sealed }),
    act(5, 'addendum', tove.name, { text: 'The bottle was B-114.' }),
  ]
  let read: ReturnType<typeof readBack>
  beforeAll(async () => {
    const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a05a7a' } })
      .jpeg()
      .toBuffer()
    read = readBack(await recordPdf({ page, acts, photos: new Map([[photo, picture]]), reader, at }))
  })

  it('has every amount, every correction and every word that the record has', () => {
    const text = bare(read.text)
    const missing: string[] = []
    for (const { title, blocks } of page.sections) {
      expect(text).toContain(bare(title))
      for (const block of blocks) {
        const runs = block.is === 'table' ? block.rows.flat(2) : block.is === 'chart' ? [] : block.words
        for (const run of runs) {
          // A word may be broken over two lines beside another column: its parts are looked for one by one.
          const parts = runText(run, reader)
            .replace(/[{}]/g, '')
            .split(/[\s\u202f]+/)
            .filter(Boolean)
          for (const part of parts) if (!text.includes(part.replace('\u4e2d', ''))) missing.push(part)
        }
      }
    }
    expect(missing).toEqual([])
    expect(text).toContain(bare('gross 30.33 g (digits swapped on the way from the display; Tove Marl'))
    expect(text).toContain(bare('33.03 g: 8.42 g net'))
  })
  it('has every signature, what it means, and what was said at a line', () => {
    const text = bare(read.text)
    for (const one of acts) {
      expect(text).toContain(bare(one.name))
      if (one.meaning) expect(text).toContain(bare(one.meaning))
      if (one.text) expect(text).toContain(bare(one.text))
      if (one.kind !== 'remark') expect(text).toContain(one.hash)
    }
    expect(text).toContain(bare('Signed as author by Tove Marl, 12 Nov 2026, 10:05, by password'))
  })
  it('numbers its pages, names itself, embeds its fonts and tells its structure', () => {
    const pages = Number(/Pages:\s+(\d+)/.exec(read.info)?.[1])
    expect(pages).toBeGreaterThan(2)
    for (let n = 1; n <= pages; n++) expect(read.text).toContain(`page ${n} of ${pages}`)
    expect(read.info).toMatch(/Title:\s+CO-003: Cobalt\(II\) chloride from the carbonate/)
    expect(read.info).toMatch(/Tagged:\s+yes/)
    expect(read.info).toMatch(/Page size:.*A4/)
    for (const line of read.fonts.split('\n').slice(2).filter(Boolean)) expect(line).toMatch(/\byes yes yes\b/)
    for (const tag of ['H1', 'H2', 'P', 'Table', 'TR', 'TH', 'TD', 'Figure'])
      expect(read.structure).toMatch(new RegExp(`^\\s*${tag}\\b`, 'm'))
  })
  it('draws every alphabet that a font has', () => {
    for (const word of ['Ελληνικά', 'čeština', 'Кириллица', '→', '≤']) expect(read.text).toContain(word)
    expect(plainText([strange])).toContain('Na2MoO4')
    expect(bare(read.text)).toContain('Na2MoO4·2H2O')
  })
  it('is the same file for the same record', async () => {
    const make = () => recordPdf({ page, acts, photos: new Map(), reader, at })
    const [one, two] = [await make(), await make()]
    // What a PDF calls itself in its trailer may differ; nothing else.
    const plain = (data: Buffer): string => data.toString('latin1').replace(/\/ID \[[^\]]*\]/, '')
    expect(plain(one)).toBe(plain(two))
  })
  it('stands where there is next to nothing, and where a word is wider than the page', async () => {
    const empty = recordOf({
      lab: 'A lab',
      code: 'X-1',
      document: { format: 'zip-ledger/batch', version: 2, title: 'x'.repeat(120), plan: { stages: [] } },
      journal: [],
      revisions: [],
      people: {},
      tables: { substances: [], curves: [] },
    })
    const { text } = readBack(await recordPdf({ page: empty, acts: [], photos: new Map(), reader, at }))
    expect(text).toContain('Nothing was recorded yet')
    expect(bare(text)).toContain('x'.repeat(120))
    expect(text).toContain('nobody has signed this record yet')
  })
})

describe('what is carried and stuck on', () => {
  it('the bench sheet has its amounts, its boxes and a code that leads back', async () => {
    const { text, code } = readBack(
      await benchSheetPdf({
        code: 'ZN-021',
        title: 'Zinc sulfate',
        lab: 'A lab',
        address: 'http://localhost:3000/batches/ZN-021/run',
        at,
        stages: [
          {
            name: '{ZnSO4·7H2O}',
            equation: '{Zn} + {H2SO4} → {ZnSO4} + {H2}',
            cautions: ['No flame.'],
            charges: [{ what: '{Zn}, 99.5 %', planned: '9.11 g' }],
            steps: [
              { words: 'Weigh {Zn}', boxes: ['empty', 'with it'], times: 1 },
              { words: 'Add it', boxes: [], times: 12, hint: 'until it calms down' },
            ],
          },
        ],
      }),
    )
    for (const said of [
      'ZN-021',
      'Caution: No flame.',
      '9.11 g',
      'empty: ____',
      'with it: ____',
      'until it calms down',
    ])
      expect(text).toContain(said)
    expect(await code()).toBe('http://localhost:3000/batches/ZN-021/run')
  })
  it('the label fits onto one label, with its pictograms told', async () => {
    const { text, info, structure, code } = readBack(
      await labelsPdf({ labels: [zinc], lab: 'Lowmere culture station', at }),
    )
    expect(info).toMatch(/Pages:\s+1\b/)
    expect(await code()).toBe('http://localhost:3000/batches/ZN-020/record')
    for (const said of ['ZnSO4·7H2O', 'ZN-020', '23.29 g', 'Danger.', 'H318', 'loses water'])
      expect(bare(text)).toContain(bare(said))
    expect(structure).toContain('Figure')
  })
  it('twenty-three labels from the third place on fill a sheet and begin another', async () => {
    const labels = Array.from({ length: 23 }, (_, i) => ({ ...zinc, code: `B-${i + 1}` }))
    const { text, info } = readBack(await labelsPdf({ labels, lab: 'Lowmere culture station', at, from: 3 }))
    expect(info).toMatch(/Pages:\s+2\b/)
    expect(info).toContain('A4')
    const [first = '', second = ''] = text.split('\f')
    // Two places are left free: nineteen on the first sheet, four on the second.
    expect(first).toContain('B-19')
    expect(first).not.toContain('B-20')
    for (const one of ['B-20', 'B-21', 'B-22', 'B-23']) expect(second).toContain(one)
  })
  it('what is too much for a label is set smaller and then cut, and never runs off it', () => {
    const one = 'is very toxic to water life, so it does not go down the drain (H410)'
    const ruler = rulerOf(new PDFDocument({ autoFirstPage: false, font: '' }))
    const marks = labelMarks({ ...zinc, statements: Array.from({ length: 14 }, () => one).join(', ') }, ruler)
    for (const mark of marks) if (mark.is === 'line') expect(mark.y + mark.size * 1.3).toBeLessThanOrEqual(LABEL.height)
  })
  it('is a picture for a label printer, of its dots, with a code that a camera reads', async () => {
    for (const [dots, width] of [
      [203, 559],
      [300, 827],
    ] as const) {
      const png = await labelPng(Buffer.from(labelSvg(zinc)), dots)
      const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
      expect(info.width).toBe(width)
      expect(jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data).toBe(zinc.address)
    }
  })
})
