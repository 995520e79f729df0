import { unzipSync } from 'fflate'
import type { z } from 'zod'
import {
  batchFileSchema,
  checkOwnRow,
  explainOwnRow,
  fileProblems,
  labFileSchema,
  readDocument,
  type BatchDocument,
  type BatchFile,
  type FileProblem,
  type LabFile,
  type OwnRow,
} from '#core/document'
import type { Proof } from './batch-file'
import { digestOf, sha256Of } from './canonical'
import { BATCH, LAB, PROOF } from './files'

/** What a lab keeps beside its batches, as it was found: a row of its own under its key, a template, a worksheet. */
export type FoundThing =
  | { readonly is: 'own-row'; readonly row: OwnRow; readonly key: string }
  | { readonly is: 'template'; readonly template: LabFile['templates'][number] }
  | { readonly is: 'worksheet'; readonly worksheet: LabFile['worksheets'][number] }
/** What was found in what somebody brings: a batch, all of it or only its plan, or what a lab keeps beside them. */
export type Found =
  | {
      readonly is: 'batch'
      readonly file: BatchFile
      readonly photos: ReadonlyMap<string, Uint8Array>
      readonly proof?: Proof
    }
  | { readonly is: 'plan'; readonly document: BatchDocument }
  | FoundThing

/** What is brought does not read: in which file, where in it, and why. */
export interface BringProblem extends FileProblem {
  readonly file: string
}
export type Looked =
  | { readonly ok: true; readonly found: readonly Found[] }
  | { readonly ok: false; readonly problems: readonly BringProblem[] }

/** So much is taken into memory of an archive, unpacked; a file in it may have so much. Bytes. */
const MOST = 400_000_000
const MOST_OF_ONE = 100_000_000
const MOST_FILES = 50_000
/** So many problems are told: the rest is like them. */
const MOST_TOLD = 20

/** Reads a ZIP archive of one batch, or of a lab with an archive in it for each, a batch's own JSON, a plan of either version of the format, or what a lab keeps beside its batches. Takes nothing in half: one problem anywhere refuses all of it. */
export function lookInto(data: Uint8Array): Looked {
  const isZip = data[0] === 0x50 && data[1] === 0x4b
  const looked = isZip ? archiveIn('the archive', data, true) : [jsonIn('the file', data, new Map())]
  const problems = looked.flatMap(one => (one.ok ? [] : one.problems)).slice(0, MOST_TOLD)
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, found: looked.flatMap(one => (one.ok ? one.found : [])) }
}

/** The batches of an archive: beside each other in folders, or each in an archive of its own; no deeper. */
function archiveIn(name: string, data: Uint8Array, mayNest: boolean): Looked[] {
  const files = unpacked(data)
  if ('why' in files) return [{ ok: false, problems: [{ file: name, at: '', why: files.why }] }]
  const paths = [...files.keys()]
  const folders = paths.flatMap(path =>
    path === BATCH || path.endsWith(`/${BATCH}`) ? [path.slice(0, -BATCH.length)] : [],
  )
  const nested = mayNest ? paths.filter(path => path.endsWith('.zip')) : []
  const beside = mayNest ? files.get(LAB) : undefined
  if (folders.length + nested.length === 0 && !beside)
    return [{ ok: false, problems: [{ file: name, at: '', why: `There is no ${BATCH} in it.` }] }]
  return [
    ...folders.map(folder =>
      jsonIn(`${folder}${BATCH}`, files.get(`${folder}${BATCH}`) ?? new Uint8Array(), files, folder),
    ),
    ...nested.flatMap(path => archiveIn(path, files.get(path) ?? new Uint8Array(), false)),
    ...(beside ? [jsonIn(LAB, beside, files)] : []),
  ]
}

function unpacked(data: Uint8Array): ReadonlyMap<string, Uint8Array> | { readonly why: string } {
  let size = 0
  let count = 0
  let why: string | undefined
  try {
    const files = unzipSync(data, {
      filter: ({ name, originalSize }) => {
        size += originalSize
        count += 1
        if (originalSize > MOST_OF_ONE) why ??= `${name} is larger than ${MOST_OF_ONE / 1e6} MB.`
        if (size > MOST || count > MOST_FILES) why ??= 'There is more in it than is taken at once: bring it in parts.'
        return why === undefined && !name.endsWith('/')
      },
    })
    return why === undefined ? new Map(Object.entries(files)) : { why }
  } catch {
    return { why: 'It is no whole ZIP archive: copy it once more.' }
  }
}

function jsonIn(file: string, data: Uint8Array, files: ReadonlyMap<string, Uint8Array>, folder = ''): Looked {
  const problem = (at: string, why: string): Looked => ({ ok: false, problems: [{ file, at, why }] })
  let read: unknown
  try {
    read = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(data))
  } catch (error) {
    return problem('', `This is no JSON: ${(error as Error).message.slice(0, 120)}`)
  }
  const { format } = (typeof read === 'object' && read !== null ? read : {}) as { format?: unknown }
  if (format === 'zip-ledger/batch') {
    const document = readDocument(read)
    return document.ok
      ? { ok: true, found: [{ is: 'plan', document: document.value }] }
      : problem(document.problem.path.join('.'), document.problem.why)
  }
  if (format === 'zip-ledger/lab-file') return thingsIn(file, read)
  if (format !== 'zip-ledger/batch-file')
    return problem(
      'format',
      'It is neither a batch (“zip-ledger/batch-file”), nor a plan (“zip-ledger/batch”), nor what a lab keeps beside them (“zip-ledger/lab-file”).',
    )
  return batchIn(file, read, files, folder)
}

function thingsIn(file: string, read: unknown): Looked {
  const parsed = labFileSchema.safeParse(read)
  if (!parsed.success) return { ok: false, problems: issuesOf(parsed.error).map(one => ({ file, ...one })) }
  const { rows, templates, worksheets } = parsed.data
  const checked = rows.map(checkOwnRow)
  const problems = checked.flatMap((one, i) =>
    one.ok ? [] : [{ file, at: `rows.${i}`, why: wordsOf(explainOwnRow(one.problem)) }],
  )
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_TOLD) }
  return {
    ok: true,
    found: [
      ...checked.flatMap(one => (one.ok ? [{ is: 'own-row' as const, ...one.value }] : [])),
      ...templates.map(template => ({ is: 'template' as const, template })),
      ...worksheets.map(worksheet => ({ is: 'worksheet' as const, worksheet })),
    ],
  }
}

function batchIn(file: string, read: unknown, files: ReadonlyMap<string, Uint8Array>, folder: string): Looked {
  // A plan of before is brought to the newest version, as it is when it is read from the database.
  const now = readDocument((read as { document?: unknown }).document)
  const parsed = batchFileSchema.safeParse(now.ok ? { ...(read as object), document: now.value } : read)
  if (!parsed.success) return { ok: false, problems: issuesOf(parsed.error).map(one => ({ file, ...one })) }
  const batch = parsed.data
  const photos = new Map(
    batch.photos.flatMap(({ sha256, type }) => {
      const bytes = files.get(
        `${folder}photos/${sha256}.${type === 'image/jpeg' ? 'jpg' : type.slice('image/'.length)}`,
      )
      return bytes ? [[sha256, bytes] as const] : []
    }),
  )
  const problems: FileProblem[] = [
    ...fileProblems(batch),
    ...lastPlanProblems(batch),
    ...[...photos].flatMap(([sha256, bytes]) =>
      sha256Of(bytes) === sha256
        ? []
        : [
            {
              at: `photos ${sha256.slice(0, 12)}…`,
              why: 'The picture of this name has other bytes than its name says.',
            },
          ],
    ),
    ...batch.photos.flatMap(({ sha256 }, i) =>
      photos.has(sha256) ? [] : [{ at: `photos.${i}`, why: 'This picture is not beside it.' }],
    ),
  ]
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_TOLD).map(one => ({ file, ...one })) }
  const proof = files.get(`${folder}${PROOF}`)
  return { ok: true, found: [{ is: 'batch', file: batch, photos, ...(proof && withProof(proof)) }] }
}

/** What proves it is kept as it is; whether it holds is looked at by whoever brings it. */
function withProof(data: Uint8Array): { proof?: Proof } {
  try {
    const proof = JSON.parse(Buffer.from(data).toString('utf8')) as Proof
    return proof.format === 'zip-ledger/proof' ? { proof } : {}
  } catch {
    return {}
  }
}

/** The last plan that was saved is the one that stands. */
function lastPlanProblems({ document, revisions }: BatchFile): FileProblem[] {
  const last = readDocument(revisions.at(-1)?.body)
  if (last.ok && digestOf(last.value) === digestOf(document)) return []
  return [
    {
      at: `revisions.${revisions.length - 1}.body`,
      why: 'The last plan that was saved is not the one under “document”.',
    },
  ]
}

const wordsOf = ({ why, fix }: { readonly why: string; readonly fix: string }): string => `${why} ${fix}`
const issuesOf = (error: z.ZodError): FileProblem[] =>
  error.issues.slice(0, MOST_TOLD).map(({ path, message }) => ({ at: path.join('.'), why: message }))
