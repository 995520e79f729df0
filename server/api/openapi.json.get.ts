import * as z from 'zod'
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi'
import { batchSchema, entrySchema, ownRowSchema, templateSchema, worksheetSchema } from '#core/document'
import { Body as SaveAssay } from './assays/index.put'
import { Body as Append } from './batches/[code]/entries.post'
import { Body as SavePlan } from './batches/[code]/index.put'
import { Body as Again } from './batches/[code]/again.post'
import { Body as Begin } from './batches/index.post'
import { Body as BeginPlanned } from './batches/planned.post'
import { Body as AddFact } from './bottles/[code]/facts.post'
import { Body as Relabel } from './bottles/[code]/index.put'
import { Body as AddBottles } from './bottles/index.post'
import { Body as MadeBottle } from './bottles/made.post'
import { Body as AnswerClass } from './batches/[code]/class.put'
import { Body as JoinClass } from './classes/join.post'
import { Body as AnswerDrill } from './drills/index.post'
import { Body as Settings } from './lab.put'
import { Body as OwnRow } from './own-rows/index.post'
import { Body as BeginPractice } from './practice/index.post'
import { Body as Template } from './templates/index.post'

/** How an answer that is no success looks (RFC 9457). */
const Problem = z
  .object({
    type: z.literal('about:blank'),
    title: z.string(),
    status: z.int(),
    detail: z.string(),
    problems: z
      .array(
        z.object({
          at: z.string().optional(),
          code: z.string().optional(),
          why: z.string(),
          fix: z.string().optional(),
        }),
      )
      .optional(),
  })
  .meta({ id: 'Problem', description: 'Why a request was refused, and at which place of it' })
const Stored = z
  .object({ seq: z.int(), entry: entrySchema, recordedAt: z.iso.datetime(), hash: z.string() })
  .meta({ id: 'StoredEntry', description: 'An entry as the journal keeps it, chained to the one before by its hash' })
const Batch = z
  .object({ code: z.string(), version: z.int(), document: batchSchema, touchedAt: z.iso.datetime() })
  .meta({ id: 'Batch' })
const Revision = z
  .object({ number: z.int(), by: z.uuid().optional(), at: z.iso.datetime(), afterSeq: z.int() })
  .meta({ id: 'Revision', description: 'By whom and when a plan was saved, and after which entry of the journal' })

const code = z.string().meta({ description: 'A batch’s code, such as ZN-021' })
const id = z.string()
const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema } } })
const refused = { description: 'Refused, and why', content: { 'application/problem+json': { schema: Problem } } }
/** What a key for scripts opens is said; the rest takes a session. */
const keyed = (scope: string): Record<string, string[]>[] => [{ key: [scope] }, { session: [] }]
const sessionOnly = [{ session: [] }]

interface Described {
  readonly summary: string
  readonly security: Record<string, string[]>[]
  readonly path?: Record<string, z.ZodType>
  readonly query?: Record<string, z.ZodType>
  readonly body?: z.ZodType
  readonly answer?: z.ZodType
  readonly status?: '200' | '201' | '204'
}
const operation = ({
  summary,
  security,
  path,
  query,
  body,
  answer,
  status = '200',
}: Described): ZodOpenApiOperationObject => ({
  summary,
  security,
  ...((path || query) && {
    requestParams: { ...(path && { path: z.object(path) }), ...(query && { query: z.object(query) }) },
  }),
  ...(body && { requestBody: json(body) }),
  responses: { [status]: { description: 'Done', ...(answer && json(answer)) }, default: refused },
})
const read = (summary: string, more: Omit<Described, 'summary' | 'security'> = {}) =>
  operation({ summary, security: keyed('read'), ...more })
const write = (summary: string, more: Omit<Described, 'summary' | 'security'> = {}) =>
  operation({ summary, security: sessionOnly, ...more })
const Any = z.unknown()
/** How times are told on paper. */
const reader = { zone: z.string().optional(), locale: z.string().optional() }

const paths: ZodOpenApiPathsObject = {
  '/api/bench': {
    get: read('The lab’s present: batches under way, with their lanes and clocks', {
      query: { from: z.int().optional() },
      answer: Any,
    }),
  },
  '/api/bench.ics': {
    get: operation({
      summary: 'The lab’s dues as an iCalendar; a key for the calendar may stand in the address',
      security: keyed('calendar'),
      query: { key: z.string().optional() },
    }),
  },
  '/api/live': { get: read('Server-sent events: the codes of batches that changed') },
  '/api/changes': { get: read('The codes of batches that changed since a moment, by the database’s clock in ms') },
  '/api/lab': {
    get: read('The lab and its people', { answer: Any }),
    put: write('Saves when hands work, what equipment there is, the room’s air', { body: Settings, answer: Any }),
  },
  '/api/batches': {
    get: read('All batches with where each stands, last touched first', { answer: z.array(Any) }),
    post: write('Begins a batch from its product and its equation', {
      body: Begin,
      answer: z.object({ code: z.string(), version: z.int() }),
      status: '201',
    }),
  },
  '/api/batches/planned': {
    post: write('Begins a batch from stages that are planned already, as a route is taken', {
      body: BeginPlanned,
      answer: z.object({ code: z.string(), version: z.int() }),
      status: '201',
    }),
  },
  '/api/batches/{code}': {
    get: read('A batch’s plan', { path: { code }, answer: Batch }),
    put: write('Saves a plan made from a version; refused (409) where that is no longer the last', {
      path: { code },
      body: SavePlan,
      answer: z.object({ version: z.int() }),
    }),
  },
  '/api/batches/{code}/entries': {
    get: read('The journal, or what was recorded after an entry', {
      path: { code },
      query: { after: z.int().optional() },
      answer: z.array(Stored),
    }),
    post: operation({
      summary: 'Appends to the journal in the name of who asks; a key appends readings only',
      security: keyed('append'),
      path: { code },
      body: Append,
      answer: z.array(Stored),
      status: '201',
    }),
  },
  '/api/batches/{code}/chain': {
    get: read('Whether the journal and the plan’s revisions are whole', { path: { code }, answer: Any }),
  },
  '/api/batches/{code}/revisions': {
    get: read('Revisions of the plan, the last first', {
      path: { code },
      query: { before: z.int().optional() },
      answer: z.array(Revision),
    }),
  },
  '/api/batches/{code}/revisions/{number}': {
    get: read('The plan as it was saved once; with “from”, what changed since another revision', {
      path: { code, number: z.int() },
      query: { from: z.int().optional() },
      answer: Any,
    }),
  },
  '/api/batches/{code}/photos': {
    post: operation({
      summary: 'Keeps the picture that is the body; answers its name, for the entry that shows it',
      security: sessionOnly,
      path: { code },
      answer: z.object({ photo: z.string(), type: z.string() }),
      status: '201',
    }),
  },
  '/api/batches/{code}/again': {
    post: write('Begins a batch after another, its procedure as planned or as done', {
      path: { code },
      body: Again,
      answer: z.object({ code: z.string(), version: z.int() }),
      status: '201',
    }),
  },
  '/api/compare': {
    get: read('Two batches side by side', { query: { a: z.string(), b: z.string() }, answer: Any }),
  },
  '/api/batches/{code}/record': {
    get: read('The record as it reads now, what was done to it, and where it stands', {
      path: { code },
      query: { quick: z.string().optional() },
      answer: Any,
    }),
  },
  '/api/batches/{code}/record/pdf': {
    get: read('The record as a PDF', {
      path: { code },
      query: { form: z.enum(['short', 'long']).optional(), ...reader },
    }),
  },
  '/api/batches/{code}/record/bench-sheet': {
    get: read('A page to print and carry, as a PDF', { path: { code } }),
  },
  '/api/batches/{code}/record/label': {
    get: read('The label of the product’s vial, as a PDF', { path: { code }, query: reader }),
  },
  '/api/batches/{code}/record/out': {
    get: read('Everything of a batch in one archive (RO-Crate 1.1)', {
      path: { code },
      query: { paper: z.enum(['0', '1']).optional(), ...reader },
    }),
  },
  '/api/batches/{code}/record/file': {
    get: read('One file of that archive, by its path', { path: { code }, query: { path: z.string() } }),
  },
  '/api/batches/{code}/photos/{sha256}': { get: read('A picture', { path: { code, sha256: z.string() } }) },
  '/api/assays': {
    get: read('Worksheets that stand alone', {
      answer: z.array(z.object({ version: z.int(), worksheet: worksheetSchema })),
    }),
    put: write('Saves a worksheet made from a version, 0 for a new one', {
      body: SaveAssay,
      answer: z.object({ version: z.int() }),
    }),
  },
  '/api/assays/{id}': { delete: write('Takes a worksheet away; its revisions stay', { path: { id }, status: '204' }) },
  '/api/own-rows': {
    get: read('The lab’s own rows of the tables', { answer: z.array(ownRowSchema) }),
    post: write('Adds or replaces an own row', { body: OwnRow, answer: Any, status: '201' }),
  },
  '/api/own-rows/{id}': { delete: write('Takes an own row away; its revisions stay', { path: { id }, answer: Any }) },
  '/api/templates': {
    get: read('The lab’s templates of procedures', { answer: z.array(templateSchema) }),
    post: write('Keeps a template', { body: Template, answer: Any, status: '201' }),
  },
  '/api/templates/{id}': {
    delete: write('Takes a template away; its revisions stay', { path: { id }, status: '204' }),
  },
  '/api/batches/{code}/class': {
    get: read('What a batch has to do with a class, if it is of one', { path: { code }, answer: Any }),
    put: write('Asks for help, or answers a question of the class', { path: { code }, body: AnswerClass, answer: Any }),
  },
  '/api/classes': {
    get: read('The classes of the lab; to a student those they are in', { answer: Any }),
  },
  '/api/classes/join': { post: write('Joins a class by its code', { body: JoinClass, answer: Any }) },
  '/api/practice': {
    get: read('One’s own runs at the practice bench', { answer: Any }),
    post: write('Begins a practice run of a batch’s procedure, by a seed', {
      body: BeginPractice,
      answer: Any,
      status: '201',
    }),
  },
  '/api/drills': {
    get: read('One’s own answers to practice questions', { answer: Any }),
    post: write('Keeps an answer to a practice question, judged by its seed', {
      body: AnswerDrill,
      answer: Any,
      status: '201',
    }),
  },
  '/api/batches/{code}/vials': {
    get: read('What a batch gave, as vials for the shelf, and those that stand there', { path: { code }, answer: Any }),
  },
  '/api/shelf': {
    get: read('What on the shelf is worth a look, and its places; with a place, the bottles there', {
      query: { place: z.string().optional() },
      answer: Any,
    }),
  },
  '/api/shelf/formulas': {
    get: read('The formulas that the shelf holds, with how many bottles of each', { answer: Any }),
  },
  '/api/shopping': { get: read('What planned batches lack, and what is low on the shelf', { answer: Any }) },
  '/api/shelf.csv': { get: read('Every bottle of the shelf as a table (CSV), which can be brought in again') },
  '/api/shopping.csv': { get: read('The same as a table (CSV)') },
  '/api/bottles': {
    get: read('Bottles of the shelf, as many as one answer holds', {
      query: { q: z.string().optional(), empty: z.string().optional(), after: z.int().optional() },
      answer: Any,
    }),
    post: write('Puts bottles on the shelf, all or none', {
      body: AddBottles,
      answer: z.object({ codes: z.array(z.string()) }),
      status: '201',
    }),
  },
  '/api/bottles/made': {
    post: write('Puts up a solution that was made here, and takes it off the bottle it came from', {
      body: MadeBottle,
      answer: z.object({ code: z.string(), concentration: z.string() }),
      status: '201',
    }),
  },
  '/api/bottles/{code}': {
    get: read('A bottle with its ledger', { path: { code }, answer: Any }),
    put: write('Writes another label on a bottle', { path: { code }, body: Relabel, answer: Any }),
  },
  '/api/bottles/{code}/label': {
    get: read('The label of a bottle, as a PDF or as a picture for a label printer', {
      path: { code },
      query: { ...reader, as: z.enum(['png']).optional(), dots: z.enum(['203', '300']).optional() },
    }),
  },
  '/api/labels': {
    get: read('Labels of the bottles that a search finds, on sheets of A4 (PDF)', {
      query: { ...reader, q: z.string().optional(), from: z.int().optional() },
    }),
  },
  '/api/bottles/{code}/facts': {
    post: write('Adds what happened to a bottle', { path: { code }, body: AddFact, answer: Any, status: '201' }),
  },
  '/api/revisions': {
    get: read('Revisions of a worksheet, an own row, a template, a bottle’s label or the settings', {
      query: { kind: z.enum(['assay', 'own-row', 'template', 'settings', 'bottle']), subject: z.string() },
      answer: z.array(Any),
    }),
  },
}

let made: object | undefined
const describe = (): object =>
  (made ??= createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Zip Ledger',
      version: '1',
      description:
        'What a script or an instrument can ask for. A key is made under “Your account” and sent as “Authorization: Bearer …”; it works in the name of who made it. Pages of the application use a session instead.',
    },
    paths,
    components: {
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer', description: 'Scopes: read, append, calendar' },
        session: { type: 'apiKey', in: 'cookie', name: 'zip-ledger' },
      },
    },
  }))

/** What scripts can ask for, made from the schemas that the routes read by. */
export default answerAnyone(() => describe())
