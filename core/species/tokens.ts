/** A piece of a formula as written: an element or a bracketed group, with its count. */
export interface Token {
  readonly text: string
  readonly bracket: '' | '(' | '['
  readonly count: number
}

/** Cuts one part of a canonical formula (no dots, no charge) into its outermost pieces. */
export function tokensOf(part: string): Token[] {
  const tokens: Token[] = []
  let i = 0
  while (i < part.length) {
    const open = part[i]!
    if (open === '(' || open === '[' || open === '{') {
      const close = closingOf(part, i)
      const count = countAt(part, close + 1)
      tokens.push({ text: part.slice(i + 1, close), bracket: open === '(' ? '(' : '[', count: count.value })
      i = count.end
      continue
    }
    const symbol = /^[A-Z][a-z]?/.exec(part.slice(i, i + 2))?.[0]
    if (!symbol) return tokens
    const count = countAt(part, i + symbol.length)
    tokens.push({ text: symbol, bracket: '', count: count.value })
    i = count.end
  }
  return tokens
}

function closingOf(text: string, at: number): number {
  let depth = 0
  for (let i = at; i < text.length; i++) {
    if ('([{'.includes(text[i]!)) depth++
    else if (')]}'.includes(text[i]!) && --depth === 0) return i
  }
  return text.length
}

function countAt(text: string, at: number): { value: number; end: number } {
  const digits = /^\d+(?:\.\d+)?/.exec(text.slice(at, at + 8))?.[0] ?? ''
  return { value: digits === '' ? 1 : Number(digits), end: at + digits.length }
}

/** `SO4` from S, O4; brackets keep theirs. */
export const written = (tokens: readonly Token[]): string =>
  tokens.map(({ text, bracket, count }) => `${wrapped(text, bracket)}${count === 1 ? '' : count}`).join('')

const wrapped = (text: string, bracket: Token['bracket']): string =>
  bracket === '' ? text : bracket === '(' ? `(${text})` : `[${text}]`

/** The parts of a canonical formula between dots, with how often each stands, and its waters told apart. */
export function partsOf(canonical: string): { parts: { text: string; times: number }[]; waters: number } {
  const body = canonical.split('^')[0]!
  const parts: { text: string; times: number }[] = []
  let waters = 0
  for (const piece of body.split('·')) {
    const [, before = '', text = ''] = /^([\d./]*)(.*)$/.exec(piece) ?? []
    const [top, bottom = '1'] = before.split('/')
    const times = before === '' ? 1 : Number(top) / Number(bottom)
    if (text === 'H2O') waters += times
    else parts.push({ text, times })
  }
  return parts.length === 0 ? { parts: [{ text: 'H2O', times: waters }], waters: 0 } : { parts, waters }
}
