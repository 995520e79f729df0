/** Words that turn what follows them in the same clause into its opposite. */
const NEGATION =
  /\b(?:no|not|never|without|nothing|none|neither|nor|hardly|isn[’']t|wasn[’']t|didn[’']t|free of|free from)\b/

/**
 * Whether words say something that a pattern looks for, and do not deny it in the same clause: “no smell of ammonia” is no smell. A pattern that
 * holds its own negation (“not cold”) is found as it stands.
 */
export function says(words: string, pattern: RegExp): boolean {
  const every = new RegExp(pattern.source, 'gi')
  for (const { index } of words.matchAll(every)) {
    const clause =
      words
        .slice(0, index)
        .split(/[.,;:!?\n]|\bbut\b/i)
        .at(-1) ?? ''
    if (!NEGATION.test(clause.toLowerCase())) return true
  }
  return false
}
