import { ref } from 'vue'

interface Refusal {
  readonly detail?: string
  readonly problems?: readonly { readonly at?: string; readonly code?: string; readonly why: string }[]
}

/** Sends something that may be refused, once at a time, and holds what was wrong with which field. */
export function useAsked() {
  const isBusy = ref(false)
  const failure = ref('')
  const problems = ref<Readonly<Record<string, string>>>({})
  const codes = ref<readonly string[]>([])

  /** True when it went well. What is wrong with a field is told there; the rest is `failure`. */
  async function ask(work: () => Promise<unknown>): Promise<boolean> {
    if (isBusy.value) return false
    isBusy.value = true
    failure.value = ''
    problems.value = {}
    codes.value = []
    try {
      await work()
      return true
    } catch (error) {
      const { data } = error as { data?: Refusal }
      const listed = data?.problems ?? []
      problems.value = Object.fromEntries(listed.flatMap(({ at, why }) => (at ? [[at, why]] : [])))
      codes.value = listed.flatMap(({ code }) => code ?? [])
      if (!listed.some(({ at }) => at)) failure.value = data?.detail ?? plainly(error)
      return false
    } finally {
      isBusy.value = false
    }
  }
  return { isBusy, failure, problems, codes, ask }
}

/** What went wrong where the server said nothing of it. */
function plainly(error: unknown): string {
  const { statusCode, name } = error as { statusCode?: number; name?: string }
  if (name === 'NotAllowedError') return 'Nothing was signed: the device was not unlocked, or took too long.'
  return statusCode ? 'The server refused it.' : 'The server does not answer. Try again in a moment.'
}

interface Sent {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE'
  readonly body?: object
}
/** Asks the server. Addresses are plain text here: what comes is named by who asks. */
export const send = <T = unknown>(path: string, sent: Sent = {}): Promise<T> => $fetch<T, string>(path, sent as object)
