<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { entryText, type Entry } from '#core/journal'
import { useBenchStore } from '~/stores/bench'
import { useLabStore } from '~/stores/lab'
import { useOutboxStore } from '~/stores/outbox'
import { usePhotosStore } from '~/stores/photos'
import { useWhoStore } from '~/stores/who'
import { useAnnounce } from '~/composables/useAnnounce'
import { useLetterKeys } from '~/composables/useLetterKeys'
import { useCut } from '~/composables/useCut'
import { useTabletLock } from '~/composables/useTabletLock'
import { applyLook } from '~/composables/useLook'
import { clockText } from '~/utils/dates'
import { isDeviceFull } from '~/utils/device'

const route = useRoute()
const finding = ref(false)
const keysShown = ref(false)
const lab = useLabStore()
const bench = useBenchStore()
const outbox = useOutboxStore()
const who = useWhoStore()
const away = ref(false)
/** A connection that is only being made again is not told; one that stays away is, and one that is back at once. */
const isCut = useCut(() => !bench.isLive)

async function load(): Promise<void> {
  try {
    await lab.load()
    away.value = false
  } catch {
    away.value = true
    setTimeout(load, 3000)
  }
}
applyLook()
/** What a page does once somebody is in; nothing of a lab is asked for before. */
function begin(): void {
  void load()
  void bench.load()
  bench.listen()
  void outbox.send()
  void usePhotosStore().send()
}
const isShut = computed(() => who.isOut || who.me === undefined || who.me.needs !== undefined)
const isJoining = computed(() => route.path === '/join')
const stop = watch(
  () => !isShut.value && !isJoining.value,
  isOpen => {
    if (!isOpen) return
    begin()
    void nextTick(() => stop())
  },
  { immediate: true },
)
watch(isShut, (now, before) => {
  if (before && !now) void outbox.send()
})
useTabletLock()

onNuxtReady(() => void preloadComponents(['LazyFinderDialog', 'LazyKeysDialog', 'LazyPersonMenu']))

const othersNames = computed(() => [...new Set(outbox.others.map(({ entry }) => lab.nameOf(entry.by)))].join(', '))
const clockOf = (at: string): string => clockText(Date.parse(at))
const { said, announce } = useAnnounce()
watch(isCut, (cut, before) => {
  if (cut) announce('Server not reached. What you type and record is kept on this device.')
  else if (before) announce('The server is back.')
})
/** A new page is begun at its heading, by eye and by ear; the first one is left alone. */
watch(
  () => route.path,
  async () => {
    for (let tries = 0; tries < 20; tries++) {
      await new Promise(resolve => setTimeout(resolve, 50))
      const heading = document.querySelector<HTMLElement>('main h1')
      if (!heading) continue
      if (document.activeElement === document.body || document.activeElement?.closest('nav, header')) {
        heading.tabIndex = -1
        heading.focus({ preventScroll: true })
      }
      return
    }
  },
)
const wordsOf = (entry: Entry): string => (entry.kind === 'correction' ? entry.why : entryText(entry))

const isTyping = (event: KeyboardEvent): boolean =>
  event.target instanceof HTMLElement && !!event.target.closest('input, textarea, select, [contenteditable]')
const letterKeys = useLetterKeys()
onKeyStroke('/', event => {
  if (isTyping(event) || !letterKeys.value) return
  event.preventDefault()
  finding.value = true
})
onKeyStroke('?', event => {
  if (!isTyping(event) && letterKeys.value) keysShown.value = true
})
</script>

<template>
  <p class="sr-only" role="status" aria-live="polite" data-testid="said">{{ said }}</p>
  <a v-if="isJoining || !isShut" href="#main" class="sr-only focus:not-sr-only">To the content</a>
  <aside
    v-if="who.me?.isDemo && !isShut"
    aria-label="The demo"
    data-chrome
    class="bg-amber-soft px-5 py-0.5 text-center text-[13px] text-amber"
  >
    The demo: whoever sits at this machine is whom they choose. Nothing here is for real work.
  </aside>
  <TopBar v-if="!isShut && !isJoining" @find="finding = true" @keys="keysShown = true" />
  <div data-chrome class="notices">
    <aside v-if="away || isCut" class="notice bg-amber-soft text-amber" aria-label="No connection">
      <b>The server does not answer.</b> You see what this device read last. What you type and record is kept here and
      saved when it is back.
    </aside>
    <aside v-if="isDeviceFull" class="notice bg-red-soft text-red" aria-label="No room on this device">
      <b>This device’s storage is full.</b> What you type now is held in this tab alone: keep it open until it says that
      all is saved. Closing other tabs’ drafts or clearing pictures that wait makes room.
    </aside>
    <aside v-if="outbox.others.length > 0" class="notice bg-amber-soft text-amber" aria-label="Of somebody else">
      <b>{{ outbox.others.length }} recorded here by {{ othersNames }}</b
      >, not sent yet. They go out when that person is in on this device again.
    </aside>
    <aside
      v-if="outbox.waiting.length > 0 && outbox.away"
      aria-label="Not saved yet"
      class="notice bg-amber-soft text-amber"
    >
      <b>{{ outbox.waiting.length }} not saved yet.</b> The server does not answer; they are kept on this device and
      sent when it is back.
    </aside>
    <aside
      v-for="aside in outbox.refused"
      :key="aside.entry.id"
      class="notice flex flex-wrap items-center gap-3 bg-red-soft text-red"
      aria-label="Refused"
    >
      <span
        ><b>An entry of {{ aside.code }} was refused.</b> {{ aside.why }} It said: “{{ wordsOf(aside.entry) }}”, at
        {{ clockOf(aside.entry.at) }}.</span
      >
      <button type="button" class="button button-quiet" @click="outbox.dismiss(aside.entry.id)">I wrote it down</button>
    </aside>
  </div>
  <LazySignIn v-if="!isJoining && (who.isOut || !who.me)" />
  <LazyGiveFactor v-else-if="!isJoining && isShut" />
  <!-- Whoever has to come in again finds the page as it was left, with what was typed. -->
  <div v-if="isJoining || who.me" v-show="isJoining || !isShut" id="main" class="flex min-h-0 flex-1 flex-col">
    <NuxtPage v-if="isJoining || who.me?.needs === undefined" />
  </div>
  <ClockBar v-if="!isShut && !isJoining" />
  <LazyFinderDialog v-if="finding" v-model:open="finding" />
  <LazyKeysDialog v-if="keysShown" v-model:open="keysShown" />
</template>

<style scoped>
/* What comes and goes lies over the page and pushes nothing. */
.notices {
  position: fixed;
  inset: auto 12px 12px auto;
  z-index: 45;
  display: grid;
  gap: 8px;
  max-width: min(560px, calc(100vw - 24px));
}
.notice {
  padding: 8px 16px;
  border: 1px solid currentcolor;
  border-radius: 10px;
  box-shadow: 0 6px 24px rgb(0 0 0 / 0.18);
}
@media (max-width: 640px) {
  .notices {
    inset: 56px 12px auto;
  }
}
</style>
