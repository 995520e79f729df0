import { enthalpies } from '#core/reference'
import type { StandingSolid } from './solids'

let known: ReadonlyMap<string, number> | undefined
const table = (): ReadonlyMap<string, number> =>
  (known ??= new Map(enthalpies.map(([formula, phase, kilojoule]) => [`${formula} ${phase}`, kilojoule])))

/** Heat taken up by dissolving a mole of a solid in much water at 25 °C, kJ, its water of crystallisation among the water; from enthalpies of formation. Undefined where the table lacks one. */
export function heatOfDissolving({
  form,
  components,
  waters,
}: Pick<StandingSolid, 'form' | 'components' | 'waters'>): number | undefined {
  const solid = table().get(`${form.text} s`)
  const water = table().get('H2O l')
  if (solid === undefined || water === undefined) return undefined
  let heat = waters * water - solid
  for (const { key, count } of components) {
    const ion = table().get(`${key.replace(/^\[(.*)\]/, '$1')} aq`)
    if (ion === undefined) return undefined
    heat += count * ion
  }
  return heat
}
