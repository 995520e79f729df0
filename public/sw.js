/*
 * Keeps the app and what this device last read of the lab, so that a page opens without the network. Built files carry their hash in the name and
 * are kept as they are; pages and data come from the network and, where it does not answer, from what was kept. Nothing is ever written from here.
 */
const FILES = 'files'
/** What was read is kept apart for each lab and person, so that nobody is given what another read. */
const dataOf = who => `data ${who}`
const WHO = '/who'
const PATIENCE = 4000

self.addEventListener('install', event => {
  self.skipWaiting()
  event.waitUntil(keepFiles())
})
self.addEventListener('activate', event => event.waitUntil(Promise.all([self.clients.claim(), caches.delete('data')])))
self.addEventListener('message', event => {
  if (typeof event.data?.who === 'string') event.waitUntil(nowIs(event.data.who))
})

/** Who is at this device. Whoever leaves takes along what was kept for them. */
async function nowIs(who) {
  const cache = await caches.open(FILES)
  if (who !== '') return cache.put(WHO, new Response(who))
  await cache.delete(WHO)
  for (const name of await caches.keys()) if (name.startsWith('data')) await caches.delete(name)
}
async function dataCache() {
  const who = await caches.match(WHO, { cacheName: FILES })
  return who && dataOf(await who.text())
}

/** The shell and every built file, so that also a page that was never opened opens; files of earlier builds are let go. */
async function keepFiles() {
  const cache = await caches.open(FILES)
  const list = await (await fetch('/_nuxt/built-files.json', { cache: 'no-store' })).json()
  const wanted = new Set(['/', WHO, ...list].map(path => new URL(path, self.location.origin).href))
  for (const request of await cache.keys()) if (!wanted.has(request.url)) await cache.delete(request)
  await cache.put('/', await fetch('/', { cache: 'no-store' }))
  for (const path of list) if (!(await cache.match(path))) await cache.add(path).catch(() => {})
}

self.addEventListener('fetch', event => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  if (url.pathname === '/api/live' || url.pathname === '/_nuxt/built-files.json') return
  if (request.mode === 'navigate' && !url.pathname.startsWith('/api/')) event.respondWith(page(request))
  else if (url.pathname.startsWith('/_nuxt/') && !url.pathname.startsWith('/_nuxt/builds/'))
    event.respondWith(file(request))
  else if (url.pathname.startsWith('/api/')) event.respondWith(data(request))
})

const patiently = request => fetch(request, { signal: AbortSignal.timeout(PATIENCE) })

async function page(request) {
  try {
    return await patiently(request)
  } catch {
    return (await caches.match('/', { cacheName: FILES })) ?? Response.error()
  }
}

async function file(request) {
  const kept = await caches.match(request, { cacheName: FILES })
  if (kept) return kept
  const answer = await fetch(request)
  if (answer.ok) (await caches.open(FILES)).put(request, answer.clone())
  return answer
}

/** An answer of the server counts, also a refusal; only where none comes is the kept one given. */
async function data(request) {
  const name = await dataCache()
  try {
    const answer = await patiently(request)
    const isKept = answer.ok && name && !/calendar|event-stream/.test(answer.headers.get('content-type') ?? '')
    if (isKept && !/no-store/.test(answer.headers.get('cache-control') ?? ''))
      (await caches.open(name)).put(request, answer.clone())
    if (answer.status < 500) return answer
    return (name && (await caches.match(request, { cacheName: name }))) || answer
  } catch {
    return (name && (await caches.match(request, { cacheName: name }))) || Response.error()
  }
}
