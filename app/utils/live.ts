import { ofLab } from '~/utils/whose'

/** What a page does when it hears of changes. */
export interface Hearing {
  readonly opened: () => void
  readonly cut: () => void
  /** Codes of batches that changed, `*` for any. */
  readonly changed: (codes: readonly string[]) => void
}
type Word = { readonly is: 'open' | 'cut' } | { readonly is: 'changed'; readonly codes: readonly string[] }

const nameOf = (): string => ofLab('live')

/**
 * Hears of changes over one stream a browser: the tab that holds the lock has it and passes on what comes, and when it closes another takes over.
 * A browser allows few connections to a host, and a stream holds one for good. Where there are no locks, each tab has its own.
 */
export function hearLive({ opened, cut, changed }: Hearing): void {
  const hear = (word: Word): void =>
    word.is === 'changed' ? changed(word.codes) : word.is === 'open' ? opened() : cut()
  if (!navigator.locks || typeof BroadcastChannel === 'undefined') return openStream(hear)
  const name = nameOf()
  const channel = new BroadcastChannel(name)
  channel.onmessage = ({ data }: MessageEvent<Word>) => hear(data)
  void navigator.locks.request(name, () => {
    openStream(word => {
      hear(word)
      channel.postMessage(word)
    })
    return new Promise(() => {})
  })
}

interface Changes {
  readonly at: number
  readonly codes: readonly string[]
}
/** ms. Where no stream opens it is asked so often what changed, and tried so often to open one. */
const ASK = 5000
const AGAIN = 30_000

/**
 * One stream after the other, as each is cut: the browser connects again by itself, but not after an answer that is an error. Once a stream stands it is asked what changed meanwhile; where none
 * can be had, that is asked again and again.
 */
function openStream(tell: (word: Word) => void): void {
  /** By the database's clock: what changed until then was heard. */
  let heard: number | undefined
  let asking: ReturnType<typeof setTimeout> | undefined
  let isOpen = false

  async function catchUp(): Promise<boolean> {
    const query = heard === undefined ? '' : `?since=${heard}`
    const answer = await fetch(`/api/changes${query}`).catch(() => undefined)
    const changes = answer?.ok ? ((await answer.json().catch(() => undefined)) as Changes | undefined) : undefined
    if (!changes) return false
    heard = changes.at
    if (changes.codes.length > 0) tell({ is: 'changed', codes: changes.codes })
    return true
  }
  function askOn(): void {
    clearTimeout(asking)
    asking = setTimeout(async () => {
      if (await catchUp()) tell({ is: 'open' })
      // A stream may have opened while this was asked.
      if (!isOpen) askOn()
    }, ASK)
  }
  function connect(): void {
    const source = new EventSource('/api/live')
    const note = ({ lastEventId }: MessageEvent<string>): void => {
      const at = Number(lastEventId)
      if (at > (heard ?? 0)) heard = at
    }
    source.onopen = () => {
      isOpen = true
      clearTimeout(asking)
      tell({ is: 'open' })
      void catchUp()
    }
    source.addEventListener('beat', note)
    source.onmessage = ({ data }: MessageEvent<string>) => tell({ is: 'changed', codes: data.split(',') })
    source.onerror = () => {
      isOpen = false
      tell({ is: 'cut' })
      askOn()
      if (source.readyState === EventSource.CLOSED) setTimeout(connect, AGAIN)
    }
  }
  connect()
}
