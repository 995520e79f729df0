import { defineStore } from 'pinia'
import { computed, markRaw, ref, shallowRef } from 'vue'
import type { Worksheet } from '#core/assay'
import { fieldText, isSame, merge, withTheirs, type BatchDocument, type RecordNotes, type Clash } from '#core/document'
import { fail, ok } from '#core/problem'
import { computeReadPlan, explainPlan, readAsFar, spanOf, type PlanProblem, type StagePlan } from '#core/sheet'
import { productMass, type Step } from '#core/journal'
import type { Plan } from '#core/sheet'
import { useAttempt } from '~/composables/useAttempt'
import { useHistory } from '~/composables/useHistory'
import { dropFromDevice, keepOnDevice, keysOnDevice, readFromDevice } from '~/utils/device'
import { isTabOpen, tabName } from '~/utils/tab'
import { ofLab } from '~/utils/whose'
import { useJournalStore } from './journal'
import { useLibraryStore } from './library'
import { useWhoStore } from './who'

type Saving = 'saved' | 'typing' | 'saving' | 'unreadable' | 'away' | 'conflict' | 'looking' | 'sealed'
interface Stored {
  readonly code: string
  readonly version: number
  readonly document: BatchDocument
  readonly sealedAt?: string
  readonly classId?: string
}
/** What the server says when somebody saved first. */
interface Outrun {
  readonly current: { readonly version: number; readonly document: BatchDocument }
}
/** What is typed and not saved, with the version and the document that it was typed on, and what was sent last. */
export interface Draft {
  readonly version: number
  readonly base: BatchDocument
  readonly document: BatchDocument
  readonly sent?: BatchDocument
}

const PAUSE = 500
/** The key under which a proposed procedure is kept because its run begins. */
export const TAKEN = 'taken up'
const RETRY = 3000
/** A save that is not answered in this time is asked for again, ms. */
const LONGEST = 20_000
const place = (): string => ofLab('draft.')
/** Each tab keeps its own draft of a batch. */
const draftKey = (code: string, tab: string): string => `${place()}${code}.${tab}`

/** The plan of the open batch: as typed, as read, as computed, and how far it is saved. */
export const useBatchStore = defineStore('batch', () => {
  const code = ref('')
  const version = ref(0)
  const history = useHistory<BatchDocument>()
  const document = history.current
  const saving = ref<Saving>('saved')
  /** Fields that were changed here and elsewhere, to different ends: the chemist says which stands. */
  const clashes = shallowRef<readonly Clash[]>([])
  const missing = ref(false)
  /** Since when the batch is sealed: nothing of it changes any more. */
  const sealedAt = ref<string>()
  /** The class whose run it is. */
  const classId = ref<string>()
  /** What of the app's own judgement a run of a class shows; nothing to a student before the class has said. */
  const shows = ref<{ readonly predictions: boolean; readonly explanations: boolean }>()
  let timer: ReturnType<typeof setTimeout> | undefined
  /** The document as the server has it in `version`, and what was sent last, whether or not an answer came. */
  let base: BatchDocument | undefined
  let sent: BatchDocument | undefined
  let tab = ''

  const journal = useJournalStore()
  const library = useLibraryStore()
  const who = useWhoStore()
  /** The stage at hand; the last one where none is chosen. */
  const stageId = ref<string>()

  const stages = computed(() => document.value?.plan.stages ?? [])
  const stage = computed(() => stages.value.find(({ id }) => id === stageId.value) ?? stages.value.at(-1))
  const stageAt = computed(() => (stage.value ? stages.value.indexOf(stage.value) : -1))
  /** The plan as far as it reads; `read` is the whole of it, or its first problem. */
  const readingAttempt = useAttempt('The plan', () =>
    document.value ? readAsFar(document.value.plan, library.substances) : undefined,
  )
  const reading = readingAttempt.value
  const read = computed(() => {
    if (!reading.value) return undefined
    const [first] = reading.value.problems
    return first ? fail(first) : ok(reading.value.plan)
  })
  /** What earlier stages really gave: what follows uses that. */
  const weighed = computed(
    () =>
      new Map(
        stages.value.slice(0, -1).flatMap(({ id }) => {
          const mass = productMass(journal.lines, id)
          return mass ? [[id, mass] as const] : []
        }),
      ),
  )
  const sheetAttempt = useAttempt('The sheet', () => {
    if (!reading.value || reading.value.plan.stages.length === 0) return undefined
    return computeReadPlan(reading.value.plan, weighed.value)
  })
  const computedPlan = sheetAttempt.value
  const sheets = computed(() => (computedPlan.value?.ok ? computedPlan.value.value.stages : []))
  const stageSheet = computed(() => sheets.value.find(({ id }) => id === stage.value?.id))
  const readStage = computed(() => reading.value?.plan.stages.find(({ id }) => id === stage.value?.id))
  const room = computed(() => reading.value?.plan.room)
  const setting = computed(() =>
    readStage.value && room.value ? { stage: readStage.value, room: room.value, curves: library.curves } : undefined,
  )
  /** The whole plan's figures; undefined as long as a stage is missing in them. */
  const sheet = computed(() => (reading.value?.whole && computedPlan.value?.ok ? computedPlan.value.value : undefined))
  /** Every problem of the plan, in its order; what nothing scales is told once all stages read. */
  const problems = computed((): readonly PlanProblem[] => {
    if (!reading.value) return []
    const unscaled =
      reading.value.whole && computedPlan.value && !computedPlan.value.ok ? [computedPlan.value.problem] : []
    return [...reading.value.problems, ...unscaled]
  })

  /** The problem of one field, by its place in the plan. */
  function problemAt(...path: (string | number)[]) {
    const place = path.join('.')
    const found = problems.value.find(one => one.path.join('.') === place)
    if (found) return { span: spanOf(found), ...explainPlan(found) }
    const clash = clashes.value.find(one => one.path.join('.') === `plan.${place}`)
    return (
      clash && {
        span: undefined,
        why: `Somebody else set this to ${fieldText(clash.theirs) ?? 'nothing'} meanwhile.`,
        fix: 'Choose above which of the two stands.',
      }
    )
  }

  async function open(wanted: string): Promise<void> {
    code.value = wanted
    missing.value = false
    sealedAt.value = undefined
    classId.value = undefined
    shows.value = undefined
    document.value = undefined
    clashes.value = []
    stageId.value = undefined
    clearTimeout(timer)
    // Asked for at once: what this device keeps is looked for meanwhile.
    const asked = $fetch<Stored>(`/api/batches/${encodeURIComponent(wanted)}`)
    asked.catch(() => {})
    tab = await tabName()
    const drafts = await draftsOf(wanted)
    if (code.value !== wanted) return
    try {
      const stored = await asked
      if (code.value !== wanted) return
      if (typeof stored?.version !== 'number') throw new Error('This is no answer of ours.')
      history.start(stored.document)
      version.value = stored.version
      sealedAt.value = stored.sealedAt
      classId.value = stored.classId
      base = stored.document
      sent = undefined
      saving.value = 'saved'
      // What was typed and not saved comes back as a step that can be undone.
      for (const { key, draft } of drafts) {
        bringIn(draft)
        if (key !== draftKey(wanted, tab)) dropFromDevice(key)
      }
    } catch (error) {
      if (code.value !== wanted) return
      if ((error as { statusCode?: number }).statusCode === 404) {
        missing.value = true
        return
      }
      saving.value = 'away'
      const draft = drafts.at(-1)?.draft
      if (draft) {
        version.value = draft.version
        base = draft.base
        sent = draft.sent
        history.start(draft.document)
      }
      timer = setTimeout(() => {
        if (code.value === wanted) void (document.value ? save() : open(wanted))
      }, RETRY)
    }
  }

  /** Puts what was typed on another version together with what stands here now. */
  function bringIn(draft: Draft): void {
    const now = document.value
    if (!now || !base) return
    const from = draft.sent && isSame(draft.sent, base) ? draft.sent : draft.base
    const { merged, clashes: fresh } = merge(from, draft.document, now)
    if (isSame(merged, base) && fresh.length === 0) return
    clashes.value = [...clashes.value, ...fresh]
    history.push(merged, `draft ${history.steps.value}`)
    schedule()
  }

  /** Somebody saved first: their changes join mine, and only what both changed is asked about. A save of mine whose answer was lost is no other's. */
  function putTogether({ current }: Outrun): void {
    const mine = document.value
    if (!mine) return
    const from = sent && isSame(sent, current.document) ? sent : (base ?? current.document)
    const { merged, clashes: fresh } = merge(from, mine, current.document)
    version.value = current.version
    base = current.document
    clashes.value = fresh
    if (!isSame(merged, mine)) history.push(merged, `theirs ${current.version}`)
    schedule()
  }

  /** Settles one clash, or all of them. */
  function settle(whose: 'mine' | 'theirs', one?: Clash): void {
    const taken = one ? [one] : clashes.value
    clashes.value = clashes.value.filter(clash => !taken.includes(clash))
    if (whose === 'theirs' && document.value) history.push(taken.reduce(withTheirs, document.value), 'theirs')
    schedule()
  }

  /** Changes the stage; changes with one key in quick succession are one step of undo. */
  function change(make: (stage: StagePlan) => StagePlan, key: string): void {
    const current = stage.value
    if (!current) return
    changePlan(
      plan => ({ ...plan, stages: plan.stages.map(one => (one === current ? make(one) : one)) }),
      `${current.id} ${key}`,
    )
  }

  /** Changes the whole plan: its stages, their order, the room. */
  function changePlan(make: (plan: Plan) => Plan, key: string): void {
    const before = document.value
    if (!before) return
    history.push({ ...before, plan: make(before.plan) }, key)
    schedule()
  }

  /** Changes the procedure of a stage, or gives it back to the plan to propose. */
  function changeProcedure(of: string, steps: readonly Step[] | undefined, key: string): void {
    const before = document.value
    if (!before) return
    const { procedures = [], ...rest } = before
    const others = procedures.filter(one => one.stage !== of)
    const taken = key === TAKEN && ({ taken: true } as const)
    const kept = steps ? [...others, { stage: of, steps: [...steps], ...taken }] : others
    history.push({ ...rest, ...(kept.length > 0 && { procedures: kept }) } as BatchDocument, `procedure ${key}`)
    schedule()
  }

  /** Changes the assays' worksheets. */
  function changeAssays(make: (assays: readonly Worksheet[]) => readonly Worksheet[], key: string): void {
    const before = document.value
    if (!before) return
    history.push({ ...before, assays: make(before.assays ?? []) }, `assays ${key}`)
    schedule()
  }

  /** Changes what only the chemist can say, and what the record holds. */
  function changeRecord(make: (notes: RecordNotes) => RecordNotes, key: string): void {
    const before = document.value
    if (!before) return
    const { record = {}, ...rest } = before
    const next = make(record)
    history.push({ ...rest, ...(Object.keys(next).length > 0 && { record: next }) } as BatchDocument, `record ${key}`)
    schedule()
  }

  /** Looks whether the batch was sealed meanwhile. */
  async function refreshSeal(): Promise<void> {
    const wanted = code.value
    const stored = await $fetch<Stored>(`/api/batches/${encodeURIComponent(wanted)}`, { retry: 0 }).catch(
      () => undefined,
    )
    if (stored && code.value === wanted) sealedAt.value = stored.sealedAt
    if (sealedAt.value !== undefined && saving.value === 'looking') saving.value = 'sealed'
  }

  /** Takes over what was saved from elsewhere, where nothing of this device waits to be saved. */
  async function refresh(): Promise<void> {
    const wanted = code.value
    if (saving.value !== 'saved' || !document.value) return
    const stored = await $fetch<Stored>(`/api/batches/${encodeURIComponent(wanted)}`, { retry: 0 }).catch(
      () => undefined,
    )
    if (!stored || code.value !== wanted || saving.value !== 'saved' || stored.version <= version.value) return
    version.value = stored.version
    base = stored.document
    history.push(stored.document, `theirs ${stored.version}`)
  }

  /** The whole batch so many times as large, its own procedures with it. */
  /** What scales is fetched when it is asked for. */
  async function scale(factor: number): Promise<void> {
    const { scaled } = await import('~/utils/scaled')
    if (!document.value) return
    history.push(scaled(document.value, factor), `scale ${Date.now()}`)
    schedule()
  }

  function rename(title: string): void {
    if (!document.value) return
    history.push({ ...document.value, title }, 'title')
    schedule()
  }

  /** Takes up a plan as it was saved once: a change like any other, which can be undone. */
  function bringBack(saved: BatchDocument, number: number): void {
    history.push(saved, `revision ${number} ${Date.now()}`)
    schedule()
  }

  function undo(): void {
    if (history.undo()) schedule()
  }
  function redo(): void {
    if (history.redo()) schedule()
  }

  function schedule(): void {
    if (!document.value) return
    keepDraft()
    clearTimeout(timer)
    if (clashes.value.length > 0) {
      saving.value = 'conflict'
      return
    }
    if (sealedAt.value !== undefined) {
      saving.value = 'sealed'
      return
    }
    if (!who.may('plan')) {
      saving.value = 'looking'
      return
    }
    saving.value = read.value?.ok ? 'typing' : 'unreadable'
    if (read.value?.ok) timer = setTimeout(save, PAUSE)
  }

  function keepDraft(): void {
    if (!document.value || !base) return
    const draft: Draft = { version: version.value, base, document: document.value, ...(sent && { sent }) }
    keepOnDevice(draftKey(code.value, tab), draft)
  }

  const put = (wanted: string, from: number, body: BatchDocument): Promise<{ version: number }> =>
    $fetch<{ version: number }>(`/api/batches/${encodeURIComponent(wanted)}`, {
      method: 'PUT',
      body: { version: from, document: body },
      retry: 0,
      timeout: LONGEST,
    })

  async function save(): Promise<void> {
    const mine = document.value
    const wanted = code.value
    if (!mine || !read.value?.ok || clashes.value.length > 0) return
    sent = mine
    keepDraft()
    saving.value = 'saving'
    try {
      const answer = await put(wanted, version.value, mine)
      if (typeof answer?.version !== 'number') throw new Error('This is no answer of ours.')
      if (code.value !== wanted) return await sendLeft(wanted, answer.version, mine)
      version.value = answer.version
      base = mine
      if (document.value === mine) {
        saving.value = 'saved'
        dropFromDevice(draftKey(wanted, tab))
      } else schedule()
    } catch (error) {
      if (code.value !== wanted) return
      const { statusCode, data } = error as { statusCode?: number; data?: Outrun }
      if (statusCode === 409 && data?.current) putTogether(data)
      else if (statusCode === 403) {
        saving.value = 'looking'
        void refreshSeal()
      } else if (statusCode === 400 || statusCode === 413 || statusCode === 422) saving.value = 'unreadable'
      else {
        saving.value = 'away'
        timer = setTimeout(save, RETRY)
      }
    }
  }

  /** What was typed of a batch while an older value was on its way, before another batch was opened, goes out after it. */
  async function sendLeft(wanted: string, from: number, saved: BatchDocument): Promise<void> {
    const key = draftKey(wanted, tab)
    const draft = readFromDevice<Draft>(key)
    if (!draft || isSame(draft.document, saved)) return dropFromDevice(key)
    keepOnDevice(key, { version: from, base: saved, document: draft.document, sent: draft.document } satisfies Draft)
    await put(wanted, from, draft.document)
      .then(answer => typeof answer?.version === 'number' && dropFromDevice(key))
      .catch(() => {})
  }

  return {
    code,
    version,
    document,
    stages,
    stage,
    stageId,
    stageAt,
    stageSheet,
    weighed,
    readStage,
    room,
    setting,
    read,
    reading,
    sheet,
    sheets,
    problems,
    attempts: markRaw([readingAttempt, sheetAttempt] as const),
    problemAt,
    saving,
    clashes,
    missing,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    open,
    change,
    changePlan,
    changeProcedure,
    changeAssays,
    changeRecord,
    refreshSeal,
    sealedAt,
    classId,
    shows,
    refresh,
    rename,
    bringBack,
    scale,
    undo,
    redo,
    settle,
  }
})

/** What is typed but not saved is kept on the device, so that a closed tab loses nothing: this tab's own, and what tabs left that are gone. */
async function draftsOf(code: string): Promise<{ key: string; draft: Draft }[]> {
  const mine = await tabName()
  const found: { key: string; draft: Draft }[] = []
  for (const key of keysOnDevice(`${place()}${code}.`)) {
    const tab = key.slice(`${place()}${code}.`.length)
    const kept = readFromDevice<Draft>(key)
    if (!kept?.base || !kept.document || (tab !== mine && (await isTabOpen(tab)))) continue
    // Drafts are rare, and what reads them is not small: it comes when there is one.
    const { draftFrom } = await import('~/utils/drafts')
    const draft = draftFrom(kept)
    if (draft) found.push({ key, draft })
  }
  return found
}
