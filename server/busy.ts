/** Too much waits already: what is refused now is asked again in a moment, and who waits is served. */
export class Busy extends Error {
  constructor(what: string) {
    super(`${what} Try again in a moment; what you typed is kept.`)
    this.name = 'Busy'
  }
}
