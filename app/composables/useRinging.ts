import { useEventListener, useNow, useTitle } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { rings } from '#core/journal'
import { useBenchStore, type Clock } from '~/stores/bench'

const QUIET = 'zip-ledger.heard'

/** Which clocks ring now, on whatever page: with a sound and a flashing title until they are stopped or heard. */
export function useRinging() {
  const bench = useBenchStore()
  const now = useNow({ interval: 500 })
  /** How often each was heard: a ring is news once. */
  const heard = ref<Record<string, number>>(JSON.parse(sessionStorage.getItem(QUIET) ?? '{}'))

  const ringing = computed((): Clock[] =>
    bench.clocks.filter(({ timer }) => rings(timer, now.value.getTime()) > (heard.value[timer.id] ?? 0)),
  )
  function hear({ timer }: Clock): void {
    heard.value = { ...heard.value, [timer.id]: rings(timer, Date.now()) }
    sessionStorage.setItem(QUIET, JSON.stringify(heard.value))
  }

  const title = useTitle()
  let before = ''
  let audio: AudioContext | undefined
  let beat = 0
  watch(
    () => [ringing.value.length, Math.floor(now.value.getTime() / 1000)] as const,
    ([count]) => {
      if (count === 0) {
        if (before !== '') title.value = before
        before = ''
        return
      }
      if (before === '') before = title.value ?? ''
      title.value = beat++ % 2 === 0 ? `Due: ${ringing.value[0]!.timer.name}` : before
      if (beat % 2 === 0) sound()
    },
  )
  /** A browser lets a page sound once it was touched; until then the bar asks for it. */
  const isMute = ref(false)
  async function turnOn(): Promise<void> {
    try {
      audio ??= new AudioContext()
      await audio.resume()
      isMute.value = audio.state !== 'running'
      if (!isMute.value) sound()
    } catch {
      isMute.value = true
    }
  }
  watch(
    () => bench.clocks.length > 0,
    has => {
      if (!has || audio) return
      try {
        audio = new AudioContext()
        isMute.value = audio.state !== 'running'
        audio.onstatechange = () => (isMute.value = audio?.state !== 'running')
      } catch {
        isMute.value = true
      }
    },
    { immediate: true },
  )
  /** A press or a key anywhere is leave enough. */
  useEventListener(['pointerdown', 'keydown'], () => {
    if (isMute.value) void audio?.resume().catch(() => undefined)
  })
  /** Two short tones; where the browser keeps it silent, the banner and title remain. */
  function sound(): void {
    try {
      audio ??= new AudioContext()
      for (const [i, pitch] of [880, 1175].entries()) {
        const tone = audio.createOscillator()
        const volume = audio.createGain()
        tone.frequency.value = pitch
        volume.gain.value = 0.12
        tone.connect(volume).connect(audio.destination)
        tone.start(audio.currentTime + i * 0.18)
        tone.stop(audio.currentTime + i * 0.18 + 0.14)
      }
    } catch {
      audio = undefined
    }
  }
  return { ringing, hear, now, isMute, turnOn }
}
