/** The slips that people make at a bench and on paper, as they are named to whoever made one, and what keeps from it. Teaching practice, no source. */
export const slips = {
  'waters left out': {
    name: 'The waters were left out',
    keep: 'Write the formula as it stands on the bottle, waters and all, before you look up a mass.',
  },
  'waters of one': {
    name: 'One water counted for all of them',
    keep: 'The number before H2O multiplies the whole water: seven waters are seven times 18.02 g/mol.',
  },
  'bracket left out': {
    name: 'The number behind a bracket was not applied',
    keep: 'What stands behind a bracket multiplies every atom inside it.',
  },
  'mass for moles': {
    name: 'The coefficients were applied to masses',
    keep: 'An equation counts moles. Go from grams to moles first, then use its coefficients, then come back.',
  },
  'coefficient forgotten': {
    name: 'A coefficient was forgotten',
    keep: 'Read the two coefficients off the equation and write the ratio down before you multiply.',
  },
  'coefficient inverted': {
    name: 'The ratio of the coefficients stands upside down',
    keep: 'Of what is asked over what is given: check that the moles go up where the equation has more.',
  },
  'wrong limiting reagent': {
    name: 'The wrong reagent was taken as limiting',
    keep: 'Divide the moles of each by its coefficient: the smaller quotient limits, however large its mass.',
  },
  'assay multiplied': {
    name: 'The assay was multiplied instead of divided',
    keep: 'Of an impure solid more is needed, not less: divide by the assay.',
  },
  'assay left out': { name: 'The assay was left out', keep: 'Read the label: what is weighed is not all reagent.' },
  'excess left out': {
    name: 'The excess was left out',
    keep: 'Multiply what the equation asks by one and the excess.',
  },
  'excess on the wrong side': {
    name: 'The excess went on the wrong side',
    keep: 'An excess makes what is weighed more, never less.',
  },
  thousand: {
    name: 'A factor of a thousand: mL for L, or mg for g',
    keep: 'Write the unit behind every number: mol/L goes with litres, mmol/mL with millilitres.',
  },
  'rounded early': {
    name: 'Rounded in the middle',
    keep: 'Keep all digits until the end, and round once.',
  },
  'double formula': {
    name: 'Half, or twice, the formula unit',
    keep: 'A double salt is written two ways: look which of them the equation makes, and count units.',
  },
  inverted: {
    name: 'The fraction stands upside down',
    keep: 'Carry the units along: they cancel only the right way round.',
  },
  'blank added': { name: 'The blank was added', keep: 'What a blank uses up is not the sample: take it off.' },
  'blank left out': { name: 'The blank was left out', keep: 'What a blank uses up is not the sample: take it off.' },
  'digits swapped': {
    name: 'Two digits changed places',
    keep: 'Read a number back from the paper after you have written it.',
  },
  'hydrate for dry': {
    name: 'The hydrate was taken for the anhydrous salt',
    keep: 'A solubility table counts anhydrous salt unless it says otherwise.',
  },
  'own water forgotten': {
    name: 'The water in the crystals was not counted',
    keep: 'A hydrate brings water along: it counts as solvent once the crystals have dissolved.',
  },
  'for 100 g of solution': {
    name: 'Taken as grams in 100 g of solution',
    keep: 'Look how a table counts: in 100 g of water, or in 100 g of solution.',
  },
  'nitride left in': {
    name: 'The nitride was not driven out',
    keep: 'Metal burnt in air takes nitrogen too: wet it, heat again, and use the mass after that.',
  },
  'tare left in': { name: 'The crucible was weighed with it', keep: 'Take the empty vessel off every weighing.' },
  'residue for loss': {
    name: 'The residue was taken for the water',
    keep: 'What is lost is the water; what stays is the salt.',
  },
  'by the hydrate': {
    name: 'Divided by the hydrate, not by what is left',
    keep: 'Waters are counted to one mole of the anhydrous salt, and that is weighed after heating.',
  },
  'excess not taken off': {
    name: 'What was left was taken for what was used up',
    keep: 'A back titration measures what is left: take it off what went in.',
  },
  'intercept left out': {
    name: 'The line’s intercept was left out',
    keep: 'Read from the line as it was fitted: take the intercept off before you divide by the slope.',
  },
  'dilution left out': {
    name: 'The dilution was left out',
    keep: 'What was measured is the diluted solution: multiply back to the one you were asked for.',
  },
  'added for final': {
    name: 'The volume added was taken for the whole',
    keep: 'A solution is made up to a volume: the stock is in it.',
  },
  'density left out': {
    name: 'The density was left out',
    keep: 'Percent by mass speaks of grams: the density makes millilitres of them.',
  },
  'one large portion': {
    name: 'Reckoned as one large portion',
    keep: 'Each portion thins what the one before it left: multiply the shares.',
  },
  'portions divided': {
    name: 'Divided by the number of portions',
    keep: 'Each portion thins what the one before it left: multiply the shares.',
  },
  'charges ignored': {
    name: 'The charges do not cancel',
    keep: 'Write each ion with its charge, and take as many of each as make the sum zero.',
  },
  'numeral as a count': {
    name: 'The numeral was taken for a count',
    keep: 'A Roman numeral tells the metal’s oxidation state, not how many atoms there are.',
  },
  'numeral left out': {
    name: 'The numeral was left out',
    keep: 'A metal with more than one state needs its numeral: copper(I) and copper(II) are two salts.',
  },
  'wrong numeral': {
    name: 'The wrong oxidation state',
    keep: 'Reckon it from the charges of the anions; what is left to zero is the metal’s.',
  },
  'ending mixed up': {
    name: 'Another acid’s ending',
    keep: '-ate has more oxygen than -ite, and -ide has none.',
  },
  'all ones': { name: 'A one before each', keep: 'Count every element on both sides before you go on.' },
  'not the smallest': {
    name: 'Balanced, but not with the smallest numbers',
    keep: 'Divide by what all the coefficients share.',
  },
  'one left at one': {
    name: 'One coefficient was left at one',
    keep: 'After each change, count once more all that the changed species holds.',
  },
  'by the table alone': {
    name: 'Judged by solubility alone',
    keep: 'How much there is counts as much as how well it dissolves: compare each with what is in the pot.',
  },
  'as it was put in': {
    name: 'The salts were taken as they went in',
    keep: 'In solution there are ions: any pair of them can meet in a crystal.',
  },
  'poured the wrong way': {
    name: 'Poured the wrong way round',
    keep: 'Strong acid and caustic go into water, slowly: the heat then has the whole liquid to go into.',
  },
  'a danger missed': { name: 'A danger was missed', keep: 'Ask of each pair: acid with what? Oxidiser with what?' },
  'a danger too many': {
    name: 'A danger that these do not make',
    keep: 'Name the two that would have to meet before you name what they make.',
  },
  'wrong way of the sum': {
    name: 'That would change the mass the other way, or by another amount',
    keep: 'Work out what each explanation would weigh, and hold it against the balance.',
  },
  'read from the wrong side': {
    name: 'Read across the wrong way',
    keep: 'Go from what you know straight to the curve, and only then to the other axis.',
  },
  'left in solution': {
    name: 'What stays dissolved was taken for what comes down',
    keep: 'What crystallises is what was dissolved hot less what stays dissolved cold.',
  },
  'all that was dissolved': {
    name: 'All that was dissolved was taken for the crystals',
    keep: 'Some stays in the liquor: take off what the cold water still holds.',
  },
  'for 100 g of water': {
    name: 'Reckoned for 100 g of water',
    keep: 'A table speaks of 100 g of water: scale it to the water that there is.',
  },
  'does not happen': {
    name: 'This does not happen',
    keep: 'That an equation balances does not make it go: ask for the potential, the solubility, the acid.',
  },
} as const satisfies Record<string, { readonly name: string; readonly keep: string }>

export type SlipId = keyof typeof slips
