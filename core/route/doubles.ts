import { doubleSaltsByName, doubleSalts, substances } from '#core/reference'
import { stuffOf, type Stuff } from './stuff'

let known: ReadonlySet<string> | undefined
/** Double salts that some table knows to crystallise. */
const knownDoubles = (): ReadonlySet<string> =>
  (known ??= new Set(
    [...doubleSaltsByName, ...doubleSalts.map(({ form }) => form), ...substances.map(({ formula }) => formula)].flatMap(
      text => stuffOf(text)?.key ?? [],
    ),
  ))

/** Kinds of double salt that nearly every pair of such ions makes: schönites of two and one, alums of three and one (texts, from memory). */
const KINDS: readonly { readonly metal: number; readonly ones: number; readonly anion: string; readonly metals: readonly string[]; readonly alkali: readonly string[] }[] = [
  { metal: 2, ones: 2, anion: 'SO4', metals: ['Mg', 'Fe', 'Co', 'Ni', 'Cu', 'Zn', 'Mn', 'Cd', 'V'], alkali: ['K', 'NH4', 'Rb', 'Cs'] },
  { metal: 3, ones: 1, anion: 'SO4', metals: ['Al', 'Cr', 'Fe', 'V', 'Ti', 'Ga', 'In', 'Co', 'Rh'], alkali: ['K', 'NH4', 'Rb', 'Cs', 'Na'] },
] // prettier-ignore

function isKind({ cations, anions }: Stuff): boolean {
  const alkali = cations.find(({ charge }) => charge === 1)
  const metal = cations.find(({ charge }) => charge > 1)
  return KINDS.some(
    kind =>
      metal?.charge === kind.metal &&
      alkali?.count === kind.ones * metal.count &&
      anions.every(({ text }) => text === kind.anion) &&
      kind.metals.includes(metal.text) &&
      kind.alkali.includes(alkali.text),
  )
}

/** A double salt that some table knows to crystallise, or of a kind that nearly all such ions make. */
export const isKnownDouble = (stuff: Stuff): boolean => knownDoubles().has(stuff.key) || isKind(stuff)
