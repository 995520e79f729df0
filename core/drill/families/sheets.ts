import { percentOf } from '#core/outcome'
import { renamed } from '#core/quantity'
import type { Dice } from '../dice'
import type { Family } from '../family'
import { numeric, rounded, type Has } from '../numeric'
import { coefficientOf, massOf, preparations, type Preparation } from '../pool'
import type { Level } from '../question'
import { lineOf, measuredFigure, sheetFor } from '../sheets'

/** The numbers that every reckoning on a charge sheet needs: coefficients and molar masses of what goes in and of what comes out. */
function numbersOf({ reaction, start, acid, product, form }: Preparation) {
  return {
    start: { count: coefficientOf(reaction, start), mass: massOf(start) },
    acid: { count: coefficientOf(reaction, acid), mass: massOf(acid) },
    product: { count: coefficientOf(reaction, product), mass: massOf(form), dry: massOf(product) },
  }
}
type Numbers = ReturnType<typeof numbersOf>

/** Level one has one of each, or one of product; above it the ratio is not one to one. */
const fits =
  (level: Level) =>
  (one: Preparation): boolean => {
    const { start, product, acid } = numbersOf(one)
    return (
      one.form !== one.product &&
      (level === 1 ? start.count === product.count : start.count !== product.count || acid.count !== start.count)
    )
  }

const pick = (dice: Dice, level: Level, more: (one: Preparation) => boolean = () => true): Preparation =>
  dice.pick(preparations().filter(one => fits(level)(one) && more(one)))

const ratioWords = ({ start, product }: Numbers, one: Preparation): string =>
  `By the equation ${start.count} {${one.start}} give${start.count === 1 ? 's' : ''} ${product.count} {${one.product}}.`

/** Moles of what is asked, to a mole of what is given, with the usual ways to get it wrong. */
const ratio = (asked: number, given: number, has: Has): number =>
  has('coefficient forgotten') ? 1 : has('coefficient inverted') ? given / asked : asked / given

const said = (equation: string): string => `Equation: {${equation}}`

const drySaid = ({ product: { mass, dry } }: Numbers, { form, product }: Preparation): string =>
  `That reckons with {${product}}, ${dry.toFixed(2)} g/mol; what is weighed is {${form}}, ${mass.toFixed(2)} g/mol.`

/** What to weigh for so much product: hydrate, assay, excess, solution. */
export const weighFamily: Family = {
  id: 'weigh',
  name: 'What to weigh for a target',
  skill: 'Stoichiometry',
  steps: ['one reagent, pure', 'an assay, and coefficients', 'a solution in excess'],
  make(dice, level) {
    const one = pick(dice, level)
    const target = `${dice.measured(5, 60, 3)} g`
    return level === 3 ? acidFor(dice, one, target) : solidFor(dice, one, target, level)
  },
}

function solidFor(dice: Dice, one: Preparation, target: string, level: Level) {
  const n = numbersOf(one)
  const assay = level === 1 ? undefined : dice.measured(82, 98, 3)
  const sheet = sheetFor(
    one,
    [
      { species: one.start, supply: { kind: 'solid', ...(assay && { assay: `${assay} %` }) } },
      { species: one.acid, supply: { kind: 'solid' } },
    ],
    target,
  )
  const share = assay === undefined ? 1 : Number(assay) / 100
  const wanted = Number.parseFloat(target)
  return numeric({
    ask: `How much {${one.start}} do you weigh for ${target} of {${one.form}}, if nothing is lost?`,
    facts: [said(one.equation), ...(assay ? [`The bottle says ${assay} % {${one.start}}.`] : [])],
    figure: lineOf(sheet, one.start).mass!,
    unit: 'g',
    digits: 3,
    model: has => {
      const by = has('assay left out') ? 1 : has('assay multiplied') ? 1 / share : share
      if (has('mass for moles')) return (wanted * ratio(n.start.count, n.product.count, has)) / by
      const moles = wanted / (has('waters left out') ? n.product.dry : n.product.mass)
      const kept = has('rounded early') ? rounded(moles, 2) : moles
      const pure = has('inverted')
        ? (wanted * n.product.mass) / n.start.mass
        : kept * ratio(n.start.count, n.product.count, has) * n.start.mass
      return pure / by
    },
    slips: {
      'waters left out': drySaid(n, one),
      'coefficient forgotten': ratioWords(n, one),
      'mass for moles': `${target} of one is not ${target} of the other: a mole of {${one.form}} weighs ${n.product.mass.toFixed(2)} g, a mole of {${one.start}} ${n.start.mass.toFixed(2)} g.`,
      ...(assay !== undefined && {
        'assay left out': `Only ${assay} g of each 100 g are {${one.start}}.`,
        'assay multiplied': `Only ${assay} g of each 100 g are {${one.start}}, so more is weighed: divide by ${share.toFixed(3)}.`,
      }),
      'coefficient inverted': ratioWords(n, one),
      inverted: `Moles are grams over grams per mole: ${wanted} ÷ ${n.product.mass.toFixed(2)}, times ${n.start.mass.toFixed(2)}.`,
      'rounded early': `The moles in the middle are ${(wanted / n.product.mass).toPrecision(5)}, and were rounded to two digits.`,
    },
  })
}

function acidFor(dice: Dice, one: Preparation, target: string) {
  const n = numbersOf(one)
  const strength = dice.measured(1, 6, 3)
  const excess = dice.whole(2, 8) * 5
  const sheet = sheetFor(
    one,
    [
      { species: one.start, supply: { kind: 'solid' } },
      {
        species: one.acid,
        supply: { kind: 'solution', concentration: `${strength} mol/L` },
        charge: { excess: `${excess} %` },
      },
    ],
    target,
  )
  const wanted = Number.parseFloat(target)
  const more = 1 + excess / 100
  return numeric({
    ask: `Which volume of the acid do you measure for ${target} of {${one.form}}, with ${excess} % of it in excess?`,
    facts: [said(one.equation), `{${one.acid}}: ${strength} mol/L`],
    figure: lineOf(sheet, one.acid).volume!,
    unit: 'mL',
    digits: 3,
    model: has => {
      const moles = wanted / (has('waters left out') ? n.product.dry : n.product.mass)
      const kept = has('rounded early') ? rounded(moles, 2) : moles
      const acid = kept * ratio(n.acid.count, n.product.count, has)
      const charged = has('excess left out') ? acid : has('excess on the wrong side') ? acid / more : acid * more
      return 1000 * (has('inverted') ? charged * Number(strength) : charged / Number(strength))
    },
    slips: {
      'waters left out': drySaid(n, one),
      'coefficient forgotten': `By the equation ${n.acid.count} {${one.acid}} go with ${n.product.count} {${one.product}}.`,
      'excess left out': `That is just what the equation asks; ${excess} % more were wanted.`,
      'excess on the wrong side': `${excess} % in excess is ${more.toFixed(2)} times what the equation asks, and that was divided by ${more.toFixed(2)}.`,
      'coefficient inverted': `By the equation ${n.acid.count} {${one.acid}} go with ${n.product.count} {${one.product}}.`,
      inverted: `A volume is moles over mol/L: divide by ${strength}.`,
      'rounded early': `The moles in the middle are ${(wanted / n.product.mass).toPrecision(5)}, and were rounded to two digits.`,
    },
  })
}

/** Two charges: what can form at most, and what is left over. */
export const limitingFamily: Family = {
  id: 'limiting',
  name: 'Limiting reagent and leftover',
  skill: 'Stoichiometry',
  steps: ['the most that can form', 'with coefficients', 'what is left of the other'],
  make(dice, level) {
    const one = pick(dice, level)
    const n = numbersOf(one)
    const mass = dice.measured(3, 25, 3)
    // Between half and twice of what goes with it, and far enough from it that one of the two clearly limits.
    const part = dice.chance(0.5) ? dice.between(0.5, 0.85) : dice.between(1.2, 2)
    const acidMass = ((Number(mass) / n.start.mass) * n.acid.count * part * n.acid.mass) / n.start.count
    const strength = dice.measured(1, 4, 3)
    const volume = ((1000 * acidMass) / n.acid.mass / Number(strength)).toFixed(1)
    const sheet = sheetFor(one, [
      { species: one.start, supply: { kind: 'solid' }, charge: { mass: `${mass} g` } },
      {
        species: one.acid,
        supply: { kind: 'solution', concentration: `${strength} mol/L` },
        charge: { volume: `${volume} mL` },
      },
    ])
    const moles = { start: Number(mass) / n.start.mass, acid: (Number(volume) * Number(strength)) / 1000 }
    const facts = [said(one.equation), `{${one.start}}: ${mass} g`, `{${one.acid}}: ${volume} mL of ${strength} mol/L`]
    const limits = sheet.limiting[0]!
    const other = limits === one.start ? one.acid : one.start
    const both = `There are ${moles.start.toPrecision(4)} mol of {${one.start}} for ${n.start.count}, and ${moles.acid.toPrecision(4)} mol of {${one.acid}} for ${n.acid.count} in the equation: {${limits}} limits.`
    if (level === 3) return other === one.start ? leftover({ sheet, one, n, moles, facts, both }) : undefined
    return numeric({
      ask: `How much {${one.form}} can form at most?`,
      facts,
      figure: sheet.products[0]!.theoretical,
      unit: 'g',
      digits: 3,
      model: has => {
        const forgot = has('coefficient forgotten')
        const extents = {
          start: moles.start / (forgot ? 1 : n.start.count),
          acid: moles.acid / (forgot ? 1 : n.acid.count),
        }
        const right = limits === one.start
        const extent = right !== has('wrong limiting reagent') ? extents.start : extents.acid
        const made = (has('rounded early') ? rounded(extent, 2) : extent) * (forgot ? 1 : n.product.count)
        return made * (has('waters left out') ? n.product.dry : n.product.mass)
      },
      slips: {
        'wrong limiting reagent': both,
        'waters left out': drySaid(n, one),
        'coefficient forgotten': both,
        'rounded early': 'The moles in the middle were rounded to two digits.',
      },
    })
  },
}

function leftover({
  sheet,
  one,
  n,
  moles,
  facts,
  both,
}: {
  sheet: ReturnType<typeof sheetFor>
  one: Preparation
  n: Numbers
  moles: { start: number; acid: number }
  facts: readonly string[]
  both: string
}) {
  return numeric({
    ask: `How much {${one.start}} is left over?`,
    facts,
    figure: lineOf(sheet, one.start).leftover.mass,
    unit: 'g',
    digits: 3,
    model: has => {
      const used = moles.acid * ratio(n.start.count, n.acid.count, has)
      const kept = has('rounded early') ? rounded(used, 2) : used
      if (has('left in solution')) return kept * n.start.mass
      return (moles.start - kept) * n.start.mass
    },
    slips: {
      'left in solution': `That is what reacts, ${((moles.acid * n.start.count * n.start.mass) / n.acid.count).toPrecision(4)} g: take it off what was weighed.`,
      'coefficient forgotten': both,
      'coefficient inverted': both,
      'rounded early': 'The moles in the middle were rounded to two digits.',
    },
  })
}

/** Percent yield, on the form that was weighed; at the last step over 100 %. */
export const yieldFamily: Family = {
  id: 'yield',
  name: 'Percent yield',
  skill: 'Stoichiometry',
  steps: ['from one reagent', 'with an assay and coefficients', 'over 100 %'],
  make(dice, level) {
    const one = pick(dice, level)
    const n = numbersOf(one)
    const mass = dice.measured(3, 25, 4)
    const assay = level === 1 ? undefined : dice.measured(88, 98, 3)
    const sheet = sheetFor(one, [
      {
        species: one.start,
        supply: { kind: 'solid', ...(assay && { assay: `${assay} %` }) },
        charge: { mass: `${mass} g` },
      },
      { species: one.acid, supply: { kind: 'solid' } },
    ])
    const theoretical = sheet.products[0]!.theoretical
    const part = level === 3 ? dice.between(1.02, 1.2) : dice.between(0.55, 0.97)
    const crop = (theoretical.value * part).toFixed(2)
    const share = assay === undefined ? 1 : Number(assay) / 100
    const percent = percentOf(measuredFigure(`${crop} g`, 'mass', `{${one.form}} weighed`), theoretical)
    return numeric({
      ask: `What is the percent yield of {${one.form}}?`,
      facts: [
        said(one.equation),
        `{${one.start}}: ${mass} g${assay ? `, ${assay} %` : ''}; the acid in excess`,
        `{${one.form}}, dry: ${crop} g`,
      ],
      figure: renamed(percent, 'percent yield'),
      unit: '%',
      digits: 3,
      why:
        level === 3
          ? [
              'Over 100 % is no rounding error: it is water, another salt, unreacted reagent, a heavier hydrate, or another limiting reagent. The number stands as it is, and the question is which.',
            ]
          : [],
      model: has => {
        const pure = Number(mass) * (has('assay left out') ? 1 : has('assay multiplied') ? 1 / share : share)
        const per = has('waters left out') ? n.product.dry : n.product.mass
        const extent = has('rounded early') ? rounded(pure / n.start.mass, 2) : pure / n.start.mass
        const most = has('mass for moles')
          ? pure * ratio(n.product.count, n.start.count, has)
          : extent * ratio(n.product.count, n.start.count, has) * per
        return has('inverted') ? most / Number(crop) : Number(crop) / most
      },
      slips: {
        'waters left out': drySaid(n, one),
        'coefficient forgotten': ratioWords(n, one),
        'mass for moles': 'Grams of one were set against grams of the other: go by moles.',
        ...(assay !== undefined && {
          'assay left out': `Only ${assay} g of each 100 g are {${one.start}}: less can form.`,
          'assay multiplied': `Of ${mass} g only ${(Number(mass) * share).toPrecision(4)} g are {${one.start}}: multiply by ${share.toFixed(3)} here.`,
        }),
        inverted: 'What was weighed stands over what could form.',
        'coefficient inverted': ratioWords(n, one),
        'rounded early': 'The moles in the middle were rounded to two digits.',
      },
    })
  },
}
