import type { DatabaseLoad } from '../db/load'
import type { Process } from '../db/processes'

/**
 * From when on somebody should look. Judgements, each with its reason; deploy/alerts.yml wakes people by the same figures.
 */
export const limits = {
  /** Half of what a person notices as waiting, ms. */
  lag: 100,
  /** A look at the Bench should be under 50 ms; twenty times that is no bad moment any more, ms. */
  slowest20th: 1000,
  /** Of a process that should stay under 300 MB, bytes. */
  memory: 300e6,
  /** Seconds of writing at what one database takes. */
  waiting: 5000,
  /** Every night, and two hours for a night that was long. */
  backupHours: 26,
  /** A tenth: room for as much again as a busy week writes, and for the copy that a repair needs. */
  diskFree: 0.1,
  /** The database ends transactions that stand still after 20 s: one that is open longer works, and holds back the sweeping of old rows, s. */
  oldest: 60,
  /** Of the connections that the database allows. */
  connections: 0.8,
  /** Jobs that wait are worked off in seconds; a lab's briefs after an update in minutes. */
  queue: 500,
} as const

export interface Warning {
  readonly about: string
  readonly why: string
  readonly fix: string
}

/** What somebody who looks after the installation should look at, by its figures at a moment; nothing where all is well. */
export function warningsOf(processes: readonly Process[], database: DatabaseLoad, now: Date): Warning[] {
  return [...processes.flatMap(ofProcess), ...ofDatabase(database), ...ofKeeping(database, now)]
}

const MB = 1e6
function ofProcess({ host, pid, lag, memory, waiting, answers, disk }: Process): Warning[] {
  const about = `Process ${pid} on ${host}`
  const found: (Warning | false)[] = [
    lag > limits.lag && {
      about,
      why: `It comes ${Math.round(lag)} ms late to what it should do.`,
      fix: 'Start another process beside it, or give the machine more cores.',
    },
    memory > limits.memory && {
      about,
      why: `It holds ${Math.round(memory / MB)} MB.`,
      fix: 'Look at what it serves: many streams, or an export. If it keeps growing, restart it.',
    },
    answers.slowest20th > limits.slowest20th && {
      about,
      why: `One answer in twenty takes over ${Math.round(answers.slowest20th)} ms.`,
      fix: 'Look at the slowest statements below.',
    },
    answers.failed > 0 && {
      about,
      why: `${answers.failed} answers of the last ${Math.round(answers.seconds)} s went wrong.`,
      fix: 'Look at its log: each has a line with the number of its request.',
    },
    waiting > limits.waiting && {
      about,
      why: `${waiting} entries wait to be recorded.`,
      fix: 'See whether the database writes: its disk, its locks, its followers.',
    },
    disk !== undefined &&
      disk.free < limits.diskFree * disk.total && {
        about: `The disk of ${host}`,
        why: `${Math.round((100 * disk.free) / disk.total)} % of it are free.`,
        fix: 'Make room, or a larger disk, before the database stops writing.',
      },
  ]
  return found.filter(one => one !== false)
}

function ofDatabase({ oldest, connections, queue }: DatabaseLoad): Warning[] {
  const about = 'The database'
  const stuck = Object.entries(queue).flatMap(([name, { waiting, failed }]) => [
    ...(waiting > limits.queue
      ? [{ about: `The queue “${name}”`, why: `${waiting} jobs wait.`, fix: 'See whether a process works on it.' }]
      : []),
    ...(failed > 0
      ? [{ about: `The queue “${name}”`, why: `${failed} jobs failed.`, fix: 'Look at the logs of the processes.' }]
      : []),
  ])
  return [
    ...(oldest > limits.oldest
      ? [
          {
            about,
            why: `A transaction has been open for ${Math.round(oldest)} s.`,
            fix: 'A backup may take long; anything else is stuck: see pg_stat_activity.',
          },
        ]
      : []),
    ...(connections.all > limits.connections * connections.most
      ? [
          {
            about,
            why: `${connections.all} of ${connections.most} connections are taken.`,
            fix: 'Put PgBouncer between, or make its pools smaller.',
          },
        ]
      : []),
    ...stuck,
  ]
}

const HOUR = 3_600_000
const DAY = 24 * HOUR
function ofKeeping({ backup, anchor }: DatabaseLoad, now: Date): Warning[] {
  const hours = backup && (now.getTime() - Date.parse(backup.at)) / HOUR
  // Published just after midnight, and at noon where nothing ran then.
  const isAnchored = anchor !== undefined && now.getTime() - Date.parse(anchor.day) < DAY + 13 * HOUR
  return [
    ...(hours === undefined || hours > limits.backupHours
      ? [
          {
            about: 'Backup',
            why:
              hours === undefined ? 'None was made by bin/backup yet.' : `The last is ${Math.round(hours)} hours old.`,
            fix: 'Let it run every night (docs/backup.md).',
          },
        ]
      : []),
    ...(isAnchored
      ? []
      : [
          {
            about: 'Anchors',
            why: anchor ? `The ends of the chains were last published on ${anchor.day}.` : 'None was published yet.',
            fix: 'See whether the queue “anchors” is worked on.',
          },
        ]),
  ]
}
