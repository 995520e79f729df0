import { parentPort } from 'node:worker_threads'
import { answerJobs } from './apart'
import { recordHere } from './records'

/** Works records out, and writes their paper, off the thread that answers requests; bundled on its own, beside the server. */
answerJobs(parentPort, recordHere)
