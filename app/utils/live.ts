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
const RETRY = 3000

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

/** The browser connects again by itself, but not after an answer that is an error. */
function openStream(tell: (word: Word) => void): void {
  const source = new EventSource('/api/live')
  source.onopen = () => tell({ is: 'open' })
  source.onmessage = ({ data }: MessageEvent<string>) => tell({ is: 'changed', codes: data.split(',') })
  source.onerror = () => {
    tell({ is: 'cut' })
    if (source.readyState === EventSource.CLOSED) setTimeout(() => openStream(tell), RETRY)
  }
}
