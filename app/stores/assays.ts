import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Worksheet } from '#core/assay'
import { changesBetween, isSame, merge, withTheirs, type Clash } from '#core/document'
import { useHistory } from '~/composables/useHistory'
import { dropFromDevice, keepOnDevice, keysOnDevice, readFromDevice } from '~/utils/device'
import { isTabOpen, tabName } from '~/utils/tab'
import { ofLab } from '~/utils/whose'
import { useWhoStore } from './who'

interface Stored {
  readonly version: number
  readonly worksheet: Worksheet
}
/** A worksheet as it is typed here, with what it was typed on; without one it was deleted here. */
interface Draft {
  readonly base?: Stored
  readonly worksheet?: Worksheet
}
const PAUSE = 500
const RETRY = 3000
const LONGEST = 20_000
/** Each worksheet that is not saved lies in a place of its own, one a tab: what the server has already takes no room on the device. */
const placeOfDrafts = (): string => ofLab('assay.')

/** The worksheets that stand alone: as typed, and how far they are saved. What is not saved yet is kept on the device. */
export const useAssaysStore = defineStore('assays', () => {
  const who = useWhoStore()
  const history = useHistory<readonly Worksheet[]>()
  const sheets = computed(() => history.current.value ?? [])
  /** As the server has them. */
  const base = shallowRef<ReadonlyMap<string, Stored>>(new Map())
  const saving = ref<'saved' | 'typing' | 'saving' | 'unreadable' | 'away' | 'conflict' | 'looking'>('saved')
  const conflict = shallowRef<{ readonly id: string; readonly clashes: readonly Clash[] }>()
  const isLoaded = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  /** Under which this tab keeps its drafts. */
  let mine = ''

  /** Asks the server; what is typed meanwhile, or was kept on the device, stands before what it answers. */
  async function open(): Promise<void> {
    const asked = $fetch<Stored[]>('/api/assays')
    asked.catch(() => {})
    mine = placeOf(await tabName())
    if (!history.current.value) history.start((await keptDrafts()).flatMap(({ draft }) => draft.worksheet ?? []))
    try {
      const stored = await asked
      if (!Array.isArray(stored)) throw new Error('This is no answer of ours.')
      base.value = byId(stored)
      history.start(stored.map(worksheetOf))
      isLoaded.value = true
      saving.value = 'saved'
      const drafts = await keptDrafts()
      if (drafts.length > 0) bringIn(drafts.map(({ draft }) => draft))
      // What a closed tab left behind is this one's now.
      for (const { key } of drafts) if (!key.startsWith(mine)) dropFromDevice(key)
    } catch {
      saving.value = 'away'
      timer = setTimeout(open, RETRY)
    }
  }

  /** What was typed here before, put together with what the server has now. */
  function bringIn(drafts: readonly Draft[]): void {
    let all = [...sheets.value]
    for (const { base: from, worksheet } of drafts) {
      const id = (worksheet ?? from?.worksheet)?.id
      const theirs = base.value.get(id ?? '')?.worksheet
      const now = all.find(one => one.id === id)
      if (!worksheet) {
        // Deleted here: it goes, unless somebody changed it meanwhile.
        if (theirs && from && isSame(theirs, from.worksheet)) all = all.filter(one => one.id !== id)
      } else if (!now) all = [...all, worksheet]
      else {
        // Another tab's draft may have joined already.
        const { merged, clashes: fresh } = merge(from?.worksheet ?? now, worksheet, now)
        all = all.map(one => (one.id === id ? merged : one))
        if (fresh.length > 0) conflict.value = { id: worksheet.id, clashes: fresh }
      }
    }
    history.push(all, 'drafts')
    schedule()
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
    keepDrafts()
    // What the server has is not known yet: it is asked on, and what is typed goes out after that.
    if (!isLoaded.value) return
    clearTimeout(timer)
    if (conflict.value) {
      saving.value = 'conflict'
      return
    }
    if (!who.may('assay')) {
      saving.value = 'looking'
      return
    }
    saving.value = 'typing'
    timer = setTimeout(save, PAUSE)
  }

  function keepDrafts(): void {
    const wanted = new Map<string, Draft>()
    for (const worksheet of sheets.value) {
      const before = base.value.get(worksheet.id)
      if (!before || !isSame(before.worksheet, worksheet))
        wanted.set(worksheet.id, { worksheet, ...(before && { base: before }) })
    }
    for (const [id, before] of base.value)
      if (!sheets.value.some(one => one.id === id)) wanted.set(id, { base: before })
    for (const key of keysOnDevice(mine)) if (!wanted.has(key.slice(mine.length))) dropFromDevice(key)
    for (const [id, draft] of wanted) keepOnDevice(`${mine}${id}`, draft)
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
          body: { version: before?.version ?? 0, worksheet },
          retry: 0,
          timeout: LONGEST,
        })
        if (typeof version !== 'number') throw new Error('This is no answer of ours.')
        base.value = withOne(base.value, { version, worksheet })
      }
      for (const id of [...base.value.keys()].filter(known => !sent.some(one => one.id === known))) {
        await $fetch(`/api/assays/${encodeURIComponent(id)}`, { method: 'DELETE' }).catch(gone)
        base.value = new Map([...base.value].filter(([known]) => known !== id))
      }
      if (sheets.value !== sent) return schedule()
      saving.value = 'saved'
      keepDrafts()
    } catch (error) {
      const { statusCode, data } = error as { statusCode?: number; data?: { current?: Stored } }
      if (statusCode === 409 && data?.current) {
        putTogether(at, data.current)
      } else if (statusCode === 409) {
        // Deleted from somewhere else and still wanted here: it is begun anew.
        base.value = new Map([...base.value].filter(([known]) => known !== at))
        schedule()
      } else if (statusCode === 403) saving.value = 'looking'
      else if (statusCode !== undefined && ![401, 429].includes(statusCode) && statusCode >= 400 && statusCode < 500)
        saving.value = 'unreadable'
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

  /** Somebody saved first: their changes join mine, and only what both changed is asked about. */
  function putTogether(id: string, current: Stored): void {
    const mine = sheets.value.find(one => one.id === id)
    if (!mine) return schedule()
    const { merged, clashes } = merge(base.value.get(id)?.worksheet ?? current.worksheet, mine, current.worksheet)
    base.value = withOne(base.value, current)
    if (clashes.length > 0) conflict.value = { id, clashes }
    history.push(
      sheets.value.map(one => (one.id === id ? merged : one)),
      `theirs ${current.version}`,
    )
    schedule()
  }
  /** Settles one clash, or all of them. */
  function settle(whose: 'mine' | 'theirs', one?: Clash): void {
    const now = conflict.value
    if (!now) return
    const taken = one ? [one] : now.clashes
    const left = now.clashes.filter(clash => !taken.includes(clash))
    conflict.value = left.length > 0 ? { id: now.id, clashes: left } : undefined
    if (whose === 'theirs')
      history.push(
        sheets.value.map(sheet => (sheet.id === now.id ? taken.reduce(withTheirs, sheet) : sheet)),
        'theirs',
      )
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
    settle,
  }
})

const worksheetOf = ({ worksheet }: Stored): Worksheet => worksheet
const byId = (all: readonly Stored[]): ReadonlyMap<string, Stored> => new Map(all.map(one => [one.worksheet.id, one]))
const withOne = (all: ReadonlyMap<string, Stored>, one: Stored): ReadonlyMap<string, Stored> =>
  new Map([...all, [one.worksheet.id, one]])

const placeOf = (tab: string): string => `${placeOfDrafts()}${tab}.`

/** The drafts of this tab, and those that closed tabs left behind. */
async function keptDrafts(): Promise<{ readonly key: string; readonly draft: Draft }[]> {
  const own = await tabName()
  const found: { key: string; draft: Draft }[] = []
  for (const key of keysOnDevice(placeOfDrafts())) {
    const [tab = ''] = key.slice(placeOfDrafts().length).split('.')
    const draft = readFromDevice<Draft>(key)
    if (draft && (tab === own || !(await isTabOpen(tab)))) found.push({ key, draft })
  }
  return found
}
