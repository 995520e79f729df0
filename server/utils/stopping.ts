let stopping = false
/** Whether this process was asked to stop. */
export const isStopping = (): boolean => stopping
export const beginStop = (): void => void (stopping = true)

const open = new Set<() => unknown>()

/** Calls back when the server is asked to stop, so that what stays open by nature does not hold it up; gives back how to forget it. */
export function closeOnStop(close: () => unknown): () => void {
  open.add(close)
  return () => open.delete(close)
}

/** Closes what is open now. */
export function closeAll(): void {
  for (const close of open) void close()
  open.clear()
}
