import { parentPort } from 'node:worker_threads'
import { answerJobs } from './apart'
import { briefHere } from './briefs'

/** Works briefs out off the thread that answers requests; bundled on its own, beside the server. */
answerJobs(parentPort, briefHere)
