/**
 * Density (g/mL) of aqueous solutions against mass fraction (%), by reagent, at the temperature given.
 * Linear between rows; not known outside them. All recalled from memory of the source.
 */
export interface DensityTable {
  readonly reagent: string
  readonly name: string
  readonly temperature: number
  readonly source: string
  readonly rows: readonly (readonly [percent: number, density: number])[]
}

const CRC = 'CRC Handbook, Concentrative properties of aqueous solutions (from memory)'
const PERRY = "Perry's Chemical Engineers' Handbook, Densities of aqueous inorganic solutions (from memory)"

export const densityTables = [
  { reagent: 'HCl', name: 'hydrochloric acid', temperature: 20, source: CRC, rows: [
    [0, 0.9982], [1, 1.0032], [2, 1.0082], [4, 1.0181], [6, 1.0279], [8, 1.0376], [10, 1.0474], [12, 1.0574], [14, 1.0675],
    [16, 1.0776], [18, 1.0878], [20, 1.0980], [22, 1.1083], [24, 1.1187], [26, 1.1290], [28, 1.1392], [30, 1.1493],
    [32, 1.1593], [34, 1.1691], [36, 1.1789], [38, 1.1885], [40, 1.1980] ] },
  { reagent: 'HNO3', name: 'nitric acid', temperature: 20, source: PERRY, rows: [
    [0, 0.9982], [1, 1.0036], [5, 1.0256], [10, 1.0543], [15, 1.0842], [20, 1.1150], [25, 1.1469], [30, 1.1800], [35, 1.2140],
    [40, 1.2463], [45, 1.2783], [50, 1.3100], [55, 1.3393], [60, 1.3667], [65, 1.3913], [70, 1.4134], [75, 1.4337],
    [80, 1.4521], [85, 1.4686], [90, 1.4826], [95, 1.4932], [100, 1.5129] ] },
  { reagent: 'H2SO4', name: 'sulfuric acid', temperature: 20, source: PERRY, rows: [
    [0, 0.9982], [1, 1.0051], [5, 1.0317], [10, 1.0661], [15, 1.1020], [20, 1.1394], [25, 1.1783], [30, 1.2185], [35, 1.2599],
    [40, 1.3028], [45, 1.3476], [50, 1.3951], [55, 1.4453], [60, 1.4983], [65, 1.5533], [70, 1.6105], [75, 1.6692],
    [80, 1.7272], [85, 1.7786], [90, 1.8144], [92, 1.8240], [94, 1.8312], [96, 1.8355], [97, 1.8364], [98, 1.8361],
    [99, 1.8342], [100, 1.8305] ] },
  { reagent: 'H3PO4', name: 'phosphoric acid', temperature: 20, source: PERRY, rows: [
    [0, 0.9982], [2, 1.0092], [6, 1.0309], [10, 1.0532], [20, 1.1134], [30, 1.1805], [35, 1.2160], [40, 1.2540], [45, 1.2930],
    [50, 1.3350], [55, 1.3790], [60, 1.4260], [65, 1.4750], [70, 1.5260], [75, 1.5790], [80, 1.6330], [85, 1.6890],
    [90, 1.7460] ] },
  { reagent: 'CH3COOH', name: 'acetic acid', temperature: 20, source: PERRY, rows: [
    [0, 0.9982], [5, 1.0055], [10, 1.0125], [20, 1.0263], [30, 1.0384], [40, 1.0488], [50, 1.0575], [60, 1.0642], [70, 1.0685],
    [80, 1.0700], [90, 1.0661], [95, 1.0605], [98, 1.0549], [100, 1.0498] ] },
  { reagent: 'NH3', name: 'ammonia', temperature: 20, source: PERRY, rows: [
    [0, 0.9982], [1, 0.9939], [2, 0.9895], [4, 0.9811], [8, 0.9651], [12, 0.9501], [16, 0.9362], [20, 0.9229], [24, 0.9101],
    [28, 0.8980], [30, 0.8920] ] },
  { reagent: 'NaOH', name: 'sodium hydroxide', temperature: 20, source: PERRY, rows: [
    [0, 0.9982], [1, 1.0095], [2, 1.0207], [4, 1.0428], [8, 1.0869], [12, 1.1309], [16, 1.1751], [20, 1.2191], [24, 1.2629],
    [28, 1.3064], [32, 1.3490], [36, 1.3900], [40, 1.4300], [44, 1.4685], [48, 1.5065], [50, 1.5253] ] },
  { reagent: 'KOH', name: 'potassium hydroxide', temperature: 15, source: PERRY, rows: [
    [0, 0.9991], [1, 1.0083], [2, 1.0175], [4, 1.0359], [6, 1.0544], [8, 1.0730], [10, 1.0918], [12, 1.1108], [16, 1.1493],
    [20, 1.1884], [24, 1.2285], [28, 1.2695], [32, 1.3117], [36, 1.3549], [40, 1.3991], [44, 1.4443], [48, 1.4907],
    [50, 1.5143] ] },
  { reagent: 'H2O2', name: 'hydrogen peroxide', temperature: 18, source: PERRY, rows: [
    [0, 0.9986], [2, 1.0058], [6, 1.0204], [10, 1.0351], [14, 1.0499], [18, 1.0649], [22, 1.0802], [26, 1.0959], [30, 1.1122],
    [35, 1.1327], [40, 1.1536], [45, 1.1749], [50, 1.1966] ] },
  { reagent: 'C2H5OH', name: 'ethanol', temperature: 20, source: CRC, rows: [
    [0, 0.9982], [5, 0.9893], [10, 0.9819], [15, 0.9751], [20, 0.9686], [25, 0.9617], [30, 0.9538], [35, 0.9449], [40, 0.9352],
    [45, 0.9247], [50, 0.9138], [55, 0.9026], [60, 0.8911], [65, 0.8795], [70, 0.8676], [75, 0.8556], [80, 0.8434], [85, 0.8310],
    [90, 0.8180], [95, 0.8042], [100, 0.7893] ] },
] as const satisfies readonly DensityTable[]
