import { generateSecret, generateURI, verify } from 'otplib'

/** A second factor by the clock (RFC 6238: SHA-1, six digits, thirty seconds, as every such program has it). */
export const newTotpSecret = (): string => generateSecret()
export const totpAddress = (secret: string, label: string): string =>
  generateURI({ secret, label, issuer: 'Zip Ledger' })

const PERIOD = 30

/** The time step of a code that is right now, or was half a minute ago: clocks differ. Undefined for a wrong one. */
export async function totpStepOf(secret: string, token: string): Promise<number | undefined> {
  const result = await verify({ secret, token, epochTolerance: PERIOD })
  if (!result.valid) return undefined
  return 'timeStep' in result ? result.timeStep : Math.floor(Date.now() / 1000 / PERIOD) + result.delta
}
