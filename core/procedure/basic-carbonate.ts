import { parseFormula, type Formula } from '#core/formula'
import { aquaAcids, substances } from '#core/reference'
import { ionsOf } from '#core/species'
import { dryOf } from '#core/vessel'
import type { Course } from './course'

/** A metal ion that is a stronger acid than this, pKa, falls from carbonate as a basic salt, at least in part: carbonate in water makes about as much hydroxide as its own pKa of 10.3 says. A judgement. */
const TAKES_HYDROXIDE = 10

/** A carbonate of an ion that takes water apart: what falls is a basic one, and which is said by name where the tables have one. */
export function tellBasic(course: Course, product: Formula): void {
  const metal = carbonateOf(dryOf(product).dry)
  const acid = metal && aquaAcids.find(({ ion, charge }) => ion === metal.text && charge === metal.charge)
  const fell = course.events.some(({ after }) =>
    after.lumps.some(({ form, is }) => is === 'thrown down' && dryOf(form).dry.text === dryOf(product).dry.text),
  )
  if (!metal || !acid || acid.pKa >= TAKES_HYDROXIDE || !fell) return
  const known = basicCarbonatesOf(metal.text)
  course.warn(
    'carbonate.basic',
    `{${product.text}} hardly comes pure from water: this ion takes water apart, and a basic carbonate falls${known.length > 0 ? `, such as ${known.map(form => `{${form}}`).join(' or ')}` : ''}, with the less carbonate the hotter the pot. The mass told is that of the plain carbonate: dissolve all of it on, or ignite a part and reckon by the oxide.`,
  )
}

function carbonateOf(dry: Formula): { readonly text: string; readonly charge: number } | undefined {
  const ions = ionsOf(dry) ?? []
  const [metal] = ions.filter(({ charge }) => charge > 0)
  return ions.length === 2 && metal && ions.some(({ text }) => text === 'CO3') ? metal : undefined
}

/** Salts of the tables that hold the metal with carbonate and hydroxide, and nothing else. */
const basicCarbonatesOf = (metal: string): string[] =>
  substances.flatMap(({ formula }) => {
    const read = parseFormula(formula)
    const texts = read.ok ? (ionsOf(read.value) ?? []).map(({ text }) => text) : []
    return texts.length === 3 && [metal, 'CO3', 'OH'].every(text => texts.includes(text)) ? [formula] : []
  })
