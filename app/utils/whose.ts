/** Who was last let in here, as the server told: their lab is part of every name under which this device keeps something of it. */
export const ME = 'zip-ledger.me'

let lab: string | undefined
/** The lab whose things this page keeps; settled once, since a page of another lab is loaded anew. */
function labHere(): string {
  if (lab !== undefined) return lab
  try {
    const kept = JSON.parse(localStorage.getItem(ME) ?? 'null') as { lab?: { id?: string } } | null
    if (kept?.lab?.id) lab = kept.lab.id
  } catch {
    // What does not read is nobody.
  }
  return lab ?? ''
}

/** The name under which this device keeps something of the lab at hand. */
export const ofLab = (name: string): string => `zip-ledger.${labHere()}.${name}`

const OWN = ['draft.', 'entry.', 'refused.', 'assay.', 'typed.']

/** What earlier versions kept without a lab is this lab's, where the person that they had chosen is of it. */
export function adoptEarlier(id: string, people: readonly { readonly id: string }[]): void {
  const chosen = localStorage.getItem('zip-ledger.person')
  if (!chosen || !people.some(person => person.id === chosen)) return
  for (const key of Object.keys(localStorage)) {
    const name = key.slice('zip-ledger.'.length)
    if (!key.startsWith('zip-ledger.') || !OWN.some(begin => name.startsWith(begin))) continue
    localStorage.setItem(`zip-ledger.${id}.${name}`, localStorage.getItem(key) ?? '')
    localStorage.removeItem(key)
  }
  localStorage.removeItem('zip-ledger.person')
}
