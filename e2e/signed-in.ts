import { request, type FullConfig } from '@playwright/test'

/** Where the cookie of the demo's first person is kept for all tests. */
export const SIGNED_IN = '.build/signed-in.json'

/** The tests begin as somebody of the demo, as the page itself does at its first opening. */
export default async function signIn({ projects }: FullConfig): Promise<void> {
  const context = await request.newContext({ baseURL: projects[0]!.use.baseURL! })
  const answer = await context.post('/api/session/demo', { data: {} })
  if (!answer.ok()) throw new Error(`The demo lets nobody in: ${answer.status()} ${await answer.text()}`)
  await context.storageState({ path: SIGNED_IN })
  await context.dispose()
}

/** The cookie of somebody of the demo of a server, for what asks without a browser. */
export async function demoCookie(address: string): Promise<string> {
  const answer = await fetch(`${address}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{}',
  })
  return (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
}
