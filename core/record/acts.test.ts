import { describe, expect, it } from 'vitest'
import { refusedAct, standingOf, type Act, type ActKind, type Actor, type ReviewRule } from '#core/record'

const author: Actor = { person: 'a', maySign: true, mayReview: true, hasPart: true }
const reviewer: Actor = { person: 'r', maySign: false, mayReview: true, hasPart: false }
const colleague: Actor = { person: 'c', maySign: true, mayReview: true, hasPart: true }
const viewer: Actor = { person: 'v', maySign: false, mayReview: false, hasPart: false }

/** A record on which these were done, one after the other: kind, by whom, of which state. */
const acts = (...done: [ActKind, string, string?, number?][]): Act[] =>
  done.map(([kind, by, manifest = 'now', of], i) => ({
    batch: 'b',
    number: i + 1,
    kind,
    by,
    name: by,
    at: '',
    manifest,
    previousHash: '',
    hash: '',
    key: '',
    signature: '',
    ...(of !== undefined && { of }),
  }))
const isNow = (manifest: string): boolean => manifest === 'now'
const may = (
  kind: ActKind,
  by: Actor,
  on: readonly Act[],
  rule: ReviewRule = 'other',
  of?: number,
): string | undefined => refusedAct(kind, standingOf(on, isNow), on, by, rule, of)

describe('where a record stands', () => {
  it.each([
    [[], 'open', false],
    [acts(['signed', 'a']), 'signed', false],
    [acts(['signed', 'a', 'before']), 'signed', true],
    [acts(['signed', 'a'], ['remark', 'r'], ['returned', 'r']), 'returned', false],
    [acts(['signed', 'a'], ['countersigned', 'r']), 'countersigned', false],
    [acts(['signed', 'a', 'before'], ['countersigned', 'r', 'before']), 'countersigned', true],
    [acts(['signed', 'a'], ['countersigned', 'r'], ['sealed', 'a'], ['addendum', 'c']), 'sealed', false],
  ] as const)('%# is told by its last act and what changed since', (on, is, hasChanged) =>
    expect(standingOf(on, isNow)).toMatchObject({ is, hasChanged }),
  )
})

describe('who may do what', () => {
  const signed = acts(['signed', 'a'])
  const countersigned = acts(['signed', 'a'], ['countersigned', 'r'])
  const sealed = acts(['signed', 'a'], ['countersigned', 'r'], ['sealed', 'a'])
  it('signs: whoever has a part in it, once as it stands, and anew after a change', () => {
    expect(may('signed', author, [])).toBeUndefined()
    expect(may('signed', { ...author, hasPart: false }, [])).toMatch(/recorded nothing of this batch/)
    expect(may('signed', reviewer, [])).toMatch(/role/)
    expect(may('signed', author, signed)).toMatch(/signed it as it stands/)
    expect(may('signed', colleague, signed)).toBeUndefined()
    expect(may('signed', author, acts(['signed', 'a', 'before']))).toBeUndefined()
    expect(may('signed', author, acts(['signed', 'a'], ['returned', 'r']))).toBeUndefined()
    expect(may('signed', author, sealed)).toMatch(/sealed/)
  })
  it('countersigns: never an author of it, never what changed, and by the lab’s rule nobody who had a part', () => {
    expect(may('countersigned', reviewer, [])).toMatch(/Nobody has signed/)
    expect(may('countersigned', reviewer, signed)).toBeUndefined()
    expect(may('countersigned', author, signed)).toMatch(/does not countersign/)
    expect(may('countersigned', author, acts(['signed', 'a'], ['signed', 'c']))).toMatch(/does not countersign/)
    expect(may('countersigned', reviewer, acts(['signed', 'a', 'before']))).toMatch(/changed since/)
    expect(may('countersigned', reviewer, acts(['signed', 'a'], ['returned', 'r']))).toMatch(/Nobody has signed/)
    expect(may('countersigned', colleague, signed)).toBeUndefined()
    expect(may('countersigned', colleague, signed, 'outside')).toMatch(/recorded something/)
    expect(may('countersigned', reviewer, signed, 'outside')).toBeUndefined()
    expect(may('countersigned', viewer, signed)).toMatch(/role/)
  })
  it('seals: once countersigned as it stands, or once signed where the lab asks no more', () => {
    expect(may('sealed', author, [])).toMatch(/Nobody has signed/)
    expect(may('sealed', author, signed)).toMatch(/waits for a countersignature/)
    expect(may('sealed', author, signed, 'none')).toBeUndefined()
    expect(may('sealed', author, countersigned)).toBeUndefined()
    expect(may('sealed', reviewer, countersigned)).toBeUndefined()
    expect(may('sealed', viewer, countersigned)).toMatch(/role/)
    expect(may('sealed', author, acts(['signed', 'a', 'before'], ['countersigned', 'r', 'before']))).toMatch(
      /changed since/,
    )
    expect(may('sealed', author, sealed)).toMatch(/already/)
  })
  it('sends back and comments: reviewers, until it is sealed', () => {
    expect(may('returned', reviewer, signed)).toBeUndefined()
    expect(may('returned', reviewer, [])).toMatch(/Nobody has signed/)
    expect(may('remark', reviewer, [])).toBeUndefined()
    expect(may('remark', viewer, [])).toMatch(/role/)
    expect(may('remark', reviewer, sealed)).toMatch(/addendum/)
    expect(may('returned', reviewer, sealed)).toMatch(/sealed/)
  })
  it('adds: to a sealed record alone, and another countersigns each addendum once', () => {
    expect(may('addendum', author, countersigned)).toMatch(/not sealed/)
    expect(may('addendum', author, sealed)).toBeUndefined()
    expect(may('addendum', viewer, sealed)).toMatch(/role/)
    const added = [...sealed, ...acts(['addendum', 'a']).map(act => ({ ...act, number: 4 }))]
    expect(may('addendum-countersigned', author, added, 'other', 4)).toMatch(/wrote an addendum/)
    expect(may('addendum-countersigned', reviewer, added, 'other', 4)).toBeUndefined()
    expect(may('addendum-countersigned', reviewer, added, 'other', 3)).toMatch(/no such addendum/)
    expect(
      may(
        'addendum-countersigned',
        reviewer,
        [...added, ...acts(['addendum-countersigned', 'c', 'now', 4])],
        'other',
        4,
      ),
    ).toMatch(/already/)
  })
})
