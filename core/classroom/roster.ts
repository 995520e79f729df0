/** Who is in which group, as a list of a class says it. */
export interface RosterLine {
  readonly name: string
  readonly group: number
}
export interface RosterProblem {
  readonly line: number
  readonly why: string
  readonly fix: string
}
const NAMES = ['name', 'student', 'who']
const GROUPS = ['group', 'bench', 'pair']
const LONGEST = 80

/**
 * A roster from a table whose first row names its columns: one of names, one of groups by number, which may be left out: then pairs are made in the order of the list. Takes all or nothing;
 * says of each line what is wrong.
 */
export function rosterFrom(
  rows: readonly (readonly string[])[],
  groups: number,
):
  | { readonly ok: true; readonly lines: readonly RosterLine[] }
  | { readonly ok: false; readonly problems: readonly RosterProblem[] } {
  const [head = [], ...body] = rows.map(row => row.map(cell => cell.trim()))
  const at = (names: readonly string[]): number => head.findIndex(cell => names.includes(cell.toLowerCase()))
  const [name, group] = [at(NAMES), at(GROUPS)]
  if (name < 0)
    return {
      ok: false,
      problems: [
        { line: 1, why: 'No column is called “name”.', fix: 'Name the columns in the first line: name, group.' },
      ],
    }
  const whole = body.map((row, i) => ({ row, line: i + 2 })).filter(({ row }) => row.some(cell => cell !== ''))
  const size = Math.max(1, Math.ceil(whole.length / groups))
  const problems: RosterProblem[] = []
  const seen = new Set<string>()
  const lines = whole.map(({ row, line }, i): RosterLine => {
    const who = row[name] ?? ''
    const wanted = group < 0 ? String(Math.floor(i / size) + 1) : (row[group] ?? '')
    if (who === '' || who.length > LONGEST)
      problems.push({
        line,
        why: 'There is no name, or one that is too long.',
        fix: `Give a name of up to ${LONGEST} characters.`,
      })
    else if (seen.has(who.toLowerCase()))
      problems.push({ line, why: `${who} stands there twice.`, fix: 'Tell them apart, or take one away.' })
    seen.add(who.toLowerCase())
    if (!/^\d{1,2}$/.test(wanted) || Number(wanted) < 1 || Number(wanted) > groups)
      problems.push({ line, why: `“${wanted}” is no group of this class.`, fix: `Give a number from 1 to ${groups}.` })
    return { name: who, group: Number(wanted) }
  })
  if (lines.length === 0)
    problems.push({ line: 2, why: 'There is nobody on it.', fix: 'Give a line for each student.' })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, lines }
}
