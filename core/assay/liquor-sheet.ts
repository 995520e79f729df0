import { product } from '#core/quantity'
import { amountOf, matched, ofWhole } from './titration'
import { aliquotAsked, aliquotOf, at, refused, sought } from './titration-parts'
import { NOT_YET, refuse, type SheetKind } from './worksheet-kind'

/** A part of the mother liquor, or of the washings, titrated: what all of it still holds. */
export const liquorSheet: SheetKind = {
  shape: {
    name: 'Mother liquor',
    about:
      'A measured part of the mother liquor titrated with a solution of known strength: what all of the liquor still holds. It closes the ledger of matter, and tells a loss from what never crystallised.',
    asked: [
      {
        key: 'equation',
        label: 'Equation',
        what: 'equation',
        example: 'NiSO4 + Na2C10H14N2O8 -> Na2NiC10H12N2O8 + H2SO4',
      },
      { key: 'titrant', label: 'Titrant', what: 'formula', example: 'Na2C10H14N2O8' },
      {
        key: 'concentration',
        label: 'Strength of the titrant',
        what: 'quantity',
        kinds: ['concentration'],
        example: '0.1000 mol/L',
      },
      { ...sought[0]!, example: 'NiSO4' },
      {
        key: 'whole',
        label: 'Volume of all the liquor',
        what: 'quantity',
        kinds: ['volume'],
        nonZero: true,
        example: '42 mL',
      },
      ...aliquotAsked,
    ],
    columns: [
      { key: 'sample', label: 'Liquor taken', kinds: ['volume'], nonZero: true },
      { key: 'volume', label: 'Titrant used', kinds: ['volume'], nonZero: true },
      { key: 'blank', label: 'Blank', kinds: ['volume'], optional: true },
    ],
    result: 'In all the liquor',
    unit: { scale: 1000, text: 'mmol' },
    rows: 'replicates',
  },
  method({ formulas: { titrant, species }, figures, reactions: { equation } }) {
    const { concentration, whole } = figures
    if (!equation || !titrant || !concentration || !species || !whole) return NOT_YET
    const probe = matched(equation, titrant, concentration, species)
    if (!probe.ok) return refused('equation', probe.problem)
    const divided = aliquotOf(figures)
    if ('refused' in divided) return divided.refused
    if (!(whole.value > 0)) return refuse('whole', 'There is no liquor without a volume.', 'Measure it in a cylinder.')
    return {
      problems: [],
      work({ sample, volume, blank }) {
        if (!sample || !volume || sample.value <= 0) return undefined
        if (sample.value > whole.value)
          return {
            problem: {
              key: 'sample',
              why: 'More was taken than there is liquor.',
              fix: 'Look at both volumes.',
            },
          }
        const used = amountOf({ formula: titrant, concentration, volume, ...(blank && { blank }) })
        if (!used.ok) return { problem: at('blank', used.problem) }
        const found = matched(equation, titrant, used.value, species)
        if (!found.ok) return { problem: at('volume', found.problem) }
        const inPart = ofWhole(found.value, divided.aliquot)
        if (!inPart.ok) return { problem: at('volume', inPart.problem) }
        return { value: product(`{${species.text}} in all the liquor`, 'amount', [inPart.value, whole], [sample]) }
      },
    }
  },
}
