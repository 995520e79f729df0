import { aboutWords, entryText, weighingOf, type JournalLine, type Reading } from '#core/journal'
import type { StepState } from '#core/procedure'
import { formatFigure } from '#core/quantity'
import {
  clock,
  figure,
  joined,
  open,
  paragraph,
  plainText,
  quiet,
  strong,
  struck,
  time,
  words,
  type Unnamed,
  type Words,
} from './page'
import type { Facts, StageFacts } from './source'

/** Lines that belong together: those of one step that follow each other. */
interface Group {
  readonly step: string | undefined
  readonly lines: readonly JournalLine[]
}
/** What only turns a clock or moves a plan tells nothing of the vessel. */
const isTold = ({ entry }: JournalLine): boolean => entry.kind !== 'timer' && entry.kind !== 'shift'
/** More readings of one kind than this at one step are told by their range; the journal has each. */
const MANY = 8

/** The procedure as it was done: step by step with clock times, who, what was read and seen, what was not as planned, and every correction. */
export function done(facts: Facts): Unnamed[] {
  if (facts.lines.length === 0) return [paragraph(open('Nothing was recorded yet.'))]
  return facts.stages.flatMap((stage): Unnamed[] => [
    ...(facts.stages.length > 1 ? [paragraph(strong(`${stage.number}. ${stage.name}`))] : []),
    ...groupsOf(stage).map((group): Unnamed => ({
      is: 'words',
      at: group.lines[0]!.entry.at,
      words: tell(facts, stage, group),
    })),
    ...leftOut(facts, stage),
  ])
}

function groupsOf({ lines, run }: StageFacts): Group[] {
  const stepFor = new Map<string, string>(
    run.steps.flatMap(({ step }): (readonly [string, string])[] =>
      step.about?.what === 'charge' || step.about?.what === 'recovered'
        ? [[`${step.about.what} ${step.about.species}`, step.id] as const]
        : step.about?.what === 'product' && step.about.empty
          ? [[`empty ${step.about.crop}`, step.id] as const]
          : step.about?.what === 'product'
            ? [[`crop ${step.about.crop}`, step.id] as const]
            : [],
    ),
  )
  const placeOf = (line: JournalLine): string | undefined => {
    const { entry } = line
    if (entry.kind !== 'reading' || entry.step !== undefined) return entry.step
    const { about } = entry
    if (about.what === 'charge' || about.what === 'recovered') return stepFor.get(`${about.what} ${about.species}`)
    if (about.what !== 'product') return undefined
    return (
      (entry.measure === 'tare' ? stepFor.get(`empty ${about.crop}`) : undefined) ?? stepFor.get(`crop ${about.crop}`)
    )
  }
  const inOrder = [...lines].filter(isTold).sort((a, b) => Date.parse(a.entry.at) - Date.parse(b.entry.at))
  const groups: { step: string | undefined; lines: JournalLine[] }[] = []
  for (const line of inOrder) {
    const step = placeOf(line)
    const last = groups.at(-1)
    if (last && (step === undefined || last.step === undefined || step === last.step)) {
      last.lines.push(line)
      last.step ??= step
    } else groups.push({ step, lines: [line] })
  }
  return groups
}

function tell(facts: Facts, stage: StageFacts, { step, lines }: Group): Words {
  const state = stage.run.steps.find(one => one.step.id === step)
  const by = [...new Set(lines.map(({ entry }) => entry.by))].map(facts.nameOf).join(', ')
  const readings = lines.filter(({ entry }) => entry.kind === 'reading')
  const said: Words[] = [
    ...(state ? [words(strong(state.step.words), state.inserted ? quiet(' (put in at the bench)') : undefined)] : []),
    ...tellReadings(facts, stage, readings),
    ...lines.flatMap(line => {
      const told = tellOther(facts, line)
      return told ? [told] : []
    }),
    ...(state ? ended(state, lines) : []),
  ]
  return words(sentences(said), ' ', quiet(by))
}

/** Each ends with one full stop, whatever it was typed with. */
const sentences = (all: readonly Words[]): Words =>
  all.flatMap((one, i) => [...(i > 0 ? [' '] : []), ...one, ...(/[.!?…]$/.test(plainText(one).trimEnd()) ? [] : ['.'])])

/** How a step ended within these lines. */
function ended({ step }: StepState, lines: readonly JournalLine[]): Words[] {
  const dones = lines.flatMap(({ entry, current }) =>
    entry.kind === 'step' && entry.what === 'done' && current !== undefined ? [entry] : [],
  )
  const last = dones.at(-1)
  if (!last) return []
  const begun = lines.find(({ entry }) => entry.kind === 'step' && entry.what === 'begun')
  const isSameMinute = lines[0]!.entry.at.slice(0, 16) === last.at.slice(0, 16)
  return [
    words(
      'Done',
      dones.length > 1 ? ` ${dones.length}${step.repeat ? ` of ${step.repeat.times}` : ''} times` : undefined,
      isSameMinute ? undefined : words(' at ', clock(last.at)),
      begun && !isSameMinute ? words(', begun ', clock(begun.entry.at)) : undefined,
    ),
  ]
}

/** What stood before each correction, struck through, and why. */
export function corrected({ nameOf }: Facts, { entry, corrections, current }: JournalLine): Words {
  if (corrections.length === 0) return []
  const before = [entryText(entry), ...corrections.slice(0, -1).map(({ instead }) => instead ?? 'struck out')]
  return words(
    corrections.flatMap((one, i): Words => [
      struck(before[i] ?? ''),
      ' ',
      quiet(`(${one.why}; ${nameOf(one.by)}, `),
      time(one.at),
      quiet(') '),
    ]),
    current === undefined ? 'struck out' : undefined,
  )
}

const valueOf = (facts: Facts, line: JournalLine): Words =>
  words(corrected(facts, line), line.current === undefined ? undefined : figure(line.current))

function tellReadings(facts: Facts, stage: StageFacts, readings: readonly JournalLine[]): Words[] {
  const byKind = new Map<string, JournalLine[]>()
  for (const line of readings) {
    const { about, measure } = line.entry as Reading
    const key = `${about.what === 'pot' ? '' : `${aboutWords(about)}, `}${measure}`
    byKind.set(key, [...(byKind.get(key) ?? []), line])
  }
  const told = [...byKind].map(([key, lines]) => words(`${key} `, tellMany(facts, lines)))
  const nets = netsOf(stage, readings)
  const instruments = [
    ...new Set(readings.map(({ entry }) => (entry as Reading).instrument ?? ((entry as Reading).typed ? 'typed' : ''))),
  ].filter(Boolean)
  if (told.length === 0) return []
  return [
    words(
      joined(told, '; '),
      nets.length > 0 ? words(': ', joined(nets, ', ')) : undefined,
      instruments.length > 0 ? quiet(` (${instruments.join('; ')})`) : undefined,
    ),
  ]
}

function tellMany(facts: Facts, lines: readonly JournalLine[]): Words {
  const plainOnes = lines.filter(({ corrections }) => corrections.length === 0)
  if (plainOnes.length <= MANY)
    return joined(
      lines.map(line => valueOf(facts, line)),
      ', ',
    )
  const others = lines.filter(({ corrections }) => corrections.length > 0)
  return words(
    figure(plainOnes[0]!.current ?? ''),
    ' to ',
    figure(plainOnes.at(-1)!.current ?? ''),
    ` in ${plainOnes.length} readings`,
    others.length > 0
      ? words(
          ', and ',
          joined(
            others.map(line => valueOf(facts, line)),
            ', ',
          ),
        )
      : undefined,
  )
}

/** What weighings come to with those of this group, where they were of a vessel. */
function netsOf({ lines, plan }: StageFacts, readings: readonly JournalLine[]): Words[] {
  const last = Math.max(...readings.map(({ entry }) => Date.parse(entry.at)))
  const sofar = lines.filter(({ entry }) => Date.parse(entry.at) <= last)
  const seen = new Set<string>()
  return readings.flatMap(({ entry }): Words[] => {
    const { about, measure } = entry as Reading
    if (about.what === 'pot' || (measure !== 'gross' && measure !== 'tare') || seen.has(aboutWords(about))) return []
    seen.add(aboutWords(about))
    const { net } = weighingOf(sofar, { ...about, stage: plan.id })
    return net ? [words(figure(formatFigure(net)), ' net')] : []
  })
}

function tellOther(facts: Facts, line: JournalLine): Words | undefined {
  const { entry, current, corrections } = line
  const now = words(
    corrected(facts, line),
    corrections.length > 0 && current === undefined ? undefined : (current ?? ''),
  )
  switch (entry.kind) {
    case 'observation':
      return words('Seen: ', now)
    case 'note':
      return words('Note: ', now)
    case 'deviation':
      return words(strong('Not as planned: '), now)
    case 'test':
      return words('Test with ', now)
    case 'photo':
      return words(`Photo: `, now)
    case 'step':
      return entry.what === 'skipped'
        ? words(
            strong('Left out: '),
            `${entry.words}, because ${entry.why ?? ''}`,
            corrections.length > 0 ? words(' ', now) : undefined,
          )
        : entry.what === 'opened'
          ? words('Opened again: ', entry.words)
          : corrections.length > 0
            ? words(`${entry.what} `, corrected(facts, line))
            : undefined
    default:
      return undefined
  }
}

/** Steps of the plan that nobody took up, once the product is weighed. */
function leftOut({ nameOf: _ }: Facts, { run, actual, lines }: StageFacts): Unnamed[] {
  if (!actual?.result || lines.length === 0) return []
  const untouched = run.steps.filter(({ status, times }) => status === 'open' && times === 0)
  if (untouched.length === 0) return []
  return [paragraph('Planned, and not recorded as done: ', untouched.map(({ step }) => step.words).join('; '), '.')]
}

/** Pictures, each with its words and when it was taken. */
export const photos = ({ lines, nameOf }: Facts): Unnamed[] =>
  lines.flatMap(({ entry, current }): Unnamed[] =>
    entry.kind === 'photo'
      ? [
          {
            is: 'photo',
            sha256: entry.photo,
            words: words(
              current === undefined ? struck(entry.text) : current,
              ' ',
              quiet(`${nameOf(entry.by)}, `),
              time(entry.at),
            ),
          },
        ]
      : [],
  )
