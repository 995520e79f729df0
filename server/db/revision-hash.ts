import { createHash } from 'node:crypto'
import stringify from 'safe-stable-stringify'

export interface RevisionRow {
  readonly lab_id: string
  readonly kind: string
  readonly subject: string
  readonly number: number
  readonly body: unknown
  readonly person_id: string | null
  readonly at: Date | string
  readonly after_seq: number
  readonly after_hash: string
}

/** SHA-256 over the hash of the revision before and all of this one, with where the journal of its batch stood. */
export const revisionHash = (previous: string, row: RevisionRow): string =>
  createHash('sha256')
    .update(
      `${previous}\nrevision\n${stringify([
        row.lab_id,
        row.kind,
        row.subject,
        row.number,
        row.body,
        row.person_id,
        new Date(row.at).toISOString(),
        row.after_seq,
        row.after_hash,
      ])}`,
    )
    .digest('hex')
