import type { Composition } from './formula'

/** A run of a typeset formula: on the line, lowered, or raised. */
export interface Piece {
  readonly place: 'line' | 'sub' | 'sup'
  readonly text: string
}

/** Cuts a canonical formula text into runs for typesetting; numbers before an added part stay on the line. */
export function typeset(canonical: string): Piece[] {
  const caret = canonical.indexOf('^')
  const body = caret < 0 ? canonical : canonical.slice(0, caret)
  const pieces: Piece[] = []
  const runs = /(?<=[A-Za-z)\]}])\d+(?:\.\d+)?|[^\d]+|\d+(?:[./]\d+)*/g
  for (const match of body.matchAll(runs)) {
    const lowered = match.index > 0 && /[A-Za-z)\]}]/.test(body[match.index - 1]!) && /\d/.test(match[0])
    push(pieces, lowered ? 'sub' : 'line', match[0])
  }
  if (caret >= 0) push(pieces, 'sup', canonical.slice(caret + 1).replace('-', '−'))
  return pieces
}

function push(pieces: Piece[], place: Piece['place'], text: string): void {
  const last = pieces.at(-1)
  if (last?.place === place) pieces[pieces.length - 1] = { place, text: last.text + text }
  else pieces.push({ place, text })
}

/** Hill order: carbon, hydrogen, then by symbol; all by symbol without carbon. E. A. Hill, J. Am. Chem. Soc. 22 (1900) 478. */
export function hill(composition: Composition): string {
  const first = composition.has('C') ? ['C', 'H'] : []
  const rank = (symbol: string): string => `${first.includes(symbol) ? first.indexOf(symbol) : 9}${symbol}`
  return [...composition]
    .sort(([a], [b]) => (rank(a) < rank(b) ? -1 : 1))
    .map(([symbol, count]) => symbol + (count === 1 ? '' : Number(count.toFixed(6))))
    .join('')
}
