/** What a step can hurt by, and what is done about it: usual cautions, common practice, no source. Local rules come first. */
export const cautionWords = {
  'acid-into-water': 'The strong acid goes into what is there, slowly and with cooling; never the other way.',
  exotherm: 'It warms the pot by more than 15 degrees: slowly, in an ice bath.',
  gas: 'Gas comes off: never in a closed vessel, and each portion waits until the one before is calm.',
  foaming: 'It foams: a third of the vessel at most.',
  hydrogen: 'Hydrogen: in the hood, no flame and no spark.',
  'toxic-gas': 'The gas is toxic: in the hood, with the trap that the sheet names.',
  chlorine:
    'An oxidant onto acid chloride sets chlorine free: not unless that is wanted, and then in the hood with a trap.',
  'hydrogen-from-carried-metal': 'Metal came along from the stage before: it gives hydrogen with this.',
  'flammable-solvent': 'A flammable solvent: no flame, no hotplate beside it.',
  'hot-vessel': 'It is hot long after it looks so: tongs, and a mat that bears it.',
} as const
export type CautionCode = keyof typeof cautionWords
