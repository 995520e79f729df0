import { computed, ref } from 'vue'
import { sameAbout, type About, type JournalLine } from '#core/journal'
import { findReagent, type StagePlan, type SupplyPlan } from '#core/sheet'

/** The bottle that the charge at hand is weighed from: one that was just taken, else the one that it was last weighed from, else the plan's. */
export function useBottleAtHand(
  stage: () => StagePlan,
  about: () => About | undefined,
  lines: () => readonly JournalLine[],
) {
  const taken = ref<Readonly<Record<string, string>>>({})
  const species = computed(() => {
    const of = about()
    return of?.what === 'charge' || of?.what === 'addition' ? of.species : undefined
  })
  const supply = computed((): SupplyPlan | undefined => {
    const found = species.value === undefined ? undefined : findReagent(stage(), species.value)?.supply
    return found?.kind === 'stage' ? undefined : found
  })
  const key = computed(() => `${stage().id} ${species.value ?? ''}`)
  const last = computed(() => {
    const of = about()
    const line = lines().findLast(
      ({ entry }) =>
        entry.kind === 'reading' && of !== undefined && entry.bottle !== undefined && sameAbout(entry.about, of),
    )
    return line?.entry.kind === 'reading' ? line.entry.bottle : undefined
  })
  const code = computed({
    get: () =>
      taken.value[key.value] ??
      last.value ??
      (supply.value && 'bottle' in supply.value ? supply.value.bottle : undefined),
    set: (chosen: string | undefined) => {
      if (chosen !== undefined) taken.value = { ...taken.value, [key.value]: chosen }
    },
  })
  /** What a reading names, where it is one of what comes from a bottle. */
  const named = (of: About): { bottle?: string } =>
    code.value !== undefined && about() !== undefined && supply.value !== undefined && sameAbout(of, about()!)
      ? { bottle: code.value }
      : {}
  return { species, supply, code, named }
}
