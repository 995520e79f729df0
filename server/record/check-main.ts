import { X509Certificate } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { unzipSync } from 'fflate'
import { checkRecord, type Anchored } from './check'

/** Proves a record that was taken out, without a database: check-record FILE --key KEY [--anchors LIST] [--authority CERTIFICATE]. Ends with 1 where something is wrong, with 2 where it cannot look. */
const USAGE =
  'bin/check-record FILE --key KEY.pem [--key OLDER.pem] [--anchors LIST.json] [--authority CERTIFICATE.pem]'

function stop(why: string): never {
  console.error(`${why}\n${USAGE}`)
  process.exit(2)
}
function load(path: string): Buffer {
  try {
    return readFileSync(path)
  } catch (error) {
    return stop(`${path} cannot be read: ${(error as Error).message}`)
  }
}
function anchorsIn(path: string): Anchored[] {
  try {
    const { anchors } = JSON.parse(load(path).toString('utf8')) as {
      anchors: { day: string; body: { chains: Omit<Anchored, 'day'>[] } }[]
    }
    return anchors.flatMap(({ day, body }) => body.chains.map(chain => ({ ...chain, day })))
  } catch {
    return stop(`${path} is no list of anchors.`)
  }
}

function certificateIn(path: string): string {
  const text = load(path).toString('utf8')
  try {
    return new X509Certificate(text).toString()
  } catch {
    return stop(`${path} is no certificate.`)
  }
}

let args
try {
  args = parseArgs({
    allowPositionals: true,
    options: {
      key: { type: 'string', multiple: true },
      anchors: { type: 'string' },
      authority: { type: 'string', multiple: true },
    },
  })
} catch (error) {
  stop((error as Error).message)
}
const [file, ...more] = args.positionals
const { key: keys = [], anchors, authority: authorities = [] } = args.values
if (file === undefined || more.length > 0 || keys.length === 0)
  stop('Name one file, and the public key of the installation.')
let files: Map<string, Uint8Array>
try {
  files = new Map(Object.entries(unzipSync(load(file))).filter(([path]) => !path.endsWith('/')))
} catch {
  stop(`${file} is no ZIP file.`)
}
let checked
try {
  checked = checkRecord(
    files,
    keys.map(path => load(path).toString('utf8')),
    anchors === undefined ? [] : anchorsIn(anchors),
    authorities.map(certificateIn),
  )
} catch (error) {
  stop(`It cannot be checked: ${(error as Error).message}`)
}
for (const line of [...checked.told, ...checked.problems]) console.log(line)
process.exitCode = checked.problems.length > 0 ? 1 : 0
