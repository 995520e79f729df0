import { defineStore } from 'pinia'
import { computed, markRaw, ref, shallowRef } from 'vue'
import type { Worksheet } from '#core/assay'
import { scaleDocument, type BatchDocument, type Change } from '#core/document'
import { fail, ok } from '#core/problem'
import { computeReadPlan, explainPlan, readAsFar, spanOf, type PlanProblem, type StagePlan } from '#core/sheet'
import { productMass, type Step } from '#core/journal'
import type { Plan } from '#core/sheet'
import { useAttempt } from '~/composables/useAttempt'
import { useHistory } from '~/composables/useHistory'
import { useJournalStore } from './journal'
import { useLibraryStore } from './library'

type Saving = 'saved' | 'typing' | 'saving' | 'unreadable' | 'away' | 'conflict'
interface Stored {
  readonly code: string
  readonly version: number
  readonly document: BatchDocument
}
interface Conflict {
  readonly current: { readonly version: number; readonly document: BatchDocument }
  readonly changes: readonly Change[]
}

const PAUSE = 500
const RETRY = 3000
const draftKey = (code: string): string => `zip-ledger.draft.${code}`

/** The plan of the open batch: as typed, as read, as computed, and how far it is saved. */
export const useBatchStore = defineStore('batch', () => {
  const code = ref('')
  const version = ref(0)
  const history = useHistory<BatchDocument>()
  const document = history.current
  const saving = ref<Saving>('saved')
  const conflict = shallowRef<Conflict>()
  const missing = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined

  const journal = useJournalStore()
  const library = useLibraryStore()
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
    return found && { span: spanOf(found), ...explainPlan(found) }
  }

  async function open(wanted: string): Promise<void> {
    code.value = wanted
    missing.value = false
    document.value = undefined
    conflict.value = undefined
    stageId.value = undefined
    const draft = readDraft(wanted)
    try {
      const stored = await $fetch<Stored>(`/api/batches/${encodeURIComponent(wanted)}`)
      if (code.value !== wanted) return
      version.value = draft ? draft.version : stored.version
      history.start(stored.document)
      saving.value = 'saved'
      // What was typed and not saved comes back as a step that can be undone.
      if (draft) {
        history.push(draft.document, 'draft')
        schedule()
      }
    } catch (error) {
      if (code.value !== wanted) return
      if ((error as { statusCode?: number }).statusCode === 404) {
        missing.value = true
        return
      }
      saving.value = 'away'
      if (draft) {
        version.value = draft.version
        history.start(draft.document)
      }
      timer = setTimeout(() => {
        if (code.value === wanted) void (document.value ? save() : open(wanted))
      }, RETRY)
    }
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
    const kept = steps ? [...others, { stage: of, steps: [...steps] }] : others
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

  /** Takes over what was saved from elsewhere, where nothing of this device waits to be saved. */
  async function refresh(): Promise<void> {
    const wanted = code.value
    if (saving.value !== 'saved' || !document.value) return
    const stored = await $fetch<Stored>(`/api/batches/${encodeURIComponent(wanted)}`, { retry: 0 }).catch(
      () => undefined,
    )
    if (!stored || code.value !== wanted || saving.value !== 'saved' || stored.version <= version.value) return
    version.value = stored.version
    history.push(stored.document, `theirs ${stored.version}`)
  }

  /** The whole batch so many times as large, its own procedures with it. */
  function scale(factor: number): void {
    if (!document.value) return
    history.push(scaleDocument(document.value, factor), `scale ${Date.now()}`)
    schedule()
  }

  function rename(title: string): void {
    if (!document.value) return
    history.push({ ...document.value, title }, 'title')
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
    keepDraft(code.value, { version: version.value, document: document.value })
    if (saving.value === 'conflict') return
    clearTimeout(timer)
    saving.value = read.value?.ok ? 'typing' : 'unreadable'
    if (read.value?.ok) timer = setTimeout(save, PAUSE)
  }

  async function save(): Promise<void> {
    const sent = document.value
    const wanted = code.value
    if (!sent || !read.value?.ok) return
    saving.value = 'saving'
    try {
      const answer = await $fetch<{ version: number }>(`/api/batches/${encodeURIComponent(wanted)}`, {
        method: 'PUT',
        body: { version: version.value, document: sent },
      })
      if (code.value !== wanted) {
        dropDraft(wanted)
        return
      }
      version.value = answer.version
      if (document.value === sent) {
        saving.value = 'saved'
        dropDraft(wanted)
      } else schedule()
    } catch (error) {
      if (code.value !== wanted) return
      const { statusCode, data } = error as { statusCode?: number; data?: Conflict }
      if (statusCode === 409 && data?.current) {
        conflict.value = data
        saving.value = 'conflict'
      } else if (statusCode === 400 || statusCode === 413 || statusCode === 422) saving.value = 'unreadable'
      else {
        saving.value = 'away'
        timer = setTimeout(save, RETRY)
      }
    }
  }

  function takeTheirs(): void {
    if (!conflict.value) return
    version.value = conflict.value.current.version
    history.push(conflict.value.current.document, 'theirs')
    settle()
    saving.value = 'saved'
    dropDraft(code.value)
  }

  function keepMine(): void {
    if (!conflict.value) return
    version.value = conflict.value.current.version
    settle()
    schedule()
  }

  function settle(): void {
    conflict.value = undefined
    saving.value = 'typing'
  }

  return {
    code,
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
    sheet,
    sheets,
    problems,
    attempts: markRaw([readingAttempt, sheetAttempt] as const),
    problemAt,
    saving,
    conflict,
    missing,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    open,
    change,
    changePlan,
    changeProcedure,
    changeAssays,
    refresh,
    rename,
    scale,
    undo,
    redo,
    takeTheirs,
    keepMine,
  }
})

interface Draft {
  readonly version: number
  readonly document: BatchDocument
}

/** What is typed but not saved is kept on the device, so that a closed tab loses nothing. */
function keepDraft(code: string, draft: Draft): void {
  localStorage.setItem(draftKey(code), JSON.stringify(draft))
}
const dropDraft = (code: string): void => localStorage.removeItem(draftKey(code))

function readDraft(code: string): Draft | undefined {
  try {
    return JSON.parse(localStorage.getItem(draftKey(code)) ?? 'null') ?? undefined
  } catch {
    return undefined
  }
}
