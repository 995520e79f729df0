declare module 'ro-crate' {
  export class Validator {
    results: { id: string; status: string; message: string; entity?: string }[]
    parseJSON(json: object): void
    checkFiles(files: Record<string, { exists: boolean }>): void
  }
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- JSON-LD has whatever its vocabulary says
  export const ROCrate: new (json: object, options: { array: boolean; link: boolean }) => any
}
