import type { Reader } from '#core/record'

let known: Reader | undefined
/** How whoever sits here reads times: the zone of the device, and the order of day and month of its country. */
export const reader = (): Reader =>
  (known ??= {
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    locale: navigator.languages.find(one => one.startsWith('en')) ?? 'en-GB',
  })
