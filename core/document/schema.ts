import * as z from 'zod'
import { MOST_POINTS, worksheetKinds, type Worksheet } from '#core/assay'
import { equipment, operationNames, seenPlaces, signs, troubles, type Step } from '#core/journal'
import { chosenWays, ways, type Plan } from '#core/sheet'
import { recordParts, type RecordPart } from './record-parts'

/** Text that a database and another program can keep: no NUL, no broken surrogates. */
export const plainText = (most: number) =>
  z
    .string()
    .max(most)
    .refine(value => !value.includes('\0') && isWellFormed(value), 'This holds characters that cannot be kept.')

const isWellFormed = (value: string): boolean =>
  !/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/.test(value)

export const measuredText = plainText(60)
const measured = measuredText
const formula = plainText(400)
const id = plainText(40).min(1)

/** A point of a file: no instrument writes more. */
const coordinate = z.number().min(-1e9).max(1e9)

/** What its bottle says: lot or number. */
const lot = plainText(80).exactOptional()
/** The bottle of the lab’s shelf that it comes from, by its code. */
const bottle = plainText(20).min(1).exactOptional()

const supply = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('solid'),
    lot,
    bottle,
    formula: formula.exactOptional(),
    assay: measured.exactOptional(),
    moisture: measured.exactOptional(),
    rest: z.enum(['residue', 'soluble']).exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('solution'),
    lot,
    bottle,
    concentration: measured,
    density: measured.exactOptional(),
    of: measured.exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('liquid'),
    lot,
    bottle,
    density: measured.exactOptional(),
    assay: measured.exactOptional(),
  }),
  z.strictObject({ kind: z.literal('gas'), lot, bottle }),
  z.strictObject({
    kind: z.literal('stage'),
    from: id,
    wet: measured.exactOptional(),
    share: measured.exactOptional(),
  }),
])

const charge = z.union(
  [
    z.strictObject({ mass: measured }),
    z.strictObject({ volume: measured }),
    z.strictObject({ amount: measured }),
    z.strictObject({ equivalents: z.number() }),
    z.strictObject({ excess: measured }),
  ],
  { error: 'A charge is one of "mass", "volume", "amount", "equivalents" (a number) or "excess".' },
)

const wash = z.strictObject({
  with: z.enum(['water', 'ethanol', 'methanol', 'acetone']),
  volume: measured,
  strength: measured.exactOptional(),
  at: measured.exactOptional(),
  retained: measured.exactOptional(),
  through: z.boolean().exactOptional(),
})
const toWhat = z.union([z.strictObject({ water: measured }), z.strictObject({ volume: measured })])

/** One move of a crystallisation, as `bin/zl crystallise` reads it. */
export const moveSchema = z.union(
  [
    z.strictObject({ heatTo: measured }),
    z.strictObject({ coolTo: measured }),
    z.strictObject({ evaporate: z.strictObject({ water: measured }) }),
    z.strictObject({ evaporateTo: toWhat }),
    z.strictObject({ addWater: measured }),
    z.strictObject({ filter: z.strictObject({ retained: measured.exactOptional() }) }),
    z.strictObject({ wash }),
    z.strictObject({ addSolute: z.strictObject({ form: formula, mass: measured }) }),
    z.strictObject({ seed: z.strictObject({ form: formula, mass: measured }) }),
    z.strictObject({ addEthanol: measured }),
    z.strictObject({ hold: measured }),
  ],
  {
    error:
      'A step is one of { heatTo }, { coolTo }, { evaporate: { water } }, { evaporateTo: { water } or { volume } }, { addWater }, { filter: { retained? } }, { wash: { with, volume, strength?, at?, retained?, through? } }, { addSolute: { form, mass } }, { seed: { form, mass } }, { addEthanol }, { hold }.',
  },
)

const name = plainText(40).min(1)
/** The kept liquor that an operation is done to. */
const of = { of: name.exactOptional() }

/** What a step does to the vessel, as a plan and a procedure keep it. */
const operationSchema = z.union(
  [
    z.strictObject({ charge: formula, ...of }),
    z.strictObject({
      addSolvent: z.strictObject({ name, volume: measured.exactOptional(), mass: measured.exactOptional() }),
      ...of,
    }),
    z.strictObject({
      addMore: z.strictObject({ species: formula, volume: measured.exactOptional(), mass: measured.exactOptional() }),
      ...of,
    }),
    z.strictObject({ stir: z.literal(true), ...of }),
    z.strictObject({ heatTo: measured, ...of }),
    z.strictObject({ coolTo: measured, ...of }),
    z.strictObject({ evaporate: z.strictObject({ water: measured }), ...of }),
    z.strictObject({ evaporateTo: toWhat, ...of }),
    z.strictObject({ addWater: measured, ...of }),
    z.strictObject({ addSolute: z.strictObject({ form: formula, mass: measured }), ...of }),
    z.strictObject({ seed: z.strictObject({ form: formula, mass: measured }), ...of }),
    z.strictObject({ addEthanol: measured, ...of }),
    z.strictObject({ hold: measured, ...of }),
    z.strictObject({ filterOff: z.literal(true), ...of }),
    z.strictObject({
      filter: z.strictObject({ retained: measured.exactOptional(), liquor: name.exactOptional() }),
      ...of,
    }),
    z.strictObject({ wash, ...of }),
    z.strictObject({ toDryness: z.enum(['boiled off', 'distilled off']), ...of }),
    z.strictObject({ dry: z.literal(true), ...of }),
    z.strictObject({ ignite: measured, ...of }),
    z.strictObject({ nothing: z.literal(true), ...of }),
  ],
  { error: 'This is none of the operations that docs/batch-format.md lists.' },
)

const stage = z.strictObject({
  id,
  equation: plainText(2000),
  reagents: z
    .array(
      z.strictObject({
        species: formula,
        supply,
        charge: charge.exactOptional(),
        wayOut: z.enum(chosenWays).exactOptional(),
      }),
    )
    .max(40),
  product: z.strictObject({ species: formula, form: formula.exactOptional() }),
  target: z.strictObject({ mass: measured, yield: measured.exactOptional() }).exactOptional(),
  yield: measured.exactOptional(),
  name: plainText(80).exactOptional(),
  inPot: z.boolean().exactOptional(),
  mix: z
    .array(z.strictObject({ equation: plainText(2000), share: measured }))
    .max(12)
    .exactOptional(),
  solvent: measured.exactOptional(),
  solvents: z
    .array(z.strictObject({ name: plainText(40), volume: measured.exactOptional(), mass: measured.exactOptional() }))
    .max(6)
    .exactOptional(),
  way: z.enum(ways).exactOptional(),
  evaporate: measured.exactOptional(),
  at: measured.exactOptional(),
  vessel: measured.exactOptional(),
  addition: measured.exactOptional(),
  bath: measured.exactOptional(),
  trap: z.strictObject({ reagent: formula, volume: measured, concentration: measured }).exactOptional(),
  operations: z.array(operationSchema).max(60).exactOptional(),
})

/** A plan as `bin/zl sheet` reads it and a batch keeps it. */
export const planSchema = z.strictObject({
  stages: z.array(stage).max(40),
  ambient: z
    .strictObject({ temperature: measured.exactOptional(), pressure: measured.exactOptional() })
    .exactOptional(),
  room: z.strictObject({ volume: measured.exactOptional() }).exactOptional(),
})

const stepSchema = z.strictObject({
  id,
  do: z.enum(operationNames),
  words: plainText(300),
  why: plainText(400).exactOptional(),
  about: z
    .discriminatedUnion('what', [
      z.strictObject({ what: z.literal('charge'), species: formula }),
      z.strictObject({ what: z.literal('recovered'), species: formula }),
      z.strictObject({ what: z.literal('addition'), species: formula }),
      z.strictObject({
        what: z.literal('product'),
        crop: z.int().min(1).max(20),
        empty: z.literal(true).exactOptional(),
      }),
      z.strictObject({ what: z.literal('pot') }),
    ])
    .exactOptional(),
  does: operationSchema.exactOptional(),
  target: measured.exactOptional(),
  tolerance: measured.exactOptional(),
  hands: measured.exactOptional(),
  wait: measured.exactOptional(),
  repeat: z.strictObject({ times: z.int().min(1).max(99), every: measured.exactOptional() }).exactOptional(),
  until: plainText(200).exactOptional(),
  needs: z.array(z.enum(equipment)).max(equipment.length).exactOptional(),
})
const steps = z.array(stepSchema).max(120)

/** A procedure of the lab's own, to be taken over into a batch. */
export const templateSchema = z.strictObject({ name: plainText(80).min(1), steps: steps.min(1) })
export interface Template {
  readonly name: string
  readonly steps: readonly Step[]
}

/** An assay's worksheet, in a batch or standing alone. */
export const worksheetSchema = z.strictObject({
  id,
  kind: z.enum(worksheetKinds),
  name: plainText(120),
  given: z.record(plainText(40), plainText(2000)),
  rows: z.array(z.record(plainText(40), measured)).max(200),
  curve: z
    .strictObject({
      x: plainText(80),
      y: plainText(80),
      points: z
        .array(z.tuple([coordinate, coordinate]))
        .min(5)
        .max(MOST_POINTS),
    })
    .exactOptional(),
})

const parts = Object.keys(recordParts) as [RecordPart, ...RecordPart[]]

/** What only the chemist can say of a batch, for its record: what it is for, why the plan was changed, what is thought of the yield, how residues were treated; and what the record holds. */
const recordSchema = z.strictObject({
  purpose: plainText(2000).exactOptional(),
  /** By the number of the revision that changed the plan. */
  changes: z
    .array(z.strictObject({ id: z.string().regex(/^[1-9]\d{0,8}$/), why: plainText(400) }))
    .max(400)
    .exactOptional(),
  stages: z
    .array(
      z.strictObject({
        stage: id,
        conclusion: plainText(4000).exactOptional(),
        treated: plainText(4000).exactOptional(),
      }),
    )
    .max(40)
    .exactOptional(),
  form: z.enum(['short', 'long']).exactOptional(),
  without: z.array(z.enum(parts)).max(parts.length).exactOptional(),
})
export type RecordNotes = z.output<typeof recordSchema>

/** The open batch format, version 2: a title, a plan, and the procedures that were edited. The journal travels beside it. */
export const batchSchema = z.strictObject({
  format: z.literal('zip-ledger/batch'),
  version: z.literal(2),
  title: plainText(120),
  plan: planSchema,
  assays: z.array(worksheetSchema).max(40).exactOptional(),
  procedures: z
    .array(z.strictObject({ stage: id, steps, taken: z.literal(true).exactOptional() }))
    .max(40)
    .exactOptional(),
  record: recordSchema.exactOptional(),
})

/** Ids compare as the database writes them, in small letters. */
const uuid = z.uuid().toLowerCase()
const written = { id: uuid, at: z.iso.datetime({ offset: true }), by: uuid }
const about = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('charge'), stage: id, species: formula }),
  z.strictObject({ what: z.literal('recovered'), stage: id, species: formula }),
  z.strictObject({ what: z.literal('addition'), stage: id, step: id, species: formula }),
  z.strictObject({ what: z.literal('product'), stage: id, crop: z.int().min(1).max(20) }),
  z.strictObject({ what: z.literal('pot'), stage: id }),
])

const ofStage = { ...written, stage: id, step: id.exactOptional() }
const seconds = z.number().min(0).max(1e8)

/** A journal entry as it is sent and kept. */
export const entrySchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('reading'),
    ...written,
    about,
    measure: z.enum(['gross', 'tare', 'net', 'volume', 'temperature', 'pH', 'absorbance', 'conductivity']),
    value: measured,
    instrument: plainText(80).exactOptional(),
    typed: z.boolean(),
    step: id.exactOptional(),
    bottle,
  }),
  z.strictObject({
    kind: z.enum(['observation', 'note']),
    ...ofStage,
    text: plainText(4000),
    seen: z
      .strictObject({
        sign: z.enum(signs),
        is: z.boolean(),
        strength: z.enum(['slight', 'strong']).exactOptional(),
        place: z.enum(seenPlaces).exactOptional(),
        of: plainText(40).exactOptional(),
        to: plainText(40).exactOptional(),
      })
      .exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('step'),
    ...ofStage,
    step: id,
    what: z.enum(['begun', 'done', 'skipped', 'opened']),
    whole: z.literal(true).exactOptional(),
    words: plainText(300),
    why: plainText(400).exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('deviation'),
    ...ofStage,
    text: plainText(4000),
    code: z.enum(troubles).exactOptional(),
    steps: z.array(stepSchema).max(20),
  }),
  z.strictObject({
    kind: z.literal('timer'),
    ...ofStage,
    timer: uuid,
    what: z.enum(['start', 'pause', 'resume', 'add', 'stop']),
    name: plainText(120),
    seconds: seconds.exactOptional(),
    every: seconds.min(1).exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('test'),
    ...ofStage,
    added: plainText(120),
    result: z.enum(['cloud', 'clear', 'acid', 'neutral', 'alkaline']),
  }),
  z.strictObject({ kind: z.literal('shift'), ...ofStage, step: id, to: z.iso.datetime({ offset: true }) }),
  z.strictObject({
    kind: z.literal('photo'),
    ...ofStage,
    photo: z.string().regex(/^[0-9a-f]{64}$/, 'A photo is named by its SHA-256.'),
    type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
    text: plainText(4000),
  }),
  z.strictObject({
    kind: z.literal('correction'),
    ...written,
    corrects: uuid,
    why: plainText(400),
    instead: plainText(4000).exactOptional(),
  }),
])

/** What the schema reads, with plan and procedures as the core's own types. */
export interface BatchDocument extends Omit<z.output<typeof batchSchema>, 'plan' | 'procedures' | 'assays'> {
  readonly plan: Plan
  readonly assays?: readonly Worksheet[]
  readonly procedures?: readonly {
    readonly stage: string
    readonly steps: readonly Step[]
    /** Kept as it was proposed when the run began, and not changed by hand since. */
    readonly taken?: true
  }[]
}
