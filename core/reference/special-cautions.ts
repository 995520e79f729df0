/**
 * What a label's statements do not tell, and everybody at the bench is told before they begin. By the substance, or by an ion of it. Common practice, from memory; not complete: local rules and
 * somebody who was taught it come first.
 */
export interface SpecialCaution {
  readonly of: string
  readonly ion?: true
  /** It takes glass and porcelain. */
  readonly takesGlass?: true
  readonly text: string
}
export const specialCautions: readonly SpecialCaution[] = [
  { of: 'HF', takesGlass: true, text: 'Hydrogen fluoride goes through the skin, at first without pain, and a small area of it is deadly. Only by somebody who was taught it, never alone: gloves, apron and face shield made for it, calcium gluconate gel within reach; a splash is rinsed and goes to a physician at once. It takes glass and porcelain: polyethylene, polypropylene or PTFE.' },
  { of: 'CN', ion: true, text: 'Cyanide: never alone, gloves, in the hood, kept alkaline; no acid nearby, and only where somebody has the antidote and was taught to give it. What is left is never poured away with acid. Not everybody smells hydrogen cyanide.' },
  { of: 'H2S', text: 'Hydrogen sulfide numbs the nose: that it no longer smells says nothing.' },
  { of: 'CO', text: 'Carbon monoxide does not smell: a detector, not the nose, says whether the hood holds it.' },
  { of: 'Br2', text: 'Bromine burns deep: gloves, in the hood, and thiosulfate solution of about 5 % within reach for what is spilled; skin is rinsed with much water.' },
  { of: 'P4', text: 'White phosphorus catches fire in air: cut and weighed under water, and a copper sulfate solution ready for what is spilled.' },
  { of: 'HClO4', text: 'Perchloric acid: nothing that burns near it, no wooden bench, no evaporating but in a hood that is made for it. It is not boiled down.' },
  { of: 'N3', ion: true, text: 'Azide: no metal spatula and no metal drain, no acid, not near salts of heavy metals.' },
  { of: 'Li', text: 'Lithium: dry tools, under oil, sand at hand, no water and no carbon dioxide on a fire.' },
  { of: 'Na', text: 'Sodium: dry tools, under oil, sand at hand, no water on a fire. Cuttings go into propan-2-ol, not into the sink.' },
  { of: 'K', text: 'Potassium: dry tools, under oil, sand at hand, no water on a fire. An old piece with a yellow crust is not cut. Cuttings go into tert-butanol, not into the sink.' },
  { of: 'Hg', text: 'Mercury: over a tray, and what rolls away is picked up at once; its vapour does not smell.' },
] // prettier-ignore
