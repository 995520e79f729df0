import { findSubstance, molarMass, molarMassFigure } from '#core/formula'
import { commercial, densityTables, protonDonors, type CommercialRow } from '#core/reference'
import { dilute } from '#core/sheet'
import { dissolve, saturationAt, shippedCurves, type Curve } from '#core/solution'
import { difference, exact, product, workingOf } from '#core/quantity'
import { nameOf } from '#core/species'
import type { Dice } from '../dice'
import type { Family } from '../family'
import { numeric } from '../numeric'
import { formula, massOf } from '../pool'
import type { Picture } from '../question'
import { measuredFigure, plainFigure } from '../sheets'

/** Curves well enough known and long enough to be asked about: one or more phases over at least this span, °C. */
const SPAN = 40
const GOOD = new Set(['A', 'B'])
/** Below this, g in 100 g of water, a curve is none that a salt is crystallised by. A judgement. */
const SEEN = 10
const curves = (): readonly Curve[] =>
  shippedCurves().filter(
    ({ phases, grade }) =>
      GOOD.has(grade) &&
      phases.at(-1)!.to - phases[0]!.from >= SPAN &&
      Math.max(...phases.flatMap(({ points }) => points.map(([, grams]) => grams))) >= SEEN,
  )

/** Water that just holds a mass of a salt at a temperature. */
export const waterFamily: Family = {
  id: 'water',
  name: 'Water to dissolve',
  skill: 'Solutions',
  steps: ['an anhydrous salt', 'a hydrate, its own water counted', 'a hydrate, with a margin of a quarter'],
  make(dice, level) {
    const fit = curves().flatMap(curve =>
      curve.phases.flatMap(phase => (phase.waters > 0 === level > 1 ? [{ curve, phase }] : [])),
    )
    const { curve, phase } = dice.pick(fit)
    const celsius = Math.round(dice.between(phase.from, phase.to) / 5) * 5
    const saturation = saturationAt(curve, celsius)
    if (!saturation.ok || saturation.value.phase.form.text !== phase.form.text || saturation.value.isDrawnOn)
      return undefined
    // As the question says it: to three digits.
    const s = Number(saturation.value.grams.toPrecision(3))
    const form = phase.form
    const mass = dice.measured(10, 60, 3)
    const needed = dissolve(form, measuredFigure(`${mass} g`, 'mass', `{${form.text}}`), celsius)
    if (!needed.ok || needed.value.water.value < 3) return undefined
    const margin = level === 3 ? 1.25 : 1
    const [dry, whole] = [molarMass(curve.salt), molarMass(form)]
    const salt = (Number(mass) * dry) / whole
    const weighed = measuredFigure(`${mass} g`, 'mass', `{${form.text}}`)
    const inIt =
      phase.waters === 0
        ? weighed
        : product(`{${curve.salt.text}} in it`, 'mass', [weighed, molarMassFigure(curve.salt)], [molarMassFigure(form)])
    const holds = product(
      'water that holds it',
      'mass',
      [inIt, measuredFigure('100 g', 'mass', 'water')],
      [measuredFigure(`${s.toPrecision(3)} g`, 'mass', 'held by 100 g of water')],
    )
    const added =
      phase.waters === 0
        ? holds
        : difference('water to add', holds, difference(`water in the {${form.text}}`, weighed, inIt))
    return numeric({
      ask: `How much water do you add to ${mass} g of {${form.text}} to ${level === 3 ? 'dissolve it' : 'just dissolve it'} at ${celsius} °C${level === 3 ? ', with a quarter more of it as a margin' : ''}?`,
      facts: [`{${curve.salt.text}} at ${celsius} °C: ${s.toPrecision(3)} g in 100 g of water`],
      figure: level === 3 ? product('water with a quarter more', 'mass', [added, exact(margin)]) : added,
      unit: 'g',
      digits: 3,
      model: has => {
        const solid = has('hydrate for dry') ? Number(mass) : salt
        const water = has('inverted') ? (100 * s) / solid : (solid * (has('for 100 g of solution') ? 100 - s : 100)) / s
        const own = has('own water forgotten') || has('hydrate for dry') ? 0 : Number(mass) - salt
        const added = water - own
        return has('excess left out') ? added : has('excess on the wrong side') ? added / margin : added * margin
      },
      slips: {
        ...(phase.waters > 0 && {
          'hydrate for dry': `${mass} g of {${form.text}} are ${salt.toPrecision(4)} g of {${curve.salt.text}}; the table counts those.`,
          'own water forgotten': `${(Number(mass) - salt).toPrecision(4)} g of the ${mass} g are water, and become solvent.`,
        }),
        'for 100 g of solution': `${s.toPrecision(3)} g go with 100 g of water, not with ${(100 - s).toPrecision(3)} g.`,
        inverted: `The more dissolves in 100 g, the less water it takes: divide by ${s.toPrecision(3)}.`,
        ...(level === 3 && {
          'excess left out': 'The margin of a quarter is missing.',
          'excess on the wrong side': 'A margin makes the water more.',
        }),
      },
    })
  },
}

/** Stocks as they are sold, with densities in the table, that burn the skin: those whose dilution goes wrong. */
const stocks = (): readonly CommercialRow[] =>
  commercial.filter(
    ({ reagent }) =>
      densityTables.some(table => table.reagent === reagent) &&
      findSubstance(formula(reagent))?.row.hazards?.includes('H314'),
  )

/** Stock to take for a weaker solution. */
export const dilutionFamily: Family = {
  id: 'dilution',
  name: 'Dilution',
  skill: 'Solutions',
  steps: ['by moles', 'volume of a stock given the final volume', 'a stock in percent by mass'],
  make(dice, level) {
    const volume = dice.pick(['50.0', '100.0', '250.0', '500.0'])
    if (level === 3) return fromPercent(dice, volume)
    const reagent = dice.pick(['HCl', 'H2SO4', 'HNO3', 'NaOH', 'NH3'])
    const strong = dice.measured(4, 9, 3)
    const weak = dice.measured(0.2, 1.8, 3)
    const figure = product(
      'volume of stock',
      'volume',
      [
        measuredFigure(`${volume} mL`, 'volume', 'volume wanted'),
        measuredFigure(`${weak} mol/L`, 'concentration', 'wanted'),
      ],
      [measuredFigure(`${strong} mol/L`, 'concentration', 'stock')],
    )
    const water = level === 2
    return numeric({
      ask: water
        ? `About how much water goes with the stock, if volumes add, to make ${volume} mL of ${weak} mol/L {${reagent}}?`
        : `How much of the stock do you make up to ${volume} mL of ${weak} mol/L {${reagent}}?`,
      facts: [`Stock: ${strong} mol/L {${reagent}}`],
      figure: water ? difference('water', measuredFigure(`${volume} mL`, 'volume', 'volume wanted'), figure) : figure,
      unit: 'mL',
      digits: 3,
      model: has => {
        const [c, s, v] = [Number(weak), Number(strong), Number(volume)]
        const stock = has('inverted') ? (v * s) / c : has('added for final') ? (v * c) / (s - c) : (v * c) / s
        return water ? (has('left in solution') ? stock : v - stock) : stock
      },
      slips: {
        ...(water
          ? { 'left in solution': 'That is the stock; the water is what fills it up.' }
          : {
              'added for final': `That would go into ${volume} mL of water; the whole is to be ${volume} mL, stock and all.`,
            }),
        inverted: `The moles stay: ${volume} mL × ${weak} mol/L over ${strong} mol/L.`,
      },
    })
  },
}

function fromPercent(dice: Dice, volume: string) {
  const { reagent, percent } = dice.pick(stocks())
  const weak = dice.measured(0.2, 1.5, 3)
  const made = dilute({
    from: { reagent, concentration: `${percent} % w/w` },
    to: { concentration: `${weak} mol/L`, volume: `${volume} mL`, density: '1.01 g/mL' },
  })
  if (!made.ok || !made.value.takeVolume) return undefined
  const density = made.value.takeMass.value / made.value.takeVolume.value
  const moles = (Number(volume) * Number(weak)) / 1000
  const gram = moles * massOf(reagent)
  const share = percent / 100
  return numeric({
    ask: `How much of the stock do you make up to ${volume} mL of ${weak} mol/L {${reagent}}?`,
    facts: [`Stock: ${percent} % by mass {${reagent}}, ${density.toPrecision(4)} g/mL`],
    figure: made.value.takeVolume,
    working: workingOf(
      product(
        'volume of stock',
        'volume',
        [
          product(
            `{${reagent}} wanted`,
            'mass',
            [
              measuredFigure(`${volume} mL`, 'volume', 'volume wanted'),
              measuredFigure(`${weak} mol/L`, 'concentration', 'strength wanted'),
              molarMassFigure(formula(reagent)),
            ],
            [],
            1e-3,
          ),
        ],
        [
          measuredFigure(`${percent} %`, 'mass fraction', 'stock by mass'),
          measuredFigure(`${density.toPrecision(4)} g/mL`, 'density', 'density of the stock'),
        ],
      ),
    ),
    unit: 'mL',
    digits: 3,
    model: has => {
      const by = has('assay left out') ? 1 : has('assay multiplied') ? 1 / share : share
      const dense = has('density left out') ? 1 : has('inverted') ? 1 / density : density
      return gram / by / dense
    },
    slips: {
      'density left out': `${(gram / share).toPrecision(4)} g of stock are wanted; a millilitre of it weighs ${density.toPrecision(4)} g.`,
      'assay left out': `Only ${percent} g of each 100 g are {${reagent}}.`,
      'assay multiplied': `Only ${percent} g of each 100 g are {${reagent}}: divide by ${share.toFixed(3)}.`,
      inverted: `Millilitres are grams over g/mL: divide by ${density.toPrecision(4)}.`,
    },
  })
}

/** What goes into what. */
export const orderFamily: Family = {
  id: 'order',
  name: 'Order of mixing',
  skill: 'Solutions',
  steps: ['the usual acids', 'acids, caustic and ammonia', 'acids, caustic and ammonia, any strength'],
  make(dice, level) {
    const all = stocks()
    const { reagent, percent, others } = dice.pick(
      level === 1 ? all.filter(one => protonDonors.some(({ of }) => of === one.reagent)) : all,
    )
    const stock = level === 3 ? dice.pick([percent, ...others]) : percent
    const weak = dice.whole(1, Math.max(1, Math.floor(stock / 2)))
    const made = dilute({
      from: { reagent, concentration: `${stock} % w/w` },
      to: { concentration: `${weak} % w/w`, mass: '100 g' },
    })
    if (!made.ok) return undefined
    const right = made.value.order
    const name = nameOf(formula(reagent)) ?? reagent
    const wrong = [
      `Measure the stock of ${name} into the flask first, then pour the water onto it, stirring.`,
      'The order is the same either way: both end as one solution.',
      `Pour water and ${name} together at once, so that the heat is over quickly.`,
    ]
    const options = dice.shuffled([right, ...wrong])
    const at = (text: string): number => options.indexOf(text)
    return {
      ask: `How do you dilute {${reagent}} of ${stock} % to ${weak} %?`,
      answer: {
        is: 'choice',
        options,
        right: [at(right)],
        several: false,
        slipped: wrong.map(text => ({
          of: [
            {
              id: 'poured the wrong way',
              says: 'What is poured slowly into much water meets enough of it to spread its heat and its fumes; the other way round the first drops take all of it, and may spit.',
            },
          ],
          answer: [at(text)],
        })),
      },
      why: [right],
    }
  },
}

/** A picture of a curve, in steps of a few degrees. */
function pictureOf(curve: Curve, answerOn: 'x' | 'y' | undefined): Picture {
  const points: (readonly [number, number])[] = []
  const [from, to] = [curve.phases[0]!.from, curve.phases.at(-1)!.to]
  for (let celsius = Math.ceil(from); celsius <= to; celsius += 1) {
    const saturation = saturationAt(curve, celsius)
    if (saturation.ok) points.push([celsius, saturation.value.grams])
  }
  const most = Math.max(...points.map(([, y]) => y))
  const step = 10 ** Math.floor(Math.log10(most))
  return {
    of: curve.salt.text,
    x: { name: 'temperature', unit: '°C', from: Math.floor(from / 10) * 10, to: Math.ceil(to / 10) * 10 },
    y: {
      name: `{${curve.salt.text}} in 100 g of water`,
      unit: 'g',
      from: 0,
      to: Math.ceil((most * 1.05) / step) * step,
    },
    points,
    ...(answerOn && { answerOn }),
  }
}
/** Of a picture's axis one can read so much: a fiftieth of it, a judgement. */
const READ = 1 / 50

/** Reading a solubility curve: how much, at what temperature, and what comes down between two. */
export const curveFamily: Family = {
  id: 'curve',
  name: 'Read a solubility curve',
  skill: 'Crystals',
  steps: ['how much dissolves', 'where crystals begin', 'what comes down on cooling'],
  make(dice, level) {
    // A curve that hardly rises cannot be read for a temperature.
    const steep = curves().filter(({ phases }) => {
      const [low, high] = [phases[0]!.points[0]![1], phases.at(-1)!.points.at(-1)![1]]
      return (
        phases.length === 1 &&
        high > low * 1.6 &&
        phases[0]!.points.every(([, y], i, all) => i === 0 || y > all[i - 1]![1])
      )
    })
    const curve = dice.pick(steep)
    const [phase] = curve.phases
    const [from, to] = [Math.ceil(phase!.from), Math.floor(phase!.to)]
    const grams = (celsius: number): number => phase!.at(celsius)!
    const picture = pictureOf(curve, level === 1 ? 'y' : level === 2 ? 'x' : undefined)
    const [xStep, yStep] = [(picture.x.to - picture.x.from) * READ, picture.y.to * READ]
    const cold = dice.whole(from + 2, from + (to - from) * 0.35)
    const hot = dice.whole(from + (to - from) * 0.55, to - 1)
    const salt = curve.salt.text
    if (level === 1) {
      const value = grams(hot)
      return numeric({
        ask: `How many grams of {${salt}} does 100 g of water hold at ${hot} °C? Read it off the curve.`,
        picture,
        figure: plainFigure(value, 'mass', `{${salt}} at ${hot} °C, from the curve`),
        unit: 'g',
        digits: 3,
        within: yStep,
        model: has => (has('read from the wrong side') ? inverse(grams, hot, from, to) : value),
        slips: { 'read from the wrong side': `${hot} stands on the axis of temperatures: go up from there.` },
      })
    }
    if (level === 2) {
      const value = grams(hot)
      const held = value.toPrecision(3)
      const celsius = inverse(grams, Number(held), from, to)
      return numeric({
        ask: `${held} g of {${salt}} are dissolved in 100 g of hot water. At which temperature do crystals begin as it cools?`,
        picture,
        figure: plainFigure(celsius, 'temperature', `temperature at which ${held} g is all that dissolves`),
        unit: '°C',
        digits: 3,
        within: xStep,
        model: has => (has('read from the wrong side') ? (phase!.at(Number(held)) ?? NaN) : celsius),
        slips: { 'read from the wrong side': `${held} stands on the axis of grams: go across from there, then down.` },
      })
    }
    const [dissolved, stays] = [grams(hot), grams(cold)]
    const water = dice.whole(2, 12) * 25
    const figure = product(
      'crystals',
      'mass',
      [
        difference(
          'out of 100 g of water',
          plainFigure(dissolved, 'mass', `held at ${hot} °C`),
          plainFigure(stays, 'mass', `held at ${cold} °C`),
        ),
        measuredFigure(String(water), 'number', 'g of water'),
      ],
      [measuredFigure('100', 'number', 'g of water')],
    )
    const asIs = massOf(phase!.form.text) === massOf(salt)
    if (!asIs) return undefined
    return numeric({
      ask: `A solution of {${salt}} in ${water} g of water is saturated at ${hot} °C and cooled to ${cold} °C. How much crystallises?`,
      picture,
      figure,
      unit: 'g',
      digits: 3,
      within: Math.max((2 * yStep * water) / 100, figure.value * 0.02),
      model: has => {
        const scale = has('for 100 g of water') ? 1 : water / 100
        return (has('left in solution') ? stays : has('all that was dissolved') ? dissolved : dissolved - stays) * scale
      },
      slips: {
        'left in solution': `That stays dissolved at ${cold} °C; what comes down is the difference to ${hot} °C.`,
        'all that was dissolved': `That is all that was dissolved at ${hot} °C; some of it stays in the liquor.`,
        'for 100 g of water': `That is for 100 g of water; there are ${water} g.`,
      },
    })
  },
}

/** The temperature at which a rising curve has a value; beyond its ends there is none. */
function inverse(at: (celsius: number) => number, wanted: number, from: number, to: number): number {
  if (wanted < at(from) || wanted > at(to)) return NaN
  let [low, high] = [from, to]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (at(middle) < wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}
