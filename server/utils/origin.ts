import { isIP } from 'node:net'
import { hostname } from 'node:os'

/** What of a request tells where it comes from. */
export interface Sender {
  readonly method: string
  readonly host: string | undefined
  readonly origin: string | undefined
  readonly site: string | undefined
  /** `navigate` where somebody follows a link or types the address. */
  readonly mode?: string | undefined
  readonly type: string | undefined
}
/** Names this server answers to beside loopback, and whether it listens beyond this machine. */
export interface Standing {
  readonly names: readonly string[]
  readonly isOnNetwork: boolean
}

const LOOPBACK: readonly string[] = ['localhost', '127.0.0.1', '[::1]']
const READS: readonly string[] = ['GET', 'HEAD', 'OPTIONS']

/** The settings of this process: `HOST`, and further names in `ZIP_LEDGER_HOSTS`. */
export const standingOf = (env: NodeJS.ProcessEnv): Standing => ({
  names: [env.HOST ?? env.NITRO_HOST ?? '', ...(env.ZIP_LEDGER_HOSTS ?? '').split(',')]
    .map(name => name.trim().toLowerCase())
    .filter(name => name !== ''),
  isOnNetwork: !LOOPBACK.includes((env.HOST ?? env.NITRO_HOST ?? 'localhost').replace('::1', '[::1]')),
})

/**
 * Why a request is not answered; undefined for one that is. The name it was sent to must be this server's own, or else another page in the same
 * browser could read under a name of its choosing. What reads or changes data comes from this origin alone, where a browser says so, and as JSON, a
 * picture or an archive, which no foreign form can send.
 */
export function refusalOf(
  sender: Sender,
  standing: Standing,
): { readonly status: 403 | 415; readonly why: string } | undefined {
  if (!isOwnHost(sender.host, standing))
    return {
      status: 403,
      why: 'This server does not answer to that name. Use the address that bin/start printed, or list the name in ZIP_LEDGER_HOSTS.',
    }
  if (READS.includes(sender.method))
    return isOwnSite(sender.site) || sender.mode === 'navigate' ? undefined : { status: 403, why: OTHER_PAGE_READS }
  if (sender.origin !== undefined && hostIn(sender.origin) !== sender.host?.toLowerCase())
    return { status: 403, why: OTHER_PAGE }
  if (!isOwnSite(sender.site)) return { status: 403, why: OTHER_PAGE }
  const type = sender.type?.split(';')[0]?.trim().toLowerCase()
  if (
    sender.method !== 'DELETE' &&
    type !== 'application/json' &&
    type !== 'application/zip' &&
    !type?.startsWith('image/')
  )
    return {
      status: 415,
      why: 'What changes data is sent as application/json, a photo as a picture, files of a batch as application/zip.',
    }
  return undefined
}

const OTHER_PAGE = 'This was sent by another page. Only this application’s own pages may change anything.'
const OTHER_PAGE_READS =
  'This was asked for by another page. Only this application’s own pages may read what the lab keeps.'

/** Where a browser says whose page asks: this one's, or nobody's, as from the address bar. */
const isOwnSite = (site: string | undefined): boolean => site === undefined || site === 'same-origin' || site === 'none'

function isOwnHost(host: string | undefined, { names, isOnNetwork }: Standing): boolean {
  const name = (host ?? '').toLowerCase().replace(/:\d+$/, '')
  if (LOOPBACK.includes(name) || names.includes(name)) return true
  // A page of another site may rebind a name of its own, but not an address or this machine’s name.
  return isOnNetwork && (isIP(name.replace(/^\[|\]$/g, '')) > 0 || name === hostname().toLowerCase())
}

function hostIn(origin: string): string | undefined {
  try {
    return new URL(origin).host.toLowerCase()
  } catch {
    return undefined
  }
}
