import { scaleDocument, type BatchDocument } from '#core/document'

/** A batch with every amount times a factor: plan, moves and procedures. */
export const scaled = (document: BatchDocument, factor: number): BatchDocument => scaleDocument(document, factor)
