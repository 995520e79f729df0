import { parentPort } from 'node:worker_threads'
import { answerJobs } from './apart'
import { judgeHere } from './drills'

/** Judges answers to drills off the thread that answers requests; bundled on its own, beside the server. */
answerJobs(parentPort, judgeHere)
