import { describe, expect, it } from 'vitest'
import { readCurveFile } from './useCurveFile'

const points = Array.from({ length: 31 }, (_, i) => [
  500 + 20 * i,
  Math.round(1000 * Math.exp(-(((500 + 20 * i - 800) / 90) ** 2))) / 1000,
])
const jcamp = (...body: string[]): string =>
  [
    '##TITLE=copper sulfate',
    '##JCAMP-DX=4.24',
    '##DATA TYPE=UV/VIS SPECTRUM',
    '##XUNITS=NANOMETERS',
    '##YUNITS=ABSORBANCE',
    '##XFACTOR=1',
    '##YFACTOR=1',
    '##FIRSTX=500',
    '##LASTX=1100',
    '##NPOINTS=31',
    ...body,
    '##END=',
  ].join('\n')
const curveOf = async (text: string) => {
  const read = await readCurveFile(text)
  if ('problem' in read) throw new Error(read.problem.why)
  return read.curve
}

describe('readCurveFile', () => {
  it('reads evenly spaced JCAMP-DX', async () => {
    const curve = await curveOf(jcamp('##DELTAX=20', '##XYDATA=(X++(Y..Y))', ...points.map(([x, y]) => `${x} ${y}`)))
    expect(curve).toMatchObject({ x: 'nm', y: 'A' })
    expect(curve.points).toHaveLength(31)
    expect(curve.points[15]).toEqual([800, 1])
  })
  it('reads pairs of JCAMP-DX, which need not be even', async () => {
    const some = points.filter((_, i) => i % 4 !== 1)
    const curve = await curveOf(jcamp('##XYPOINTS=(XY..XY)', ...some.map(pair => pair.join(', '))))
    expect(curve.points).toEqual(some)
  })
  it.each([
    ['commas', ','],
    ['semicolons', ';'],
    ['tabs', '\t'],
  ])('reads a table with %s', async (_, mark) => {
    const curve = await curveOf(['°C', 'mg'].join(mark) + '\r\n' + points.map(pair => pair.join(mark)).join('\r\n'))
    expect(curve).toMatchObject({ x: '°C', y: 'mg' })
    expect(curve.points).toHaveLength(31)
  })
  it.each([
    ['nothing', ''],
    ['prose', 'Dear all,\nthe run went well.\nYours'],
    ['JCAMP-DX without data', jcamp()],
    ['a picture', '\u0089PNG\r\n\u001a\n\u0000\u0000'],
  ])('refuses %s with words', async (_, text) => {
    const read = await readCurveFile(text)
    expect('problem' in read && read.problem.fix.length).toBeGreaterThan(10)
  })
})
