/** An ion as it stands in a formula, so many times: `Na2`, `(SO4)3`, `[Fe(CN)6]2`. One element, or what has brackets of its own, wants no more of them. */
export const ionText = (text: string, count: number): string =>
  count === 1 ? text : /^[A-Z][a-z]?$/.test(text) || text.startsWith('[') ? `${text}${count}` : `(${text})${count}`
