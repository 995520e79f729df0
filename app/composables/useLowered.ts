const LOWERED = '₀₁₂₃₄₅₆₇₈₉'
/** A canvas has no subscripts: digits after letters and brackets are lowered by their own characters. */
export const lowered = (text: string): string =>
  text.replace(/(?<=[A-Za-z)\]])\d+/g, digits => [...digits].map(digit => LOWERED[Number(digit)]).join(''))
