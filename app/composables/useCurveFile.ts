import Papa from 'papaparse'
import { ref } from 'vue'
import { curveFrom, explainCurve, type CurvePoints } from '#core/assay'

const MOST_BYTES = 8_000_000
type Read = { readonly curve: CurvePoints } | { readonly problem: { why: string; fix: string } }

/** Reads a curve out of a file: JCAMP-DX by its own label, else a table with any of the usual separators. */
export async function readCurveFile(text: string): Promise<Read> {
  if (/^\s*##\s*(TITLE|JCAMP)/i.test(text)) return readJcamp(text)
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true })
  const read = curveFrom(data)
  return 'problem' in read ? { problem: explainCurve(read.problem) } : read
}

async function readJcamp(text: string): Promise<Read> {
  const { convert } = await import('jcampconverter')
  try {
    const spectrum = convert(asPeaks(text)).flatten[0]?.spectra?.[0]
    const { x, y } = (spectrum?.data ?? {}) as { x?: readonly number[]; y?: readonly number[] }
    if (!spectrum || !x || !y) return { problem: unreadable }
    const rows = x.map((value, i) => [String(value), String(y[i])])
    const read = curveFrom([[unitOf(spectrum.xUnits, 'x'), unitOf(spectrum.yUnits, 'y')], ...rows])
    return 'problem' in read ? { problem: explainCurve(read.problem) } : read
  } catch {
    return { problem: unreadable }
  }
}
/** The reader knows pairs of numbers only as a peak table; the standard writes those of a spectrum as XYPOINTS, in the same form. */
const asPeaks = (text: string): string => text.replace(/^##\s*XYPOINTS\s*=/im, '##PEAK TABLE=')

const units: Readonly<Record<string, string>> = {
  nanometers: 'nm',
  absorbance: 'A',
  '1/cm': 'cm⁻¹',
  transmittance: 'T',
}
const unitOf = (text: string | undefined, instead: string): string =>
  text ? (units[text.trim().toLowerCase()] ?? text.trim().toLowerCase()) : instead

const unreadable = {
  why: 'The file calls itself JCAMP-DX but holds no data that can be read.',
  fix: 'Export it again, as XYDATA or XYPOINTS, or as a table of two columns.',
}

/** A file that was chosen or dropped; the last one wins. */
export function useCurveFile(take: (curve: CurvePoints) => void) {
  const problem = ref<{ why: string; fix: string }>()
  const isReading = ref(false)
  let wanted = 0
  async function read(file: File | undefined): Promise<void> {
    if (!file) return
    const mine = ++wanted
    problem.value = undefined
    if (file.size > MOST_BYTES) {
      problem.value = { why: 'The file is larger than 8 MB.', fix: 'Save it with fewer points.' }
      return
    }
    isReading.value = true
    const found = await readCurveFile(await file.text())
    if (mine !== wanted) return
    isReading.value = false
    if ('problem' in found) problem.value = found.problem
    else take(found.curve)
  }
  return { problem, isReading, read }
}
