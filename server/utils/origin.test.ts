import { describe, expect, it } from 'vitest'
import { refusalOf, standingOf, type Sender } from './origin'

const here = standingOf({ HOST: '127.0.0.1' })
const read: Sender = { method: 'GET', host: '127.0.0.1:3000', origin: undefined, site: undefined, type: undefined }
const write: Sender = {
  method: 'POST',
  host: '127.0.0.1:3000',
  origin: 'http://127.0.0.1:3000',
  site: 'same-origin',
  type: 'application/json',
}
const statusOf = (sender: Sender, standing = here): number | undefined => refusalOf(sender, standing)?.status

describe('a request', () => {
  it.each([
    ['a read on loopback', read],
    ['a read by its name', { ...read, host: 'LOCALHOST:3000' }],
    ['a read of the app’s own page', { ...read, site: 'same-origin', mode: 'cors' }],
    ['a link that somebody follows from elsewhere', { ...read, site: 'cross-site', mode: 'navigate' }],
    ['a write of the app’s own page', write],
    ['a write of a program, which names no origin', { ...write, origin: undefined, site: undefined }],
    ['a photo', { ...write, type: 'image/png' }],
    ['JSON with a character set', { ...write, type: 'application/json; charset=utf-8' }],
    ['a delete without a body', { ...write, method: 'DELETE', type: undefined }],
  ])('is answered: %s', (_, sender) => expect(statusOf(sender)).toBeUndefined())

  it.each([
    ['a read under a rebound name', { ...read, host: 'evil.example:3000' }, 403],
    ['a read without a name', { ...read, host: undefined }, 403],
    ['a read by another page’s script', { ...read, site: 'cross-site', mode: 'no-cors' }, 403],
    ['a read by a page of another port', { ...read, site: 'same-site', mode: 'cors' }, 403],
    ['a write from another origin', { ...write, origin: 'http://evil.example' }, 403],
    ['a write from another port', { ...write, origin: 'http://127.0.0.1:8000' }, 403],
    ['a write from a page without an origin', { ...write, origin: 'null' }, 403],
    ['a write from another site', { ...write, origin: undefined, site: 'cross-site' }, 403],
    ['a form', { ...write, type: 'application/x-www-form-urlencoded' }, 415],
    ['plain text', { ...write, type: 'text/plain' }, 415],
    ['a body of no type', { ...write, type: undefined }, 415],
  ])('is refused: %s', (_, sender, status) => expect(statusOf(sender)).toBe(status))

  it('may come under further names that are listed, and by address in a network that is trusted', () => {
    expect(
      statusOf({ ...read, host: 'lab.local' }, standingOf({ ZIP_LEDGER_HOSTS: 'bench, lab.local' })),
    ).toBeUndefined()
    const address = { ...read, host: '10.1.2.3:3000' }
    expect(statusOf(address)).toBe(403)
    expect(statusOf(address, standingOf({ HOST: '0.0.0.0', ZIP_LEDGER_TRUSTED_NETWORK: '1' }))).toBeUndefined()
    expect(
      statusOf({ ...read, host: 'evil.example' }, standingOf({ HOST: '0.0.0.0', ZIP_LEDGER_TRUSTED_NETWORK: '1' })),
    ).toBe(403)
  })
})
