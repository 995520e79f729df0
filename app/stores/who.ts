import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Action, Role } from '#core/people'
import { readFromDevice } from '~/utils/device'
import { ME } from '~/utils/whose'

interface Named {
  readonly id: string
  readonly name: string
}
/** Who is in, as the server tells. */
export interface Me {
  readonly person: string
  readonly name: string
  readonly lab: Named
  readonly role: Role
  readonly via: 'sign-in' | 'tablet' | 'demo'
  readonly may: readonly Action[]
  readonly mayInvite: readonly Role[]
  /** A second factor that the role asks for: its code, or that one is set up. */
  readonly needs?: 'code' | 'factor'
  readonly labs: readonly (Named & { readonly role: Role })[]
  readonly isTls: boolean
  readonly hasPasskeys: boolean
  /** A mail server is named: links can be mailed. */
  readonly hasMail: boolean
  readonly isDemo: boolean
  readonly demo?: readonly Named[]
  /** The lab has a class, or who is in could make one, or join one. */
  readonly teaches?: boolean
}
/** By what way somebody could come in here. */
export interface Ways {
  readonly isTls: boolean
  readonly hasPasskeys: boolean
  readonly isSetUp: boolean
  readonly demo?: readonly Named[]
  readonly tablet?: { readonly name: string; readonly people: readonly Named[] }
}
const LEFT = 'zip-ledger.left-the-demo'

/** Who is at this device. It stays known on it, so that what is recorded while the server is away is somebody's. */
export const useWhoStore = defineStore('who', () => {
  const me = shallowRef<Me | undefined>(readFromDevice<Me>(ME))
  const ways = shallowRef<Ways>()
  /** The server says that nobody is in here. What is on the page stays as it is meanwhile. */
  const isOut = ref(false)
  /** Whose page this is: another's is loaded anew. */
  const mine = me.value && placeOf(me.value)
  let asking: Promise<void> | undefined
  /** Recovery codes are on their way or on the screen: it stays until they are written down, whatever else asks. */
  const showsCodes = ref(false)

  const mayHere = computed(() => new Set<Action>(me.value?.may ?? []))
  const may = (action: Action): boolean => mayHere.value.has(action)

  /** Asks the server who is in; in the demo, where nobody is and nobody left, its first person is. */
  const load = (): Promise<void> => (asking ??= ask().finally(() => (asking = undefined)))

  async function ask(): Promise<void> {
    try {
      settle(await $fetch<Me>('/api/me', { retry: 0 }))
    } catch (error) {
      const { statusCode, data } = error as { statusCode?: number; data?: { ways?: Ways } }
      if (statusCode !== 401 || !data?.ways) return
      // The session is being renewed with the second factor: what was asked under the old one is nobody's.
      if (showsCodes.value) return
      ways.value = data.ways
      const isFirst = !me.value || me.value.isDemo
      if (data.ways.demo && isFirst && !sessionStorage.getItem(LEFT)) return asDemo(undefined)
      isOut.value = true
    }
  }
  function settle(told: Me): void {
    if (typeof told?.person !== 'string') return
    const needs = showsCodes.value ? me.value?.needs : undefined
    me.value = needs ? { ...told, needs } : told
    isOut.value = false
    try {
      localStorage.setItem(ME, JSON.stringify(told))
    } catch {
      // A device that is full: who is in is asked again at the next opening.
    }
    tellWorker(placeOf(told))
    if (mine !== undefined && mine !== placeOf(told)) window.location.reload()
  }

  /** Takes somebody of the demo's list. */
  async function asDemo(person: string | undefined): Promise<void> {
    await $fetch('/api/session/demo', { method: 'POST', body: { ...(person && { person }) } })
    sessionStorage.removeItem(LEFT)
    await ask()
  }
  /** Goes over to another lab of the same account. */
  async function toLab(lab: string): Promise<void> {
    await $fetch('/api/session', { method: 'PUT', body: { lab } })
    await ask()
  }
  /** Signs out; what the lab keeps is no longer read on this device, and what waits to be sent stays. */
  async function leave(): Promise<void> {
    await $fetch('/api/session', { method: 'DELETE' })
    if (me.value?.isDemo) sessionStorage.setItem(LEFT, '1')
    tellWorker('')
    await ask()
  }
  return { me, ways, isOut, showsCodes, may, load, asDemo, toLab, leave }
})

const placeOf = ({ lab, person }: Me): string => `${lab.id} ${person}`

/** The service worker keeps what was read apart for each lab and person. */
function tellWorker(who: string): void {
  void navigator.serviceWorker?.ready.then(({ active }) => active?.postMessage({ who }))
}
