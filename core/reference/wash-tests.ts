/** How a wash shows that an ion is out of it. */
export interface WashTestRow {
  /** The ion, as formulas write it. */
  readonly ion: string
  readonly name: string
  /** What is done to a drop of the wash. */
  readonly add: string
  /** What the wash does once the ion is gone. */
  readonly clean: string
}

/** Drop tests of the wash, the sharpest first: common practice of qualitative analysis, no source. */
export const washTests: readonly WashTestRow[] = [
  { ion: 'Cl', name: 'chloride', add: 'silver nitrate and dilute nitric acid', clean: 'stays clear' },
  { ion: 'Br', name: 'bromide', add: 'silver nitrate and dilute nitric acid', clean: 'stays clear' },
  { ion: 'I', name: 'iodide', add: 'silver nitrate and dilute nitric acid', clean: 'stays clear' },
  { ion: 'SCN', name: 'thiocyanate', add: 'acid iron(III) chloride', clean: 'does not redden' },
  { ion: 'SO4', name: 'sulfate', add: 'barium chloride and dilute hydrochloric acid', clean: 'stays clear' },
  { ion: 'C2O4', name: 'oxalate', add: 'calcium chloride and a little acetic acid', clean: 'stays clear' },
  { ion: 'Ba', name: 'barium', add: 'dilute sulfuric acid', clean: 'stays clear' },
  { ion: 'Ag', name: 'silver', add: 'dilute hydrochloric acid', clean: 'stays clear' },
  { ion: 'Ca', name: 'calcium', add: 'ammonium oxalate', clean: 'stays clear' },
  { ion: 'Pb', name: 'lead', add: 'potassium chromate', clean: 'stays clear' },
  { ion: 'H', name: 'acid', add: 'litmus', clean: 'is neutral' },
  { ion: 'OH', name: 'alkali', add: 'litmus', clean: 'is neutral' },
  { ion: 'CO3', name: 'carbonate', add: 'litmus', clean: 'is neutral' },
  { ion: 'HCO3', name: 'hydrogencarbonate', add: 'litmus', clean: 'is neutral' },
  { ion: 'S', name: 'sulfide', add: 'lead acetate paper', clean: 'shows no brown' },
]
