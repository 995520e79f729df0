import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { OwnRow } from '#core/document'
import { writeOutLigands } from '#core/formula'
import type { SubstanceRow } from '#core/reference'
import { ownCurves, type Curve, type OwnCurve } from '#core/solution'

export type StoredRow = OwnRow & { readonly id: string; readonly key: string; readonly addedAt: string }
const RETRY = 3000

type Body<K extends OwnRow['kind']> = Extract<OwnRow, { kind: K }>['body']

/** The lab's own substances, solubility curves and ligands, which come before the shipped ones. */
export const useLibraryStore = defineStore('library', () => {
  const rows = ref<readonly StoredRow[]>([])
  const isLoaded = ref(false)

  const bodies = <K extends OwnRow['kind']>(kind: K): Body<K>[] =>
    rows.value.flatMap(row => (row.kind === kind ? [row.body as Body<K>] : []))

  const substances = computed(() => bodies('substance') as readonly SubstanceRow[])
  const ligands = computed(() => bodies('ligand'))
  const curveRows = computed(() => bodies('curve'))
  const curves = computed((): readonly Curve[] => ownCurves(curveRows.value as readonly OwnCurve[]))
  const writtenOut = (text: string): string =>
    ligands.value.length === 0 ? text : writeOutLigands(text, ligands.value)

  async function load(): Promise<void> {
    rows.value = await $fetch<StoredRow[]>('/api/own-rows')
    isLoaded.value = true
  }
  /** Read once, by whatever page asks first; a server that is away is asked again. */
  async function loadFirst(): Promise<void> {
    try {
      await load()
    } catch {
      setTimeout(loadFirst, RETRY)
    }
  }
  void loadFirst()

  /** Adds or replaces; throws the server's refusal. */
  async function add(row: OwnRow): Promise<void> {
    await $fetch('/api/own-rows', { method: 'POST', body: { row } })
    await load()
  }
  async function remove(id: string): Promise<void> {
    await $fetch(`/api/own-rows/${id}`, { method: 'DELETE' })
    await load()
  }
  return { rows, substances, ligands, curves, curveRows, isLoaded, writtenOut, load, add, remove }
})
