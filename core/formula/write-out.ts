/** A text with the lab's own ligands written out: `[Cu(tmeda)Cl2]` with tmeda C6H16N2 becomes `[Cu(C6H16N2)Cl2]`. */
export const writeOutLigands = (
  text: string,
  own: readonly { readonly abbreviation: string; readonly formula: string }[],
): string =>
  own.reduce((written, { abbreviation, formula }) => written.replaceAll(`(${abbreviation})`, `(${formula})`), text)
