import type { HazardCode } from './substances'

/**
 * Hazard pictograms with the statements that call for them: UN GHS Rev. 9, Annex 1, from memory. The pictures are drawn here, after their description there (a black symbol on white in a red
 * square set on a point): paths in a square of 100, filled by the even-odd rule.
 */
export const pictograms: readonly {
  readonly code: string
  readonly word: string
  readonly statements: readonly HazardCode[]
  readonly shape: string
}[] = [
  {
    code: 'GHS06',
    word: 'skull and crossbones',
    statements: ['H300', 'H301', 'H310', 'H311', 'H330', 'H331'],
    shape:
      'M50 20c-11 0-18 7-18 16 0 6 3 9 6 11v8h24v-8c3-2 6-5 6-11 0-9-7-16-18-16zM42 32a4.5 4.5 0 1 0 .01 0zM58 32a4.5 4.5 0 1 0 .01 0zM50 42l-2.5 5h5z' +
      'M31 59l38 15-1.8 4.5-38-15zM69 59l1.8 4.5L50 71.8l-6.2-2.5zM41.6 70.2l6.2 2.5-15 5.8L31 74z',
  },
  {
    code: 'GHS05',
    word: 'corrosion',
    statements: ['H314', 'H318'],
    shape:
      'M24 41l19-9 2.5 5-19 9zM44 39l3 .5-1 8-2 .5zM46 51a2 3 0 1 0 .01 0zM24 62h13c2 3 5 3 7 1 2 3 5 3 7 0h2v7H24z' +
      'M56 32l19 9-2.5 5-19-9zM55 39l-1 9 2 .5 2-8zM57 51a2 3 0 1 0 .01 0zM54 66c3-5 8-6 12-5l10-2 2 3-9 4 3 4H54z',
  },
  {
    code: 'GHS08',
    word: 'health hazard',
    statements: ['H334', 'H340', 'H341', 'H350', 'H350i', 'H351', 'H360', 'H361', 'H370', 'H372', 'H373'],
    shape:
      'M50 19a8 8 0 1 0 .01 0zM33 80V55c0-10 8-17 17-17s17 7 17 17v25z' +
      'M50 43l2.6 8.2 7.2-4.8-4 7.6 8.4 2-8.4 2.6 4.2 7.4-7.4-4.4L50 70l-2.6-8.4-7.4 4.4 4.2-7.4-8.4-2.6 8.4-2-4-7.6 7.2 4.8z',
  },
  {
    code: 'GHS02',
    word: 'flame',
    statements: ['H220', 'H221', 'H224', 'H225', 'H226', 'H228', 'H250', 'H260', 'H261'],
    shape:
      'M50 18c5 12 17 20 17 36a17 17 0 0 1-34 0c0-9 4-13 8-20 1 6 3 8 5 9 2-9 1-16 4-25zM50 50c3 5 7 8 7 13a7 7 0 0 1-14 0c0-5 4-8 7-13zM33 75h34v5H33z',
  },
  {
    code: 'GHS03',
    word: 'flame over circle',
    statements: ['H270', 'H271', 'H272'],
    shape:
      'M50 17c4 9 11 14 11 24a11 11 0 0 1-22 0c0-6 3-9 5-13 .6 4 2 5 3.4 6 1.4-6 .6-11 2.6-17zM50 48a14 14 0 1 0 .01 0zM50 53.5a8.5 8.5 0 1 1-.01 0zM34 78h32v4.5H34z',
  },
  {
    code: 'GHS07',
    word: 'exclamation mark',
    statements: ['H302', 'H312', 'H332', 'H315', 'H317', 'H319', 'H335', 'H336'],
    shape: 'M43.5 22h13l-2.8 36h-7.4zM50 64a6.5 6.5 0 1 0 .01 0z',
  },
  {
    code: 'GHS09',
    word: 'environment',
    statements: ['H400', 'H410', 'H411'],
    shape:
      'M22 62h28c3 2 6 3 9 3v4H22zM35 62l2-19-10-10 2.5-2.5L38 38l2-16h4l1 15 8-8 2.5 2.5L45.5 44l2 18z' +
      'M50 75c7-9 17-9 23-3l6-4v10l-6-3c-6 8-17 8-23 0zM56 72.6a1.6 1.6 0 1 0 .01 0z',
  },
]
