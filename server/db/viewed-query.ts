import pg from 'pg'

/** What a connection is told before a statement: the lab, and the student, as whom it is run; until the transaction ends, and no longer. */
const TELL = "select set_config('zip_ledger.lab', $1, true), set_config('zip_ledger.student', $2, true)"

/** A lab, and the student as whom it is seen, or nobody in particular. */
export interface View {
  readonly lab: string
  readonly student: string
}

/** What this needs of the driver's query and connection; its types leave it out. */
interface Wire {
  parse(statement: { text: string }): void
  bind(portal: { values: readonly unknown[] }): void
  execute(portal: { portal: string }): void
}
interface PlainQuery {
  prepare(connection: Wire): void
  handleDataRow(message: unknown): void
  handleCommandComplete(message: unknown, connection: Wire): void
}
type Called = (error: Error | undefined, response: unknown) => void
const Plain = pg.Query as unknown as new (
  config: { text: string; values: readonly unknown[] },
  values: undefined,
  called: Called,
) => PlainQuery

/**
 * One statement of a lab: it travels together with the telling of the lab, and both are one transaction, which the driver's one `sync` ends. So there is one
 * way to the database and back, nothing of it stays with the connection, and a pooler may give the connection to anybody afterwards.
 */
export class ViewedQuery extends Plain {
  private isTold = false
  constructor(
    text: string,
    values: readonly unknown[],
    private readonly view: View,
    called: Called,
  ) {
    super({ text, values }, undefined, called)
  }
  requiresPreparation(): boolean {
    return true
  }
  override prepare(connection: Wire): void {
    connection.parse({ text: TELL })
    connection.bind({ values: [this.view.lab, this.view.student] })
    connection.execute({ portal: '' })
    super.prepare(connection)
  }
  override handleDataRow(message: unknown): void {
    if (this.isTold) super.handleDataRow(message)
  }
  override handleCommandComplete(message: unknown, connection: Wire): void {
    if (this.isTold) super.handleCommandComplete(message, connection)
    else this.isTold = true
  }
}

/** The same for a transaction of several statements, said with its beginning. The ids are checked where they come in. */
export const tellIn = ({ lab, student }: View): string =>
  `select set_config('zip_ledger.lab', '${lab}', true), set_config('zip_ledger.student', '${student}', true)`
