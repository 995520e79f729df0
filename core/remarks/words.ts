export const listed = (items: readonly string[]): string =>
  items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
