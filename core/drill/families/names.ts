import { parseFormula, sameStuff } from '#core/formula'
import { anions, metalCharges } from '#core/reference'
import { formulaFromName, hydrateWord, ionsOf, ionText, roman } from '#core/species'
import type { Dice } from '../dice'
import type { Family } from '../family'
import { formula, salts, type Salt } from '../pool'
import type { Level, Slip, Slipped } from '../question'

const ofLevel = (level: Level): readonly Salt[] =>
  salts().filter(({ name, text, waters, ions, hasComplex }) => {
    const back = formulaFromName(name)
    // The name has to lead back to the formula, or it is not a fair one.
    if (back === undefined || !sameStuff(formula(back), formula(text))) return false
    if (level === 1) return waters === 0 && ions === 2 && !hasComplex && !name.includes('(')
    return level === 2 ? ions === 2 && !hasComplex && (waters > 0 || name.includes('(')) : hasComplex || ions > 2
  })

const pick = (dice: Dice, level: Level): Salt => dice.pick(ofLevel(level))

/** The formula of a name. */
export const formulaFamily: Family = {
  id: 'formula',
  name: 'The formula of a name',
  skill: 'Formulas',
  steps: ['one charge each', 'hydrates, and metals with a numeral', 'double salts and complexes'],
  make(dice, level) {
    const { text, dry, waters, name } = pick(dice, level)
    const wrong: Slipped<string>[] = []
    const add = (answer: string | undefined, slip: Slip): void => {
      if (answer !== undefined) wrong.push({ of: [slip], answer })
    }
    if (waters > 0) add(dry, { id: 'waters left out', says: `The name says${hydrateWord(waters)}: {${text}}.` })
    const ions = ionsOf(formula(dry)) ?? []
    const [positive, negative] = [ions.find(({ charge }) => charge > 0), ions.find(({ charge }) => charge < 0)]
    if (ions.length === 2 && positive && negative) {
      const tail = waters > 0 ? text.slice(dry.length) : ''
      const told = `One ion has charge ${positive.charge}+, the other ${-negative.charge}−: {${dry}}.`
      if (positive.charge !== -negative.charge)
        add(ionText(positive.text, 1) + ionText(negative.text, 1) + tail, { id: 'charges ignored', says: told })
      if (name.includes('(') && positive.charge > 1 && metalCharges[positive.text])
        add(ionText(positive.text, positive.charge) + ionText(negative.text, 1) + tail, {
          id: 'numeral as a count',
          says: `(${roman(positive.charge)}) says that {${positive.text}} has charge ${positive.charge}+. ${told}`,
        })
    }
    return {
      ask: `What is the formula of ${name}?`,
      answer: { is: 'formula', text, slipped: wrong.filter(({ answer }) => !isSame(answer, text)) },
      why: whyOf(ions, text),
    }
  },
}

function isSame(one: string, other: string): boolean {
  return sameStuff(formula(one), formula(other))
}

const whyOf = (ions: readonly { text: string; charge: number; count: number }[], text: string): string[] =>
  ions.length === 0
    ? []
    : [
        `{${text}} is made of ${ions.map(({ text: ion, charge, count }) => `${count} {${ion}^${Math.abs(charge) === 1 ? '' : Math.abs(charge)}${charge > 0 ? '+' : '-'}}`).join(' and ')}.`,
      ]

/** An anion's atoms but for oxygen. */
function centreOf(text: string): string {
  const read = parseFormula(text)
  const rest = [...(read.ok ? read.value.composition : [])].filter(([symbol]) => symbol !== 'O')
  return rest
    .map(([symbol, count]) => symbol + count)
    .toSorted()
    .join()
}

/** Anions of the same atoms but for oxygen: what an ending tells apart. */
function relativesOf(name: string): string[] {
  const row = anions.find(one => one.name === name)
  const centre = row && centreOf(row.text)
  if (!row || !centre) return []
  return [...new Set(anions.filter(one => one.name !== name && centreOf(one.text) === centre).map(one => one.name))]
}

/** The name of a formula. */
export const nameFamily: Family = {
  id: 'name',
  name: 'The name of a formula',
  skill: 'Formulas',
  steps: ['one charge each', 'hydrates, and metals with a numeral', 'double salts and complexes'],
  make(dice, level) {
    const { text, dry, waters, name } = pick(dice, level)
    const wrong: Slipped<string>[] = []
    const bare = waters > 0 ? name.slice(0, -hydrateWord(waters).length) : name
    const tail = name.slice(bare.length)
    if (waters > 0)
      wrong.push({ of: [{ id: 'waters left out', says: `{${text}} has its waters: ${name}.` }], answer: bare })
    const ions = ionsOf(formula(dry)) ?? []
    const metal = ions.find(({ charge, text: ion }) => charge > 0 && (metalCharges[ion]?.length ?? 0) > 1)
    const numeral = metal && `(${roman(metal.charge)})`
    if (metal && numeral && bare.includes(numeral)) {
      wrong.push({
        of: [{ id: 'numeral left out', says: `{${metal.text}} has more than one state; here it is ${numeral}.` }],
        answer: bare.replace(numeral, '') + tail,
      })
      for (const other of metalCharges[metal.text]!)
        if (other !== metal.charge)
          wrong.push({
            of: [{ id: 'wrong numeral', says: `The anions leave {${metal.text}} a charge of ${metal.charge}+.` }],
            answer: bare.replace(numeral, `(${roman(other)})`) + tail,
          })
    }
    const last = bare.split(' ').at(-1)!
    for (const other of relativesOf(last))
      wrong.push({
        of: [{ id: 'ending mixed up', says: `The anion is ${last}; ${other} has another count of oxygen.` }],
        answer: bare.slice(0, -last.length) + other + tail,
      })
    return {
      ask: `What is the name of {${text}}?`,
      answer: { is: 'name', text: name, formula: text, slipped: wrong },
      why: whyOf(ions, text),
    }
  },
}
