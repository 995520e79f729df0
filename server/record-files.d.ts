declare module '#record-files' {
  /** The built files that the page of a record needs besides the first one of the app. */
  export const recordFiles: readonly string[]
}
