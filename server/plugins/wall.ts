import { createHash } from 'node:crypto'

/** Of a page nothing runs, and nothing is fetched, but what came from this server; the shell's inline scripts are let by their hashes. Charts write style attributes, so those are. */
const policyOf = (hashes: readonly string[]): string =>
  [
    "default-src 'none'",
    `script-src 'self' ${hashes.map(hash => `'sha256-${hash}'`).join(' ')}`.trim(),
    "style-src 'self'",
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "frame-ancestors 'none'",
    "base-uri 'none'",
    "form-action 'none'",
  ].join('; ')

const INLINE = /<script(?![^>]*\bsrc=)[^>]*>([\s\S]*?)<\/script>/g
/** The shell is the same from start to stop: its policy is worked out once. */
let known: { readonly html: string; readonly policy: string } | undefined
function policyFor(html: string): string {
  if (known?.html !== html) {
    const hashes = [...html.matchAll(INLINE)].map(([, script = '']) =>
      createHash('sha256').update(script).digest('base64'),
    )
    known = { html, policy: policyOf(hashes) }
  }
  return known.policy
}

export default defineNitroPlugin(({ hooks }) => {
  hooks.hook('render:response', response => {
    if (typeof response.body !== 'string') return
    response.headers = {
      ...Object.fromEntries(
        Object.entries(response.headers ?? {}).filter(([name]) => name.toLowerCase() !== 'x-powered-by'),
      ),
      'content-security-policy': policyFor(response.body),
    }
  })
})
