import { batchFileJsonSchema } from '../record/files'

/** The published schema of a batch that is taken out (JSON Schema 2020-12). */
export default answerAnyone(event => {
  setResponseHeader(event, 'content-type', 'application/schema+json')
  return batchFileJsonSchema()
})
