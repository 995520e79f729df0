import { describe, expect, it } from 'vitest'
import { fits, hashSlowly, markHash, newCode, newMark, passwordProblem } from './secrets'

describe('a password', () => {
  it('is taken by its length, not by what it is composed of', () => {
    for (const good of [
      'four plain words in a row',
      'kestrel over wet sand',
      'ß'.repeat(5) + 'abcdefgh',
      '蟹と海の水は冷たくて深い',
    ])
      expect(passwordProblem(good, []), good).toBeUndefined()
    expect(passwordProblem('eleven char', [])).toContain('It has 11 characters; it takes 12.')
    expect(passwordProblem('x'.repeat(201), [])).toContain('more than 200')
  })

  it('is refused where it is among the first that are tried, with a number or a sign behind it as well', () => {
    for (const common of [
      'password1234',
      'Password123!',
      'qwertyuiop12',
      '123456789012',
      'aaaaaaaaaaaa',
      '!!!football!!!!',
    ])
      expect(passwordProblem(common, []), common).toContain('tried first')
  })

  it('is refused where it is a name that anybody knows', () => {
    expect(passwordProblem('Lowmere Culture Station', ['Lowmere culture station'])).toContain('your name or the lab’s')
    expect(passwordProblem('tovemarl-tovemarl', ['tovemarl'])).toContain('your name')
    // A name of a few letters is in many words.
    expect(passwordProblem('a fern on the old wall', ['ol'])).toBeUndefined()
  })

  it('is kept as argon2id at the parameters of OWASP’s Password Storage Cheat Sheet, and never twice the same', async () => {
    const [one, two] = [await hashSlowly('four plain words'), await hashSlowly('four plain words')]
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
    expect(one).not.toBe(two)
    expect(await fits('four plain words', one)).toBe(true)
    expect(await fits('four plain word', one)).toBe(false)
    // The same letters typed on another keyboard: é as one character, or as two.
    expect(await fits('caf\u0065\u0301 at noon, no sugar', await hashSlowly('caf\u00e9 at noon, no sugar'))).toBe(true)
  })

  it('of nobody fits nothing', async () => {
    for (const kept of [undefined, null, '', 'no hash']) expect(await fits('anything', kept)).toBe(false)
  })
})

it('marks are long and differ, and what is kept of them tells nothing', () => {
  const marks = new Set(Array.from({ length: 200 }, newMark))
  expect(marks.size).toBe(200)
  for (const mark of marks) expect(mark).toMatch(/^[\w-]{43}$/)
  expect(markHash('a')).not.toContain('a'.repeat(3))
})

it('codes to write down have no letter that is taken for another', () => {
  const codes = Array.from({ length: 300 }, () => newCode(3))
  expect(new Set(codes).size).toBe(300)
  for (const code of codes) expect(code).toMatch(/^[a-hjkmnp-z2-9]{4}(-[a-hjkmnp-z2-9]{4}){2}$/)
})
