import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Worksheet } from '#core/assay'
import { changesBetween } from '#core/document'
import { useHistory } from '~/composables/useHistory'
import { useLabStore } from './lab'

interface Stored {
  readonly version: number
  readonly worksheet: Worksheet
}
interface Draft {
  readonly sheets: readonly Worksheet[]
  readonly base: readonly Stored[]
}
const PAUSE = 500
const RETRY = 3000
const DRAFT = 'zip-ledger.assays'

/** The worksheets that stand alone: as typed, and how far they are saved. What is not saved yet is kept on the device. */
export const useAssaysStore = defineStore('assays', () => {
  const lab = useLabStore()
  const history = useHistory<readonly Worksheet[]>()
  const sheets = computed(() => history.current.value ?? [])
  /** As the server has them. */
  const base = shallowRef<ReadonlyMap<string, Stored>>(new Map())
  const saving = ref<'saved' | 'typing' | 'saving' | 'unreadable' | 'away' | 'conflict'>('saved')
  const conflict = shallowRef<Stored>()
  const isLoaded = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Asks the server; what is typed meanwhile, or was kept on the device, stands before what it answers. */
  async function open(): Promise<void> {
    const kept = readDraft()
    if (kept) base.value = byId(kept.base)
    if (!history.current.value) history.start(kept?.sheets ?? [])
    try {
      const stored = await $fetch<Stored[]>('/api/assays')
      const draft = readDraft()
      const known = draft ? byId(draft.base) : byId(stored)
      const added = stored.filter(({ worksheet }) => !known.has(worksheet.id))
      base.value = byId([...known.values(), ...added])
      history.start([...(draft ? draft.sheets : stored.map(({ worksheet }) => worksheet)), ...added.map(worksheetOf)])
      isLoaded.value = true
      saving.value = 'saved'
      if (draft) schedule()
    } catch {
      saving.value = 'away'
      timer = setTimeout(open, RETRY)
    }
  }

  function change(make: (sheets: readonly Worksheet[]) => readonly Worksheet[], key: string): void {
    if (!history.current.value) return
    history.push(make(sheets.value), key)
    schedule()
  }
  function undo(): void {
    if (history.undo()) schedule()
  }
  function redo(): void {
    if (history.redo()) schedule()
  }

  function schedule(): void {
    localStorage.setItem(
      DRAFT,
      JSON.stringify({ sheets: sheets.value, base: [...base.value.values()] } satisfies Draft),
    )
    // What the server has is not known yet: it is asked on, and what is typed goes out after that.
    if (saving.value === 'conflict' || !isLoaded.value) return
    clearTimeout(timer)
    saving.value = 'typing'
    timer = setTimeout(save, PAUSE)
  }

  /** Sends what differs from the server's, one worksheet after the other. */
  async function save(): Promise<void> {
    const sent = sheets.value
    let at = ''
    saving.value = 'saving'
    try {
      for (const worksheet of sent) {
        const before = base.value.get(worksheet.id)
        if (before && changesBetween(before.worksheet, worksheet).length === 0) continue
        at = worksheet.id
        const { version } = await $fetch<{ version: number }>('/api/assays', {
          method: 'PUT',
          body: { version: before?.version ?? 0, worksheet, by: lab.personId },
        })
        base.value = withOne(base.value, { version, worksheet })
      }
      for (const id of [...base.value.keys()].filter(known => !sent.some(one => one.id === known))) {
        await $fetch(`/api/assays/${encodeURIComponent(id)}`, { method: 'DELETE' }).catch(gone)
        base.value = new Map([...base.value].filter(([known]) => known !== id))
      }
      if (sheets.value !== sent) return schedule()
      saving.value = 'saved'
      localStorage.removeItem(DRAFT)
    } catch (error) {
      const { statusCode, data } = error as { statusCode?: number; data?: { current?: Stored } }
      if (statusCode === 409 && data?.current) {
        conflict.value = data.current
        saving.value = 'conflict'
      } else if (statusCode === 409) {
        // Deleted from somewhere else and still wanted here: it is begun anew.
        base.value = new Map([...base.value].filter(([known]) => known !== at))
        schedule()
      } else if (statusCode !== undefined && statusCode >= 400 && statusCode < 500) saving.value = 'unreadable'
      else {
        saving.value = 'away'
        timer = setTimeout(save, RETRY)
      }
    }
  }
  /** Deleted meanwhile by somebody else: it is gone as wanted. */
  function gone(error: unknown): void {
    if ((error as { statusCode?: number }).statusCode !== 404) throw error
  }

  function takeTheirs(): void {
    const theirs = conflict.value
    if (!theirs) return
    base.value = withOne(base.value, theirs)
    history.push(
      sheets.value.map(one => (one.id === theirs.worksheet.id ? theirs.worksheet : one)),
      'theirs',
    )
    settle()
  }
  function keepMine(): void {
    if (conflict.value) base.value = withOne(base.value, conflict.value)
    settle()
  }
  function settle(): void {
    conflict.value = undefined
    saving.value = 'typing'
    schedule()
  }

  return {
    sheets,
    saving,
    conflict,
    isLoaded,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    open,
    change,
    undo,
    redo,
    takeTheirs,
    keepMine,
  }
})

const worksheetOf = ({ worksheet }: Stored): Worksheet => worksheet
const byId = (all: readonly Stored[]): ReadonlyMap<string, Stored> => new Map(all.map(one => [one.worksheet.id, one]))
const withOne = (all: ReadonlyMap<string, Stored>, one: Stored): ReadonlyMap<string, Stored> =>
  new Map([...all, [one.worksheet.id, one]])

function readDraft(): Draft | undefined {
  try {
    return JSON.parse(localStorage.getItem(DRAFT) ?? 'null') ?? undefined
  } catch {
    return undefined
  }
}
