import { difference, parseQuantity, sum, type Figure, type Kind, type QuantityProblem } from '#core/quantity'
import { fail, ok, type Checked } from '#core/problem'
import { entryText, type About, type Correction, type Entry, type Measure, type Reading } from './entries'

/** An entry with the corrections that were made to it, oldest first, and the value that now counts. */
export interface JournalLine {
  readonly entry: Exclude<Entry, Correction>
  readonly corrections: readonly Correction[]
  /** Undefined when it was struck out. */
  readonly current: string | undefined
}

/** What one charge or crop weighs or measures, from its readings. */
export interface Weighing {
  readonly gross?: Figure
  readonly tare?: Figure
  /** Net mass or volume; undefined while half of a weighing is missing or it does not add up. */
  readonly net?: Figure
  /** What the net is made of: one for each vessel, net or volume that counts. */
  readonly portions: readonly Figure[]
  readonly problem?: 'gross-below-tare' | 'gross-missing' | 'tare-missing' | 'mixed-kinds'
}

/** The journal as it stands after all its entries, in their order. */
export function foldJournal(entries: readonly Entry[]): JournalLine[] {
  const lines = new Map<string, JournalLine>()
  for (const entry of entries) {
    if (entry.kind !== 'correction') {
      lines.set(entry.id, { entry, corrections: [], current: entryText(entry) })
      continue
    }
    const line = lines.get(entry.corrects)
    if (line) lines.set(entry.corrects, { ...line, corrections: [...line.corrections, entry], current: entry.instead })
  }
  return [...lines.values()]
}

export const sameAbout = (a: About, b: About): boolean => a.stage === b.stage && keyOf(a) === keyOf(b)

function keyOf(about: About): string {
  switch (about.what) {
    case 'charge':
    case 'recovered':
      return `${about.what} ${about.species}`
    case 'addition':
      return `addition ${about.step} ${about.species}`
    case 'product':
      return `crop ${about.crop}`
    case 'pot':
      return 'pot'
  }
}

/**
 * What the readings of one thing come to. A charge is what went in: its portions add up, each a net, a volume, or a gross less the tare of
 * its vessel, in whichever order the two were read. A crop, or what came back, is one thing that dries: its last gross less its last tare
 * counts, or a net read after both. Half a weighing gives no mass but a problem; so does a gross below its tare.
 */
export function weighingOf(lines: readonly JournalLine[], about: About): Weighing {
  const readings = lines.flatMap(({ entry, current }): Read[] => {
    if (entry.kind !== 'reading' || current === undefined || !sameAbout(entry.about, about)) return []
    const read = readReading(entry, current)
    return read.ok ? [{ measure: entry.measure, figure: read.value }] : []
  })
  return about.what === 'charge' || about.what === 'addition' ? addedUp(readings, about) : lastOf(readings, about)
}

interface Read {
  readonly measure: Measure
  readonly figure: Figure
}

function lastOf(readings: readonly Read[], about: About): Weighing {
  const at = (...measures: readonly Measure[]): number =>
    readings.findLastIndex(({ measure }) => measures.includes(measure))
  const direct = readings[at('net', 'volume')]
  if (direct && at('net', 'volume') > at('gross', 'tare')) return { net: direct.figure, portions: [direct.figure] }
  const vessel = { gross: readings[at('gross')]?.figure, tare: readings[at('tare')]?.figure }
  return weighed(vessel, about)
}

interface Vessel {
  readonly gross?: Figure | undefined
  readonly tare?: Figure | undefined
}

/**
 * Readings in their order. A vessel is complete with a gross and a tare: what was read second may be read again and then counts anew (more
 * was put in, or more taken out), what was read first begins the next vessel.
 */
function addedUp(readings: readonly Read[], about: About): Weighing {
  const portions: Figure[] = []
  let vessel: Vessel = {}
  let begun: Measure | undefined
  for (const { measure, figure } of readings) {
    if (measure === 'net' || measure === 'volume') portions.push(figure)
    if (measure !== 'gross' && measure !== 'tare') continue
    if (vessel.gross && vessel.tare && measure === begun) {
      portions.push(...weighed(vessel, about).portions)
      vessel = {}
    }
    if (!vessel.gross && !vessel.tare) begun = measure
    vessel = { ...vessel, [measure]: figure }
  }
  const last = weighed(vessel, about)
  const all = [...portions, ...last.portions]
  const kinds = new Set(all.map(({ kind }) => kind))
  const [first] = all
  const { net: _, ...rest } = last
  if (kinds.size > 1) return { ...rest, portions: all, problem: rest.problem ?? 'mixed-kinds' }
  if (!first) return { ...rest, portions: [] }
  const net =
    all.length === 1
      ? first
      : sum(
          nameOf(about),
          all.map(portion => [1, portion]),
        )
  return { ...rest, net, portions: all }
}

function weighed({ gross, tare }: Vessel, about: About): Weighing {
  if (!gross) return tare ? { tare, portions: [], problem: 'gross-missing' } : { portions: [] }
  if (!tare) return { gross, portions: [], problem: 'tare-missing' }
  if (gross.value < tare.value) return { gross, tare, portions: [], problem: 'gross-below-tare' }
  const net = difference(nameOf(about), gross, tare)
  return { gross, tare, net, portions: [net] }
}

/** What a reading is about, in words; formulas in braces. */
export function aboutWords(about: About): string {
  switch (about.what) {
    case 'charge':
      return `{${about.species}}`
    case 'recovered':
      return `{${about.species}} recovered`
    case 'addition':
      return `{${about.species}} added besides`
    case 'product':
      return `crop ${about.crop}`
    case 'pot':
      return 'the pot'
  }
}

function nameOf(about: About): string {
  switch (about.what) {
    case 'charge':
      return `mass of {${about.species}} weighed`
    case 'recovered':
      return `mass of {${about.species}} recovered`
    case 'addition':
      return `mass of {${about.species}} added besides`
    case 'product':
      return `mass of crop ${about.crop}`
    case 'pot':
      return 'mass of the pot'
  }
}

const kindOf: Record<Measure, Kind> = {
  gross: 'mass',
  tare: 'mass',
  net: 'mass',
  volume: 'volume',
  temperature: 'temperature',
  pH: 'number',
  absorbance: 'number',
  conductivity: 'conductivity',
}

/** The value of a reading; a balance may show zero, but not less. */
export function readReading(
  reading: Pick<Reading, 'id' | 'measure' | 'about'>,
  value: string,
): Checked<Figure, QuantityProblem> {
  const what = aboutWords(reading.about)
  const name = reading.measure === 'net' ? nameOf(reading.about) : `${reading.measure}, ${what}`
  return parseQuantity(value, {
    kinds: [kindOf[reading.measure]],
    name,
    source: `${reading.measure} of ${what}, reading ${reading.id.slice(0, 8)}`,
    zero: true,
  })
}

/** What was added of a reagent beside its charge, each portion at whatever step it was. */
export function additionsOf(lines: readonly JournalLine[], stage: string, species: string): Figure[] {
  const steps = new Set(
    lines.flatMap(({ entry }) =>
      entry.kind === 'reading' &&
      entry.about.what === 'addition' &&
      entry.about.stage === stage &&
      entry.about.species === species
        ? [entry.about.step]
        : [],
    ),
  )
  return [...steps].flatMap(step => weighingOf(lines, { what: 'addition', stage, step, species }).portions)
}

/** The crops of a stage added up; undefined while there is none that adds up. */
export function productMass(lines: readonly JournalLine[], stage: string): Figure | undefined {
  const masses = cropsOf(lines, stage).flatMap(crop => weighingOf(lines, { what: 'product', stage, crop }).net ?? [])
  if (masses.length === 0) return undefined
  return masses.length === 1
    ? masses[0]
    : sum(
        'mass of all crops',
        masses.map(mass => [1, mass]),
      )
}

/** Numbers of the crops that have a reading, in order. */
export function cropsOf(lines: readonly JournalLine[], stage: string): number[] {
  const crops = new Set<number>()
  for (const { entry } of lines) {
    if (entry.kind === 'reading' && entry.about.what === 'product' && entry.about.stage === stage)
      crops.add(entry.about.crop)
  }
  return [...crops].sort((a, b) => a - b)
}

/** A volume of the pot's liquor with the temperature it was last seen at, in the order they were read. */
export interface PotReading {
  readonly celsius: number
  readonly volume: number
  readonly at: string
}

/** The pot's volumes, each at the temperature read last before it or, for the first, first after it; none without a temperature. */
export function potReadings(lines: readonly JournalLine[], stage: string): PotReading[] {
  const read = lines.flatMap(({ entry, current }) => {
    if (entry.kind !== 'reading' || entry.about.what !== 'pot' || entry.about.stage !== stage || current === undefined)
      return []
    const value = readReading(entry, current)
    return value.ok ? [{ measure: entry.measure, value: value.value.value, at: entry.at }] : []
  })
  const first = read.find(({ measure }) => measure === 'temperature')?.value
  let celsius = first
  const readings: PotReading[] = []
  for (const { measure, value, at } of read) {
    if (measure === 'temperature') celsius = value
    else if (measure === 'volume' && celsius !== undefined) readings.push({ celsius, volume: value, at })
  }
  return readings
}

export type EntryProblem =
  | { code: 'journal.value'; problem: QuantityProblem }
  | { code: 'journal.nothing-to-correct'; corrects: string }
  | { code: 'journal.no-reason' }
  | { code: 'journal.no-reason-skipped' }
  | { code: 'journal.empty' }

/** Whether an entry can be kept: its value reads, it says something, and a correction names an entry and says why. */
export function checkEntry(entry: Entry, before: readonly JournalLine[]): Checked<Entry, EntryProblem> {
  switch (entry.kind) {
    case 'reading': {
      const read = readReading(entry, entry.value)
      return read.ok ? ok(entry) : fail({ code: 'journal.value', problem: read.problem })
    }
    case 'observation':
    case 'note':
    case 'deviation':
      return entry.text.trim() === '' ? fail({ code: 'journal.empty' }) : ok(entry)
    case 'step':
      return entry.what === 'skipped' && !entry.why?.trim() ? fail({ code: 'journal.no-reason-skipped' }) : ok(entry)
    case 'test':
      return entry.added.trim() === '' ? fail({ code: 'journal.empty' }) : ok(entry)
    case 'timer':
    case 'shift':
    case 'photo':
      return ok(entry)
    case 'correction': {
      const line = before.find(({ entry: old }) => old.id === entry.corrects)
      if (!line) return fail({ code: 'journal.nothing-to-correct', corrects: entry.corrects })
      if (entry.why.trim() === '') return fail({ code: 'journal.no-reason' })
      if (entry.instead === undefined || line.entry.kind !== 'reading') return ok(entry)
      const read = readReading(line.entry, entry.instead)
      return read.ok ? ok(entry) : fail({ code: 'journal.value', problem: read.problem })
    }
  }
}
