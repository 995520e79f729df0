// Bundles the commands when the bundle is older than the source, then runs them: one file starts faster than a hundred.
import { mkdirSync, readdirSync, renameSync, statSync } from 'node:fs'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { join } from 'node:path'

const root = fileURLToPath(new URL('..', import.meta.url))
const bundle = join(root, '.build', 'zl.mjs')

const newest = folder => {
  let time = statSync(folder).mtimeMs
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) time = Math.max(time, newest(path))
    else if (!entry.name.endsWith('.test.ts')) time = Math.max(time, statSync(path).mtimeMs)
  }
  return time
}

const isStale = () => {
  const built = statSync(bundle, { throwIfNoEntry: false })?.mtimeMs ?? 0
  return (
    built <
    Math.max(newest(join(root, 'core')), newest(join(root, 'cli')), statSync(join(root, 'package.json')).mtimeMs)
  )
}

if (isStale()) {
  const { build } = await import('esbuild')
  mkdirSync(join(root, '.build'), { recursive: true })
  const fresh = `${bundle}.${process.pid}`
  await build({
    entryPoints: [join(root, 'cli', 'main.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outfile: fresh,
    logLevel: 'error',
    minify: true,
  })
  renameSync(fresh, bundle)
}
await import(pathToFileURL(bundle).href)
