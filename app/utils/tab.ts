const TAB = 'zip-ledger.tab'

/** A lock that lasts as long as the tab tells the others that it is there. */
const lockOf = (tab: string): string => `${TAB}.${tab}`

async function claim(tab: string): Promise<boolean> {
  if (!navigator.locks) return true
  return new Promise(resolve => {
    void navigator.locks.request(lockOf(tab), { ifAvailable: true }, lock => {
      resolve(lock !== null)
      return lock && new Promise(() => {})
    })
  })
}

let mine: Promise<string> | undefined

/** This tab's own name; it stays over a reload, and a doubled tab gets another. */
export const tabName = (): Promise<string> =>
  (mine ??= (async () => {
    const before = sessionStorage.getItem(TAB)
    if (before && (await claim(before))) return before
    const fresh = crypto.randomUUID().slice(0, 8)
    sessionStorage.setItem(TAB, fresh)
    await claim(fresh)
    return fresh
  })())

/** Whether a tab of that name is open; where a browser cannot tell, it is taken not to be. */
export async function isTabOpen(tab: string): Promise<boolean> {
  const { held = [] } = (await navigator.locks?.query()) ?? {}
  return held.some(({ name }) => name === lockOf(tab))
}
