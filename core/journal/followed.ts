/** A saved plan, by the last entry of the journal that was there when it was saved. */
export interface SavedPlan {
  readonly number: number
  readonly at: string
  readonly afterSeq: number
}

/**
 * Which saved plan an entry followed: the last one that stood when it was recorded, and had been saved by the time at which it was read or seen. What was recorded
 * without the network comes in later than it was seen, so that both count. Undefined where no plan is known that old.
 */
export function planFollowed(
  plans: readonly SavedPlan[],
  entry: { readonly seq: number; readonly at: string },
): number | undefined {
  const stood = plans.filter(({ afterSeq, at }) => afterSeq < entry.seq && Date.parse(at) <= Date.parse(entry.at))
  return stood.reduce<SavedPlan | undefined>(
    (last, plan) => (last && last.number > plan.number ? last : plan),
    undefined,
  )?.number
}

/** The numbers of the entries that came in while each plan stood, first and last; none where nothing did. */
export function entriesUnder(
  plans: readonly SavedPlan[],
  lastSeq: number,
): ReadonlyMap<number, { readonly from: number; readonly to: number }> {
  const inOrder = [...plans].sort((a, b) => a.number - b.number)
  return new Map(
    inOrder.flatMap(({ number, afterSeq }, i) => {
      const to = inOrder[i + 1]?.afterSeq ?? lastSeq
      return to > afterSeq ? [[number, { from: afterSeq + 1, to }] as const] : []
    }),
  )
}
