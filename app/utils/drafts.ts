import { readDocument } from '#core/document'
import type { Draft } from '~/stores/batch'

/** What was typed on this device and not saved, brought to the newest version; undefined for one that does not read, which stays on the device as it is. */
export function draftFrom(kept: Draft): Draft | undefined {
  const [base, document] = [readDocument(kept.base), readDocument(kept.document)]
  if (!base.ok || !document.ok) return undefined
  const sent = kept.sent === undefined ? undefined : readDocument(kept.sent)
  return {
    version: kept.version,
    base: base.value,
    document: document.value,
    ...(sent?.ok && { sent: sent.value }),
  }
}
