/** What can be done to a record, once it is there. */
export const actKinds = [
  'signed',
  'remark',
  'returned',
  'countersigned',
  'sealed',
  'addendum',
  'addendum-countersigned',
] as const
export type ActKind = (typeof actKinds)[number]

/** What somebody says by putting their name to it, in words. */
export const meanings: Readonly<Record<Exclude<ActKind, 'remark' | 'returned' | 'addendum'>, string>> = {
  signed: 'I did this work, or saw it done, and this record is complete and true to it.',
  countersigned:
    'I did not do this work. I have read this record, and it can be repeated and checked from what it says.',
  sealed: 'This record is closed. Nothing is added to it but an addendum.',
  'addendum-countersigned': 'I have read this addendum beside the record that it belongs to.',
}

/** How somebody proved at that moment that it was they. */
export const proofs = {
  password: 'by password',
  passkey: 'by passkey',
  pin: 'by PIN, at the bench’s tablet',
  badge: 'by badge, at the bench’s tablet',
  demo: 'in the demo, unproven',
} as const
export type ProofKind = keyof typeof proofs

/** What the parts of a record were when somebody put their name to it: chains by their ends, all else by its SHA-256. */
export interface Manifest {
  readonly format: 'zip-ledger/manifest'
  readonly version: 1
  readonly lab: string
  readonly batch: string
  readonly code: string
  readonly document: string
  readonly revisions: { readonly number: number; readonly hash: string }
  readonly journal: { readonly seq: number; readonly hash: string }
  /** Pictures that the journal shows. */
  readonly photos: readonly string[]
  /** The record as it was read, and the rows of the tables that it was worked out with. */
  readonly page: string
  readonly tables: string
}

/** One act: who did what to the record and when, chained to the one before and signed by a key of the installation. */
export interface Act {
  readonly batch: string
  readonly number: number
  readonly kind: ActKind
  readonly by: string
  readonly name: string
  readonly at: string
  readonly how?: ProofKind
  /** SHA-256 of the manifest’s canonical form. */
  readonly manifest?: string
  readonly meaning?: string
  readonly text?: string
  /** The block of the record that a remark is about. */
  readonly place?: string
  /** The addendum that is countersigned, by its number. */
  readonly of?: number
  readonly previousHash: string
  readonly hash: string
  readonly key: string
  readonly signature: string
}
export type NewAct = Omit<Act, 'previousHash' | 'hash' | 'key' | 'signature'>

/** What a reviewer said of a block, or of a row of a table, from 1. */
export interface Remark {
  readonly act: Act
  readonly row?: number
}
/** The place of a remark: a block, or a row of one. */
export const placeOf = (block: string, row?: number): string => (row === undefined ? block : `${block}#${row}`)
/** Remarks by the block that they are about. */
export function remarksBy(acts: readonly Act[]): ReadonlyMap<string, readonly Remark[]> {
  const by = new Map<string, Remark[]>()
  for (const act of acts) {
    if (act.kind !== 'remark' || act.place === undefined) continue
    const [block = '', row] = act.place.split('#')
    by.set(block, [...(by.get(block) ?? []), { act, ...(row !== undefined && { row: Number(row) }) }])
  }
  return by
}

/** A time stamp on an act, as it is shown beside it. */
export interface ActStamp {
  readonly number: number
  readonly at: string
  readonly by: string
}

/** What a lab asks of whoever countersigns: nobody; somebody else than who signed; or somebody who recorded nothing of it. */
export const reviewRules = {
  none: 'no countersignature',
  other: 'somebody else than who signed',
  outside: 'somebody who recorded nothing of it',
} as const
export type ReviewRule = keyof typeof reviewRules

/** How far a record is on its way. */
export interface RecordStanding {
  readonly is: 'open' | 'signed' | 'returned' | 'countersigned' | 'sealed'
  /** The act that it stands by. */
  readonly by?: Act
  /** Something was saved or recorded since it was signed: that signature does not hold for what stands there now. */
  readonly hasChanged: boolean
}

/** Where a record stands after its acts; `now` is what its plan and its journal are at this moment. */
export function standingOf(acts: readonly Act[], isStill: (manifest: string) => boolean): RecordStanding {
  const sealed = acts.find(({ kind }) => kind === 'sealed')
  if (sealed) return { is: 'sealed', by: sealed, hasChanged: false }
  const last = acts.findLast(({ kind }) => kind === 'signed' || kind === 'returned' || kind === 'countersigned')
  if (!last) return { is: 'open', hasChanged: false }
  const is = last.kind as 'signed' | 'returned' | 'countersigned'
  return { is, by: last, hasChanged: is !== 'returned' && last.manifest !== undefined && !isStill(last.manifest) }
}

export interface Actor {
  readonly person: string
  readonly maySign: boolean
  readonly mayReview: boolean
  /** Recorded something of the batch, or saved its plan. */
  readonly hasPart: boolean
}

/** Why somebody may not do something to a record as it stands; undefined where they may. */
export function refusedAct(
  kind: ActKind,
  standing: RecordStanding,
  acts: readonly Act[],
  actor: Actor,
  rule: ReviewRule,
  of?: number,
): string | undefined {
  const isSealed = standing.is === 'sealed'
  const isAuthor = acts.some(act => act.kind === 'signed' && act.by === actor.person)
  switch (kind) {
    case 'remark':
      if (isSealed) return 'This record is sealed. An addendum can still be added.'
      return actor.mayReview || actor.maySign
        ? undefined
        : 'Your role in this lab does not let you comment on a record.'
    case 'signed':
      if (isSealed) return 'This record is sealed.'
      if (!actor.maySign) return 'Your role in this lab does not let you sign a record as its author.'
      if (!actor.hasPart) return 'You recorded nothing of this batch, and saved no plan of it: whoever did signs it.'
      return standing.is !== 'open' &&
        standing.is !== 'returned' &&
        !standing.hasChanged &&
        standing.by?.by === actor.person
        ? 'You have signed it as it stands.'
        : undefined
    case 'returned':
    case 'countersigned':
      if (isSealed) return 'This record is sealed.'
      if (!actor.mayReview) return 'Your role in this lab does not let you review a record.'
      if (standing.is !== 'signed' && standing.is !== 'countersigned') return 'Nobody has signed this record yet.'
      if (kind === 'returned') return undefined
      if (standing.hasChanged) return 'Something was changed since it was signed: its author signs it again first.'
      if (isAuthor) return 'Whoever signed a record as its author does not countersign it.'
      return rule === 'outside' && actor.hasPart
        ? 'This lab’s rule: whoever recorded something of a batch does not countersign it.'
        : undefined
    case 'sealed':
      if (isSealed) return 'This record is sealed already.'
      if (!actor.maySign && !actor.mayReview) return 'Your role in this lab does not let you seal a record.'
      if (standing.is === 'open' || standing.is === 'returned') return 'Nobody has signed this record as it stands.'
      if (standing.hasChanged) return 'Something was changed since it was signed: it is signed again first.'
      return standing.is === 'countersigned' || rule === 'none' ? undefined : 'It waits for a countersignature first.'
    case 'addendum':
      if (!isSealed) return 'This record is not sealed: what is missing can still be recorded.'
      return actor.maySign || actor.mayReview ? undefined : 'Your role in this lab does not let you add to a record.'
    case 'addendum-countersigned': {
      const addendum = acts.find(act => act.number === of && act.kind === 'addendum')
      if (!addendum) return 'There is no such addendum.'
      if (!actor.mayReview) return 'Your role in this lab does not let you review a record.'
      if (acts.some(act => act.kind === 'addendum-countersigned' && act.of === of))
        return 'It is countersigned already.'
      return addendum.by === actor.person ? 'Whoever wrote an addendum does not countersign it.' : undefined
    }
  }
}
