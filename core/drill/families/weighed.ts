import { analyteShare, empiricalFormula, gravimetricFactor, watersFromLoss } from '#core/assay'
import { findSubstance } from '#core/formula'
import { difference, product, type Figure } from '#core/quantity'
import { hydrolysedChlorides, metalCharges, substances, weighingForms } from '#core/reference'
import { ionsOf, nameOf } from '#core/species'
import type { Family } from '../family'
import { numeric, rounded } from '../numeric'
import { formula, massOf, salts } from '../pool'
import { measuredFigure } from '../sheets'

const WATER = massOf('H2O')

/** Percent of an ion, from the mass of its precipitate. */
export const gravimetricFamily: Family = {
  id: 'gravimetric',
  name: 'Gravimetric factor and percent',
  skill: 'Assay',
  steps: ['the factor', 'percent in a sample', 'percent, two units in what is weighed'],
  make(dice, level) {
    const { analyte, weighedAs } = dice.pick(
      weighingForms.filter(({ analyte, weighedAs }) => level !== 3 || unitsIn(analyte, weighedAs) > 1),
    )
    const [sought, solid] = [formula(analyte), formula(weighedAs)]
    const factor = gravimetricFactor(sought, solid)
    if (!factor.ok) return undefined
    const units = unitsIn(analyte, weighedAs)
    const [a, b] = [massOf(analyte), massOf(weighedAs)]
    const says = {
      ...(units > 1 && { 'coefficient forgotten': `One {${weighedAs}} holds ${units} {${analyte}}.` }),
      inverted: `The factor is grams of {${analyte}} in a gram of {${weighedAs}}, so it is below one.`,
    } as const
    const plain = (forgot: boolean, turned: boolean): number => {
      const right = ((forgot ? 1 : units) * a) / b
      return turned ? 1 / right : right
    }
    if (level === 1)
      return numeric({
        ask: `What is the gravimetric factor of {${analyte}} in {${weighedAs}}?`,
        figure: { ...factor.value, kind: 'number' },
        unit: '',
        digits: 4,
        model: has => plain(has('coefficient forgotten'), has('inverted')),
        slips: says,
      })
    const sample = dice.measured(0.25, 0.9, 4)
    const solidMass = ((dice.between(0.06, 0.85) * Number(sample)) / factor.value.value).toFixed(4)
    return numeric({
      ask: `How much {${analyte}} does the sample hold, in percent?`,
      facts: [`Sample: ${sample} g`, `{${weighedAs}}, dry: ${solidMass} g`],
      figure: analyteShare(
        factor.value,
        measuredFigure(`${solidMass} g`, 'mass', `{${weighedAs}} weighed`),
        measuredFigure(`${sample} g`, 'mass', 'sample'),
      ),
      unit: '%',
      digits: 4,
      model: has => {
        const used = has('rounded early')
          ? rounded(plain(has('coefficient forgotten'), has('inverted')), 1)
          : plain(has('coefficient forgotten'), has('inverted'))
        return (Number(solidMass) * used) / Number(sample)
      },
      slips: { ...says, 'rounded early': 'The factor was rounded to two digits.' },
    })
  },
}

function unitsIn(analyte: string, weighedAs: string): number {
  const symbol = [...formula(analyte).composition.keys()][0]!
  return (formula(weighedAs).composition.get(symbol) ?? 0) / (formula(analyte).composition.get(symbol) ?? 1)
}

/** Dried to constant mass at so much, °C, in a class's oven or over a low flame. */
const DRIED = 200
/** Salts that lose their waters and nothing else when they are dried: neither do they decompose by then, nor take their water apart. */
const dried = () =>
  salts().filter(({ dry, waters, hasComplex, ions }) => {
    const row = findSubstance(formula(dry))?.row
    const found = ionsOf(formula(dry)) ?? []
    const hydrolyses =
      found.some(({ charge }) => charge === -1) &&
      found.some(({ text }) => hydrolysedChlorides.some(one => one === text))
    return (
      waters >= 1 &&
      !hasComplex &&
      ions === 2 &&
      !hydrolyses &&
      (row?.decomposes ?? Infinity) > DRIED &&
      row?.air !== 'oxidises'
    )
  })

/** Waters of crystallisation from the loss on heating. */
export const watersFamily: Family = {
  id: 'waters',
  name: 'Waters from the loss on heating',
  skill: 'Assay',
  steps: ['masses of the salt', 'with its crucible', 'with its crucible, not quite dry'],
  make(dice, level) {
    const { dry, waters } = dice.pick(dried())
    const salt = massOf(dry)
    const before = dice.between(0.8, 3)
    const lost = (before * waters * WATER) / (salt + waters * WATER)
    const kept = before - lost * (level === 3 ? dice.between(0.96, 0.99) : 1)
    const tare = level === 1 ? 0 : dice.between(18, 27)
    const [full, burnt, empty] = [before + tare, kept + tare, tare].map(value => value.toFixed(3)) as [
      string,
      string,
      string,
    ]
    const weighed = (text: string, name: string) => {
      const whole = measuredFigure(`${text} g`, 'mass', level === 1 ? name : `crucible with the ${name}`)
      return level === 1 ? whole : difference(name, whole, measuredFigure(`${empty} g`, 'mass', 'empty crucible'))
    }
    const found = watersFromLoss(formula(dry), weighed(full, 'hydrate'), weighed(burnt, 'salt after heating'))
    if (!found.ok) return undefined
    const [m1, m2, m0] = [Number(full), Number(burnt), Number(empty)] as const
    return numeric({
      ask: `How many moles of water go with one mole of {${dry}}? Give the number as measured, not rounded to a whole one.`,
      facts:
        level === 1
          ? [`Hydrate: ${full} g`, `After heating to constant mass: ${burnt} g`]
          : [
              `Empty crucible: ${empty} g`,
              `with the hydrate: ${full} g`,
              `after heating${level === 3 ? '' : ' to constant mass'}: ${burnt} g`,
            ],
      figure: found.value.waters,
      unit: '',
      digits: 3,
      model: has => {
        const tared = has('tare left in') ? 0 : m0
        const gone = m1 - m2
        const stays = m2 - tared
        const [top, bottom] = has('residue for loss')
          ? [stays, gone]
          : [gone, has('by the hydrate') ? m1 - tared : stays]
        const moles = top / WATER / (bottom / salt)
        return has('inverted') ? 1 / moles : has('mass for moles') ? top / bottom : moles
      },
      slips: {
        'by the hydrate': `What stays, ${(m2 - m0).toFixed(3)} g, is the {${dry}}; ${(m1 - m0).toFixed(3)} g was salt and water.`,
        'residue for loss': `${(m1 - m2).toFixed(3)} g went away, and that is the water; ${(m2 - m0).toFixed(3)} g stayed.`,
        ...(level > 1 && { 'tare left in': `The crucible weighs ${empty} g: take it off what stays.` }),
        'mass for moles': `Grams of water over grams of salt; moles are those over ${WATER.toFixed(2)} and ${salt.toFixed(2)} g/mol.`,
        inverted: 'That is salt to a mole of water.',
      },
      why:
        level === 3
          ? [
              `The nearest whole number is ${found.value.nearest}; a value a little below it says that not all the water was driven out.`,
            ]
          : [`The nearest whole number is ${found.value.nearest}: {${found.value.formula}}.`],
    })
  },
}

/** Metals that take nitrogen as they burn in air, and what their nitride is (texts of inorganic chemistry, from memory). */
const nitrided = (): { metal: string; oxide: string; ratio: number; nitride: string }[] =>
  (['Li', 'Mg', 'Ca', 'Sr', 'Al'] as const).flatMap(metal => {
    const charge = metalCharges[metal]?.[0]
    if (charge === undefined) return []
    const oxide = charge === 1 ? `${metal}2O` : charge === 2 ? `${metal}O` : `${metal}2O3`
    const nitride = charge === 1 ? `${metal}3N` : charge === 2 ? `${metal}3N2` : `${metal}N`
    return substances.some(({ formula }) => formula === oxide) ? [{ metal, oxide, ratio: charge / 2, nitride }] : []
  })

/** Atoms of oxygen to one of metal, from burning; the nitride that forms beside it is driven out with water. */
export const burntFamily: Family = {
  id: 'burnt',
  name: 'Empirical formula, nitride and all',
  skill: 'Assay',
  steps: ['masses of metal and oxide', 'with its crucible', 'with nitride on the way'],
  make(dice, level) {
    const { metal, oxide, ratio, nitride } = dice.pick(nitrided())
    const [m, o, n] = [massOf(metal), massOf('O'), massOf('N')]
    const taken = dice.between(0.25, 1.4)
    // A little of the metal is lost as smoke, or not burnt: the last digit is not that of the formula.
    const burnt = (taken * (m + o * ratio * dice.between(0.985, 1.015))) / m
    const share = dice.between(0.15, 0.35)
    const metalShare = ((2 * ratio) / 3) * (n / m)
    const withNitride = taken * (1 - share) * (1 + (o * ratio) / m) + taken * share * (1 + metalShare)
    const tare = level === 1 ? 0 : dice.between(17, 26)
    const [empty, full, half, end] = [tare, tare + taken, tare + withNitride, tare + burnt].map(x => x.toFixed(3)) as [
      string,
      string,
      string,
      string,
    ]
    const tared = (text: string, name: string) => {
      const whole = measuredFigure(`${text} g`, 'mass', level === 1 ? name : `crucible with the ${name}`)
      return level === 1 ? whole : difference(name, whole, measuredFigure(`${empty} g`, 'mass', 'empty crucible'))
    }
    const [before, after] = [tared(full, 'metal'), tared(end, 'oxide')]
    const found = empiricalFormula([
      [metal, before],
      ['O', difference('oxygen taken up', after, before)],
    ])
    if (!found.ok || (level === 3 && Math.abs(withNitride - burnt) < 0.004)) return undefined
    const [ofMetal, ofOxygen] = found.value.ratios.map(({ ratio }) => ratio) as [Figure, Figure]
    const figure = product(`{O} to one {${metal}}`, 'number', [ofOxygen], [ofMetal])
    const [m0, m1, m2, m3] = [empty, full, half, end].map(Number) as [number, number, number, number]
    return numeric({
      ask: `How many moles of oxygen atoms go with one mole of {${metal}}? Give the number as measured.`,
      facts: [
        ...(level > 1 ? [`Empty crucible: ${empty} g`] : []),
        `${level > 1 ? 'with the ' : ''}{${metal}}: ${full} g`,
        ...(level === 3 ? [`after burning in air, part of it {${nitride}}: ${half} g`] : []),
        `${level === 3 ? 'wetted with water, and heated again to constant mass' : 'burnt to the oxide'}: ${end} g`,
      ],
      figure,
      unit: '',
      digits: 3,
      model: has => {
        const ended = has('nitride left in') ? m2 : m3
        const metalMass = has('tare left in') ? m1 : m1 - m0
        const oxygen = ended - m1
        const moles = has('residue for loss') ? (ended - m0) / o / (metalMass / m) : oxygen / o / (metalMass / m)
        return has('inverted') ? 1 / moles : has('mass for moles') ? oxygen / metalMass : moles
      },
      slips: {
        ...(level === 3 && {
          'nitride left in': `${half} g still held {${nitride}}; after the water all of it was oxide, ${end} g.`,
        }),
        'residue for loss': `${(m3 - m0).toFixed(3)} g is the whole oxide; its oxygen is what the metal gained, ${(m3 - m1).toFixed(3)} g.`,
        'mass for moles': `Grams over grams; moles are those over ${o.toFixed(3)} and ${m.toFixed(2)} g/mol.`,
        inverted: `That is {${metal}} to a mole of oxygen.`,
        ...(level > 1 && { 'tare left in': `The crucible weighs ${empty} g: the metal is what is over that.` }),
      },
      why: [
        `The nearest small formula is {${found.value.formula}}${nameOf(formula(oxide)) ? `, ${nameOf(formula(oxide))}` : ''}.`,
      ],
    })
  },
}
