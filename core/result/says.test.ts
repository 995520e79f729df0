import { describe, expect, it } from 'vitest'
import { says } from './says'

describe('what words say', () => {
  it.each([
    ['it smells of ammonia', /smells? of/, true],
    ['no smell of ammonia', /smells? of/, false],
    ['not wet, not damp', /damp|wet/, false],
    ['not wet but damp', /damp|wet/, true],
    ['dry. still damp at the edge', /damp/, true],
    ['nothing was spilled', /spill/, false],
    ['spilled some, nothing else', /spill/, true],
    ['filtered when it was not cold', /still warm|not cold/, true],
    ['no cloud with either', /cloud/, false],
    ['the filtrate is cloudy', /cloud/, true],
    ['did not turn to powder', /powder/, false],
    ['Damp', /damp/, true],
    ['', /damp/, false],
  ])('“%s” on %s: %s', (words, pattern, said) => expect(says(words, pattern)).toBe(said))
})
