import { amountOf, computeWorksheet, fitLine, matched, purityAs, usedUp } from '#core/assay'
import { difference, given, product, type Figure } from '#core/quantity'
import { usualTitrations } from '#core/reference'
import { ionsOf } from '#core/species'
import type { Family } from '../family'
import { numeric, rounded } from '../numeric'
import { coefficientOf, formula, massOf, reactionOf, salts, type Salt } from '../pool'
import { measuredFigure } from '../sheets'

const must = <T>(checked: { ok: true; value: T } | { ok: false; problem: { code: string } }): T => {
  if (!checked.ok) throw new Error(checked.problem.code)
  return checked.value
}
const volume = (text: string, name: string): Figure => measuredFigure(`${text} mL`, 'volume', name)
const strength = (text: string, name: string): Figure => measuredFigure(`${text} mol/L`, 'concentration', name)

const UNIT = given(1, 'amount', 'one mole', { source: 'exact', uncertainty: 0 })
const GRAM = given(1, 'mass', 'one gram', { source: 'exact', uncertainty: 0 })

/** Salts that hold the ion that a titration finds, each as it is. */
function holding(species: string): readonly Salt[] {
  const [sought] = ionsOf(formula(species)) ?? []
  return salts().filter(
    ({ text, hasComplex }) =>
      !hasComplex &&
      (ionsOf(formula(text)) ?? []).some(ion => ion.text === sought?.text && ion.charge === sought.charge) &&
      purityAs(formula(species), UNIT, GRAM, [formula(text)]).ok,
  )
}

/** Purity of a salt by direct titration, with a blank at the last step. */
export const titrationFamily: Family = {
  id: 'titration',
  name: 'Direct titration',
  skill: 'Assay',
  steps: ['one to one', 'by coefficients', 'with a blank'],
  make(dice, level) {
    const { species, titrant, equation } = dice.pick(usualTitrations)
    const reaction = reactionOf(equation)
    const [per, used] = [coefficientOf(reaction, species), coefficientOf(reaction, titrant)]
    if (level !== 3 && (level === 1) !== (per === used)) return undefined
    const options = holding(species)
    if (options.length === 0) return undefined
    const { text, dry } = dice.pick(options)
    const c = dice.measured(0.05, 0.12, 4)
    const v = dice.between(14, 38)
    const blank = level === 3 ? dice.between(0.15, 0.6).toFixed(2) : undefined
    const shown = (v + Number(blank ?? 0)).toFixed(2)
    const units = formulaUnits(species, text)
    const sample = (((v / 1000) * Number(c) * per * massOf(text)) / used / units / dice.between(0.86, 0.995)).toFixed(4)
    const found = must(
      matched(
        reaction,
        formula(titrant),
        must(
          amountOf({
            formula: formula(titrant),
            concentration: strength(c, `strength of {${titrant}}`),
            volume: volume(shown, 'volume used'),
            ...(blank !== undefined && { blank: volume(blank, 'blank') }),
          }),
        ),
        formula(species),
      ),
    )
    const [purity] = must(
      purityAs(formula(species), found, measuredFigure(`${sample} g`, 'mass', 'sample'), [formula(text)]),
    )
    const words = `${used} {${titrant}} go${used === 1 ? 'es' : ''} with ${per} {${species}}.`
    return numeric({
      ask: `How pure is the {${text}}, in percent?`,
      facts: [
        `{${equation}}`,
        `Sample: ${sample} g`,
        `{${titrant}}, ${c} mol/L: ${shown} mL`,
        ...(blank === undefined ? [] : [`A blank takes ${blank} mL.`]),
      ],
      figure: purity!.purity,
      unit: '%',
      digits: 3,
      model: has => {
        const off = Number(blank ?? 0) * (has('blank left out') ? 0 : has('blank added') ? -1 : 1)
        const moles = ((Number(shown) - off) / 1000) * Number(c)
        const kept = has('rounded early') ? rounded(moles, 2) : moles
        const factor = has('coefficient forgotten') ? 1 : has('coefficient inverted') ? used / per : per / used
        const mass = has('waters left out') ? massOf(dry) : massOf(text)
        return (kept * factor * mass) / (has('double formula') ? 1 : units) / Number(sample)
      },
      slips: {
        ...(per !== used && { 'coefficient forgotten': words, 'coefficient inverted': words }),
        ...(text !== dry && {
          'waters left out': `The sample is {${text}}, ${massOf(text).toFixed(2)} g/mol, not {${dry}}.`,
        }),
        ...(blank !== undefined && {
          'blank left out': `${blank} mL of the ${shown} mL were used up by the blank.`,
          'blank added': `${blank} mL of the ${shown} mL were used up by the blank: they are taken off.`,
        }),
        ...(units > 1 && { 'double formula': `One {${text}} holds ${units} {${species}}.` }),
        'rounded early': 'The moles in the middle were rounded to two digits.',
      },
    })
  },
}

/** How many of the species one formula unit holds. */
const formulaUnits = (species: string, text: string): number => {
  const [purity] = must(purityAs(formula(species), UNIT, GRAM, [formula(text)]))
  return massOf(text) / purity!.purity.value
}

/** Carbonates and oxides that dissolve in an excess of acid, which is titrated back. */
const BACK = [
  { form: 'CaCO3', equation: 'CaCO3 + 2 HCl -> CaCl2 + H2O + CO2' },
  { form: 'MgCO3', equation: 'MgCO3 + 2 HCl -> MgCl2 + H2O + CO2' },
  { form: 'ZnO', equation: 'ZnO + 2 HCl -> ZnCl2 + H2O' },
  { form: 'SrCO3', equation: 'SrCO3 + 2 HCl -> SrCl2 + H2O + CO2' },
  { form: 'MgO', equation: 'MgO + 2 HCl -> MgCl2 + H2O' },
  { form: 'BaCO3', equation: 'BaCO3 + 2 HCl -> BaCl2 + H2O + CO2' },
] as const

/** Purity by back titration of the acid that was left. */
export const backTitrationFamily: Family = {
  id: 'back-titration',
  name: 'Back titration',
  skill: 'Assay',
  steps: ['acid of one strength', 'two strengths', 'the acid measured by a blank'],
  make(dice, level) {
    const { form, equation } = dice.pick(BACK)
    const [acid, base, solid] = [formula('HCl'), formula('NaOH'), formula(form)]
    const [reaction, back] = [reactionOf(equation), reactionOf('HCl + NaOH -> NaCl + H2O')]
    const c1 = dice.measured(0.2, 0.6, 4)
    const v1 = dice.pick(['25.00', '50.00'])
    const added = (Number(v1) * Number(c1)) / 1000
    // What is left goes into one burette, and so does all of it.
    const c2 = level === 1 ? c1 : ((1000 * added) / dice.between(32, 48)).toPrecision(4)
    const left = added * dice.between(0.15, 0.6)
    const v2 = ((1000 * left) / Number(c2)).toFixed(2)
    const blank = ((1000 * added * dice.between(0.985, 1.015)) / Number(c2)).toFixed(2)
    const whole = level === 3 ? (Number(blank) * Number(c2)) / 1000 : added
    const rest = (Number(v2) * Number(c2)) / 1000
    const sample = (((whole - rest) * massOf(form)) / 2 / dice.between(0.85, 0.99)).toFixed(4)
    const asAcid = (text: string, name: string): Figure =>
      must(
        matched(
          back,
          base,
          must(
            amountOf({ formula: base, concentration: strength(c2, 'strength of {NaOH}'), volume: volume(text, name) }),
          ),
          acid,
        ),
      )
    const went =
      level === 3
        ? asAcid(blank, '{NaOH} without the sample')
        : must(
            amountOf({
              formula: acid,
              concentration: strength(c1, 'strength of {HCl}'),
              volume: volume(v1, 'acid added'),
            }),
          )
    const eaten = must(usedUp(went, asAcid(v2, '{NaOH} used'), acid))
    const [purity] = must(
      purityAs(solid, must(matched(reaction, acid, eaten, solid)), measuredFigure(`${sample} g`, 'mass', 'sample'), [
        solid,
      ]),
    )
    return numeric({
      ask: `How pure is the {${form}}, in percent?`,
      facts: [
        `{${equation}}`,
        `Sample: ${sample} g, in ${v1} mL of {HCl}${level === 3 ? '' : `, ${c1} mol/L`}`,
        `What is left of the acid takes ${v2} mL of {NaOH}, ${c2} mol/L.`,
        ...(level === 3 ? [`The same acid without a sample takes ${blank} mL.`] : []),
      ],
      figure: purity!.purity,
      unit: '%',
      digits: 3,
      model: has => {
        const used = has('excess not taken off') ? rest : has('blank added') ? whole + rest : whole - rest
        const kept = has('rounded early') ? rounded(used, 2) : used
        const factor = has('coefficient forgotten') ? 1 : has('coefficient inverted') ? 2 : 1 / 2
        return (kept * factor * massOf(form)) / Number(sample)
      },
      slips: {
        'coefficient forgotten': `Two {HCl} go with one {${form}}.`,
        'excess not taken off': `${(1000 * rest).toPrecision(4)} mmol is the acid that was left; the sample used up ${(1000 * (whole - rest)).toPrecision(4)} mmol.`,
        'coefficient inverted': `Two {HCl} go with one {${form}}: halve the moles of acid.`,
        'rounded early': 'The moles in the middle were rounded to two digits.',
      },
    })
  },
}

/** Pairs of salts that throw each other down, and what comes down. */
const PAIRS = [
  { first: 'BaCl2·2H2O', second: 'Na2SO4', down: 'BaSO4', equation: 'BaCl2 + Na2SO4 -> BaSO4 + 2 NaCl' },
  {
    first: 'CaCl2·2H2O',
    second: 'K2C2O4·H2O',
    down: 'CaC2O4·H2O',
    equation: 'CaCl2 + K2C2O4 + H2O -> CaC2O4·H2O + 2 KCl',
  },
  { first: 'SrCl2·6H2O', second: 'K2SO4', down: 'SrSO4', equation: 'SrCl2 + K2SO4 -> SrSO4 + 2 KCl' },
  { first: 'AgNO3', second: 'K2CrO4', down: 'Ag2CrO4', equation: '2 AgNO3 + K2CrO4 -> Ag2CrO4 + 2 KNO3' },
  {
    first: 'BaCl2·2H2O',
    second: 'Na3PO4·12H2O',
    down: 'Ba3(PO4)2',
    equation: '3 BaCl2 + 2 Na3PO4 -> Ba3(PO4)2 + 6 NaCl',
  },
] as const

/** What a dry mixture of two salts holds of the limiting one, from what it throws down. */
export const mixtureFamily: Family = {
  id: 'mixture',
  name: 'Mixture by its precipitate',
  skill: 'Assay',
  steps: ['one to one', 'a hydrate limits', 'by coefficients'],
  make(dice, level) {
    const { first, second, down, equation } = dice.pick(level === 3 ? PAIRS.slice(3) : PAIRS.slice(0, 3))
    const reaction = reactionOf(equation)
    const limiting = level === 1 ? second : dice.pick([first, second])
    const dry = limiting.split('·')[0]!
    const other = limiting === first ? second : first
    const [n, d] = [coefficientOf(reaction, dry), coefficientOf(reaction, down)]
    const sample = dice.measured(0.8, 1.6, 4)
    const equal = massOf(limiting) * n
    const rest = massOf(other) * coefficientOf(reaction, other.split('·')[0]!)
    const part = (equal / (equal + rest)) * dice.between(0.5, 0.92)
    const tare = dice.between(0.8, 1.1)
    const solid = ((part * Number(sample)) / massOf(limiting)) * (d / n) * massOf(down)
    const [paper, with_] = [tare.toFixed(4), (tare + solid).toFixed(4)]
    const computed = computeWorksheet({
      id: 'w',
      kind: 'mixture',
      name: 'Mixture',
      given: { equation, precipitate: down, first, second, clouds: limiting === first ? 'the one' : 'the other' },
      rows: [{ sample: `${sample} g`, tare: `${paper} g`, gross: `${with_} g` }],
    })
    const figure = computed.rows[0]?.figure
    if (!figure) return undefined
    const words = `${n} {${dry}} give${n === 1 ? 's' : ''} ${d} {${down}}.`
    return numeric({
      ask: `How much {${limiting}} does the mixture hold, in percent?`,
      facts: [
        `{${equation}}`,
        `Mixture of {${first}} and {${second}}: ${sample} g`,
        `Paper, dry: ${paper} g; with the dry precipitate: ${with_} g`,
        `The clear liquor clouds with a drop of dissolved {${limiting}}, and not with {${other}}.`,
      ],
      figure,
      unit: '%',
      digits: 3,
      model: has => {
        const weighed = Number(with_) - (has('tare left in') ? 0 : Number(paper))
        const by = has('coefficient forgotten') ? 1 : has('coefficient inverted') ? d / n : n / d
        if (has('mass for moles')) return (weighed * by) / Number(sample)
        const named = has('wrong limiting reagent') ? massOf(other) : massOf(has('waters left out') ? dry : limiting)
        return ((weighed / massOf(down)) * by * named) / Number(sample)
      },
      slips: {
        ...(limiting !== dry && {
          'waters left out': `What was weighed in is {${limiting}}, ${massOf(limiting).toFixed(2)} g/mol.`,
        }),
        ...(n !== d && { 'coefficient forgotten': words, 'coefficient inverted': words }),
        'mass for moles': `The precipitate is {${down}}: go by moles to {${limiting}}.`,
        'tare left in': `The paper weighs ${paper} g.`,
        'wrong limiting reagent': `That reckons with {${other}}; {${limiting}} limits.`,
      },
    })
  },
}

/** Concentration from absorbance: by Beer's law, by a line of standards, with a dilution. */
export const beerFamily: Family = {
  id: 'beer',
  name: 'Absorbance against a series',
  skill: 'Assay',
  steps: ['by ε and the path', 'by a line of standards', 'by a line, after a dilution'],
  make(dice, level) {
    if (level === 1) {
      const epsilon = dice.measured(12, 95, 3)
      const path = dice.pick(['1.00', '2.00', '5.00'])
      const reading = dice.measured(0.15, 0.9, 3)
      const figure = product(
        'concentration',
        'concentration',
        [measuredFigure(reading, 'number', 'absorbance')],
        [measuredFigure(epsilon, 'number', 'ε, L/(mol cm)'), measuredFigure(path, 'number', 'path, cm')],
      )
      return numeric({
        ask: 'What is the concentration of the solution?',
        facts: [`Absorbance: ${reading}`, `ε = ${epsilon} L/(mol cm), path ${path} cm`],
        figure,
        unit: 'mmol/L',
        digits: 3,
        model: has => {
          const slope = Number(epsilon) * (has('dilution left out') ? 1 : Number(path))
          return has('inverted') ? slope / Number(reading) : Number(reading) / slope
        },
        slips: {
          ...(path !== '1.00' && { 'dilution left out': `The cell is ${path} cm long: divide by that too.` }),
          inverted: 'A = ε c l, so c = A ÷ (ε l).',
        },
      })
    }
    const slope = dice.between(4, 40)
    const cut = dice.between(0.025, 0.08)
    const strengths = [2, 4, 6, 8, 10].map(mmol => mmol / 1000)
    const readings = strengths.map(c => (cut + slope * c * dice.between(0.99, 1.01)).toFixed(3))
    const line = fitLine(strengths.map((x, i) => ({ x, y: Number(readings[i]) })))!
    const reading = (cut + slope * dice.between(0.0025, 0.0095)).toFixed(3)
    const [took, flask] =
      level === 3
        ? dice.pick([
            ['10.00', '100.0'],
            ['5.00', '50.0'],
            ['10.00', '25.0'],
          ])
        : ['1', '1']
    const [a, b] = [line.intercept, line.slope]
    const fitted = (value: number, name: string): Figure =>
      given(value, 'number', name, { source: name, uncertainty: 0, written: value.toPrecision(4) })
    const measured = product(
      'concentration measured',
      'concentration',
      [
        difference(
          'absorbance less the intercept',
          measuredFigure(reading, 'number', 'absorbance'),
          fitted(a, 'intercept of the line'),
        ),
      ],
      [fitted(b, 'slope of the line, L/mol')],
    )
    const times = Number(flask) / Number(took)
    return numeric({
      ask:
        level === 3
          ? 'What is the concentration of the stock, before it was diluted?'
          : 'What is the concentration of the sample?',
      facts: [
        `Standards: ${strengths.map((c, i) => `${(c * 1000).toFixed(1)} mmol/L reads ${readings[i]}`).join('; ')}`,
        `Fitted line: A = ${a.toPrecision(4)} + ${b.toPrecision(4)} L/mol × c`,
        ...(level === 3 ? [`${took} mL of the stock was made up to ${flask} mL, and that was measured.`] : []),
        `Reading: ${reading}`,
      ],
      figure:
        level === 3
          ? product('concentration', 'concentration', [measured, volume(flask, 'made up to')], [volume(took, 'taken')])
          : measured,
      unit: 'mmol/L',
      digits: 3,
      model: has => {
        const above = Number(reading) - (has('intercept left out') ? 0 : a)
        const c = has('inverted') ? above * b : above / b
        return has('dilution left out') ? c : has('coefficient inverted') ? c / times : c * times
      },
      slips: {
        'intercept left out': `The line cuts the axis at ${a.toPrecision(4)}: take that off ${reading} first.`,
        ...(level === 3 && {
          'dilution left out': `The stock is ${times.toPrecision(3)} times as strong as what was measured.`,
          'coefficient inverted': `The stock is stronger than what was measured: times ${times.toPrecision(3)}, not over it.`,
        }),
        inverted: 'A is the slope times c, so c is A over the slope.',
      },
    })
  },
}
