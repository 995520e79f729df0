import { findSubstance, type Formula } from '#core/formula'
import { aquaAcids, ionCouples, metalsInAcid, nobleMetals, protonDonors, reducingAnions } from '#core/reference'
import type { ReadStage } from '#core/sheet'
import { ionsOf, type Ion } from '#core/species'
import type { MarginNote } from './note'

/**
 * An equation can balance and yet not happen. What potentials, the acidity of aqua ions and the strength of acids say against it, each with its reason and what would do instead. Only simple salts, metals and acids
 * are judged: what stands in a complex is another substance.
 */
export function secondLook({ reactants, products }: ReadStage['reaction']): MarginNote[] {
  const left = reactants.map(({ species }) => species.formula)
  const right = products.map(({ species }) => species.formula)
  return [...hydrogenFrom(left, right), ...partsItself(right), ...hydrolysed(right), ...noBase(left, right)].map(
    text => ({ tone: 'caution', tag: 'Second look', text }),
  )
}

const volts = (potential: number): string => `${potential < 0 ? '−' : '+'}${Math.abs(potential).toFixed(2)} V`
const cationsIn = (formula: Formula): Ion[] => (ionsOf(formula) ?? []).filter(({ charge }) => charge > 0)
const anionsIn = (formula: Formula): Ion[] => (ionsOf(formula) ?? []).filter(({ charge }) => charge < 0)
const isMetal = ({ text, composition, charge }: Formula): boolean =>
  composition.size === 1 && composition.has(text) && charge === 0
const acidOf = (formula: Formula) =>
  protonDonors.find(({ of, charge }) => charge === formula.charge && of === formula.text)

/** Hydrogen that a metal gives with acid: only below hydrogen, and only to the state that hydrogen ion can make. */
function hydrogenFrom(left: readonly Formula[], right: readonly Formula[]): string[] {
  if (!right.some(({ text }) => text === 'H2') || !left.some(formula => acidOf(formula) !== undefined)) return []
  return left.filter(isMetal).flatMap(({ text: metal }) => {
    const noble = nobleMetals.find(row => row.metal === metal)
    if (noble)
      return [
        `{${metal}} is above hydrogen (${volts(noble.potential)}): acid alone does not dissolve it, and no hydrogen comes. An oxidant is needed, such as peroxide or nitric acid; or begin with the oxide or the carbonate.`,
      ]
    const gives = metalsInAcid.find(row => row.metal === metal)?.charge
    return right.flatMap(salt =>
      cationsIn(salt).flatMap(({ text, charge }) => {
        const couple = ionCouples.find(row => row.metal === metal && row.upper === charge && row.with === undefined)
        return text === metal && gives !== undefined && charge > gives && couple && couple.potential > 0
          ? [
              `Acid takes {${metal}} to its state ${gives}, and not on to ${charge}: that wants ${volts(couple.potential)}, and hydrogen ion has none. Oxidise what comes, with peroxide or chlorine, in a step of its own.`,
            ]
          : []
      }),
    )
  })
}

/** A salt whose cation takes electrons from its own anion. */
const partsItself = (right: readonly Formula[]): string[] =>
  right.flatMap(salt => {
    const [cations, anions] = [cationsIn(salt), anionsIn(salt)]
    return cations.flatMap(({ text, charge }) =>
      anions.flatMap(({ text: anion }) => {
        const gives = reducingAnions.find(row => row.anion === anion)
        const takes =
          ionCouples.find(row => row.metal === text && row.upper === charge && row.with === anion) ??
          ionCouples.find(row => row.metal === text && row.upper === charge && row.with === undefined)
        return gives && takes && takes.potential > gives.potential + CLEAR
          ? [
              `{${salt.text}} does not keep: its metal oxidises its anion to ${gives.becomes} (${volts(takes.potential)} against ${volts(gives.potential)}) and goes to its state ${takes.lower}.`,
            ]
          : []
      }),
    )
  })
/** Closer than this, concentrations decide, V: a factor of ten of one ion is 0.06. */
const CLEAR = 0.1

/** The carbonate of a cation that is an acid in water. */
const hydrolysed = (right: readonly Formula[]): string[] =>
  right.flatMap(salt =>
    anionsIn(salt).some(({ text }) => text === 'CO3')
      ? cationsIn(salt).flatMap(({ text, charge }) => {
          const acid = aquaAcids.find(row => row.ion === text && row.charge === charge)
          return acid && acid.pKa < CARBONIC
            ? [
                `{${salt.text}} cannot be had from water: its cation is an acid there (pKa ${acid.pKa}), stronger than carbonic acid (6.4), so that the hydroxide comes down and carbon dioxide goes.`,
              ]
            : []
        })
      : [],
  )
const CARBONIC = 6.35

const isInsoluble = (salt: Formula): boolean => findSubstance(salt)?.row.water === 'insoluble'

/** A salt that water does not dissolve, and whose anion takes no proton: acid finds nothing to take. */
function noBase(left: readonly Formula[], right: readonly Formula[]): string[] {
  const acid = left.find(formula => acidOf(formula) !== undefined)
  if (!acid) return []
  return left.flatMap(salt => {
    const anions = anionsIn(salt)
    const cations = cationsIn(salt)
    if (acidOf(salt) || anions.length !== 1 || cations.length !== 1 || !isInsoluble(salt)) return []
    const free = protonDonors.find(({ leaves, pKa }) => leaves === anions[0]!.text && pKa < 0)
    const isFreed = free && right.some(({ text }) => text === free.of)
    return isFreed
      ? [
          `{${salt.text}} does not dissolve in {${acid.text}}: its anion is that of a strong acid and takes no proton. Begin with the carbonate or the oxide of the metal.`,
        ]
      : []
  })
}
