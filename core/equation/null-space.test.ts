import { describe, expect, it } from 'vitest'
import { bigIntegers, commonDivisor, Overflow, plainIntegers } from './integers'
import { nullSpace } from './null-space'

describe('nullSpace', () => {
  it('is found exactly where plain numbers overflow', () => {
    const rows = [
      [314159265, 271828182, 141421356, 173205080],
      [223606797, 161803398, 577215664, 693147180],
      [915965594, 120205690, 466920160, 250290787],
    ]
    expect(() => nullSpace(plainIntegers, rows, 4)).toThrow(Overflow)
    const [vector, ...more] = nullSpace(bigIntegers, rows, 4)
    expect(more).toEqual([])
    for (const row of rows) expect(row.reduce((sum, entry, j) => sum + BigInt(entry) * vector![j]!, 0n)).toBe(0n)
    expect(vector!.reduce((a, b) => commonDivisor(bigIntegers, a, b))).toBe(1n)
  })

  it('has a vector for each free column', () => {
    expect(nullSpace(plainIntegers, [[1, 1, -1, 0]], 4)).toEqual([
      [-1, 1, 0, 0],
      [1, 0, 1, 0],
      [0, 0, 0, 1],
    ])
    expect(
      nullSpace(
        plainIntegers,
        [
          [2, 0],
          [0, 3],
        ],
        2,
      ),
    ).toEqual([])
  })
})
