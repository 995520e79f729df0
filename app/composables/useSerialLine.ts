import { onScopeDispose, ref } from 'vue'
import { lineSplitter, readLine, type Said } from '#instruments'

interface Port {
  open(options: { baudRate: number }): Promise<void>
  close(): Promise<void>
  readonly readable: ReadableStream<Uint8Array> | null
}
interface Serial {
  requestPort(): Promise<Port>
}
const serial = (): Serial | undefined => (navigator as unknown as { serial?: Serial }).serial

/** A real instrument on the browser's serial port, speaking the lines of docs/instrument-lines.md. */
export function useSerialLine() {
  const said = ref<Said>()
  const isOpen = ref(false)
  const problem = ref('')
  const isPossible = serial() !== undefined
  let port: Port | undefined
  let reader: ReadableStreamDefaultReader<Uint8Array> | undefined

  async function open(): Promise<void> {
    problem.value = ''
    try {
      port = await serial()!.requestPort()
      await port.open({ baudRate: 9600 })
      isOpen.value = true
      await read(port)
    } catch (error) {
      problem.value =
        (error as Error).name === 'NotFoundError'
          ? 'No port was chosen.'
          : 'The port cannot be read. Is it plugged in, and is no other program using it?'
    } finally {
      isOpen.value = false
      said.value = undefined
    }
  }
  async function read({ readable }: Port): Promise<void> {
    const decoder = new TextDecoder()
    const take = lineSplitter(line => {
      said.value = readLine(line) ?? said.value
    })
    reader = readable?.getReader()
    for (;;) {
      const { value, done } = (await reader?.read()) ?? { done: true, value: undefined }
      if (done) return
      take(decoder.decode(value, { stream: true }))
    }
  }
  async function close(): Promise<void> {
    await reader?.cancel().catch(() => {})
    reader?.releaseLock()
    await port?.close().catch(() => {})
    port = undefined
  }
  onScopeDispose(close)
  return { said, isOpen, isPossible, problem, open, close }
}
