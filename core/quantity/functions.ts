/** Functions of one number that a relation may hold: the value, its slope, and how a working writes it. */
export const functions = {
  sqrt: { value: Math.sqrt, slope: x => 0.5 / Math.sqrt(x), written: '√' },
  ln: { value: Math.log, slope: x => 1 / x, written: 'ln ' },
  log: { value: Math.log10, slope: x => Math.LOG10E / x, written: 'log ' },
  exp: { value: Math.exp, slope: Math.exp, written: 'exp ' },
  sin: { value: Math.sin, slope: Math.cos, written: 'sin ' },
  cos: { value: Math.cos, slope: x => -Math.sin(x), written: 'cos ' },
} as const satisfies Record<
  string,
  { readonly value: (x: number) => number; readonly slope: (x: number) => number; readonly written: string }
>
export type FunctionName = keyof typeof functions
