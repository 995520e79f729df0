/** What a maker's code says of a bottle, as far as it says it. */
export interface MakerCode {
  /** The number of the article (GTIN), where its check digit holds. */
  readonly article?: string
  readonly lot?: string
  readonly expires?: string
  readonly made?: string
  readonly serial?: string
  /** `250 g`, where the code holds a net weight in kilograms. */
  readonly amount?: string
}

/** Element strings: how long what follows an identifier is; undefined where it ends at the separator. GS1 General Specifications, section 3.2 (release 24); from memory. */
const LENGTHS: Readonly<Record<string, number | undefined>> = {
  '00': 18, '01': 14, '02': 14, '11': 6, '12': 6, '13': 6, '15': 6, '16': 6, '17': 6, '20': 2,
  '10': undefined, '21': undefined, '22': undefined, '30': undefined, '37': undefined, '240': undefined, '241': undefined, '250': undefined,
} // prettier-ignore
/** Net weight in kilograms: 310 and the number of its decimals. */
const WEIGHT = /^310([0-5])$/
const SEPARATOR = '\u001d'

/**
 * Reads what is in a maker's square or line code: element strings of identifiers and values, as scanners give them, with or without brackets. Undefined where the text is
 * nothing of the kind. What is read is to be shown and looked at, not trusted: a code may be on the wrong bottle.
 */
export function readMakerCode(text: string): MakerCode | undefined {
  const plain = text.trim().replace(/^\][A-Za-z]\d/, '')
  const parts = plain.startsWith('(') ? bracketed(plain) : elements(plain)
  if (!parts) return isArticle(plain.padStart(14, '0')) && /^\d{8,14}$/.test(plain) ? { article: plain } : undefined
  const article = parts.get('01')
  if (article !== undefined && !isArticle(article)) return undefined
  const found: MakerCode = {
    ...(article !== undefined && { article }),
    ...has('lot', parts.get('10')),
    ...has('serial', parts.get('21')),
    ...has('expires', dateOf(parts.get('17') ?? parts.get('15'))),
    ...has('made', dateOf(parts.get('11'))),
    ...has('amount', weightOf(parts)),
  }
  return Object.keys(found).length > 0 ? found : undefined
}
const has = (key: keyof MakerCode, text: string | undefined): Partial<MakerCode> =>
  text === undefined || text === '' ? {} : { [key]: text }

function bracketed(text: string): Map<string, string> | undefined {
  const parts = new Map<string, string>()
  for (const [, key, value] of text.matchAll(/\((\d{2,4})\)([^(]*)/g))
    parts.set(key ?? '', (value ?? '').replaceAll(SEPARATOR, '').trim())
  return parts.size > 0 ? parts : undefined
}

function elements(text: string): Map<string, string> | undefined {
  const parts = new Map<string, string>()
  let rest = text
  while (rest !== '') {
    if (rest.startsWith(SEPARATOR)) {
      rest = rest.slice(1)
      continue
    }
    const key = WEIGHT.test(rest.slice(0, 4))
      ? rest.slice(0, 4)
      : [rest.slice(0, 2), rest.slice(0, 3)].find(start => start in LENGTHS)
    if (key === undefined) return undefined
    const after = rest.slice(key.length)
    const fixed = WEIGHT.test(key) ? 6 : LENGTHS[key]
    const end = after.indexOf(SEPARATOR)
    const value = fixed !== undefined ? after.slice(0, fixed) : after.slice(0, end < 0 ? undefined : end)
    if (value === '' || (fixed !== undefined && !/^\d+$/.test(value)) || (fixed ?? value.length) !== value.length)
      return undefined
    parts.set(key, value)
    rest = after.slice(value.length)
  }
  return parts.size > 0 ? parts : undefined
}

/** The last digit makes the weighted sum a multiple of ten: 3 and 1 by turns, from the right. GS1 General Specifications, 7.9; from memory. */
function isArticle(digits: string): boolean {
  if (!/^\d{14}$/.test(digits)) return false
  const sum = [...digits.slice(0, 13)].reduce((all, digit, i) => all + Number(digit) * (i % 2 === 0 ? 3 : 1), 0)
  return (10 - (sum % 10)) % 10 === Number(digits[13])
}

/** `261100` is the last of November 2026: day 00 means the end of the month. The century is the one nearest to this. */
function dateOf(text: string | undefined): string | undefined {
  const [, yy, mm, dd] = /^(\d\d)(\d\d)(\d\d)$/.exec(text ?? '') ?? []
  if (yy === undefined || mm === undefined || dd === undefined) return undefined
  const year = 2000 + Number(yy) - (Number(yy) > 90 ? 100 : 0)
  const [month, day] = [Number(mm), Number(dd)]
  if (month < 1 || month > 12) return undefined
  const last = new Date(Date.UTC(year, month, 0)).getUTCDate()
  if (day > last) return undefined
  return `${year}-${mm}-${String(day === 0 ? last : day).padStart(2, '0')}`
}

function weightOf(parts: ReadonlyMap<string, string>): string | undefined {
  for (const [key, value] of parts) {
    const decimals = WEIGHT.exec(key)?.[1]
    if (decimals === undefined || !/^\d{6}$/.test(value)) continue
    return `${Math.round((Number(value) / 10 ** Number(decimals)) * 1e6) / 1e3} g`
  }
  return undefined
}
