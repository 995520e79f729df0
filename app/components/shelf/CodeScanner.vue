<script setup lang="ts">
import { readCode } from '~/utils/read-code'

/** Reads a code by the camera, or off a photo where there is none; says what it read, and leaves to its asker what that means. */
const { isLarge = false } = defineProps<{ isLarge?: boolean }>()
const emit = defineEmits<{ read: [text: string] }>()
const isOpen = ref(false)
const trouble = ref('')
const video = useTemplateRef<HTMLVideoElement>('video')
let stream: MediaStream | undefined
let timer: ReturnType<typeof setTimeout> | undefined
let looks = 0
/** Between two looks, ms: a look takes a fifth of that. */
const PAUSE = 200
/** The longest edge that is looked at: a code that fills a third of it has four pixels a cell and more. */
const EDGE = 800

function pictureOf(source: CanvasImageSource, width: number, height: number): ImageData | undefined {
  const scale = Math.min(1, EDGE / Math.max(width, height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(width * scale))
  canvas.height = Math.max(1, Math.round(height * scale))
  const context = canvas.getContext('2d', { willReadFrequently: true })
  context?.drawImage(source, 0, 0, canvas.width, canvas.height)
  return context?.getImageData(0, 0, canvas.width, canvas.height)
}
const whyNot = (error: unknown): string => {
  switch ((error as { name?: string }).name) {
    case 'NotAllowedError':
      return 'The camera is not allowed here. Allow it in the browser’s settings for this page, or take a photo of the code.'
    case 'NotFoundError':
      return 'This device has no camera. Type the code, or choose a photo of it.'
    default:
      return 'The camera cannot be opened: another program may hold it. Type the code, or choose a photo of it.'
  }
}
async function open(): Promise<void> {
  trouble.value = ''
  if (!navigator.mediaDevices) {
    trouble.value = 'This page came without TLS: browsers open no camera in it. Take a photo of the code, or type it.'
    return
  }
  try {
    stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' }, audio: false })
  } catch (error) {
    trouble.value = whyNot(error)
    return
  }
  isOpen.value = true
  await nextTick()
  if (!video.value) return close()
  video.value.srcObject = stream
  await video.value.play().catch(() => {})
  void look()
}
async function look(): Promise<void> {
  const seen = video.value
  if (!isOpen.value || !seen) return
  const picture = seen.videoWidth > 0 ? pictureOf(seen, seen.videoWidth, seen.videoHeight) : undefined
  const text = picture && (await readCode(picture, looks++))
  if (!isOpen.value) return
  if (text === undefined) {
    timer = setTimeout(() => void look(), PAUSE)
    return
  }
  close()
  emit('read', text)
}
function close(): void {
  clearTimeout(timer)
  for (const track of stream?.getTracks() ?? []) track.stop()
  stream = undefined
  isOpen.value = false
}
onScopeDispose(close)
async function choose(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  trouble.value = ''
  try {
    const photo = await createImageBitmap(file)
    const picture = pictureOf(photo, photo.width, photo.height)
    const text = picture && (await readCode(picture))
    if (text === undefined) trouble.value = 'No code is seen in this photo. Take it nearer, and in better light.'
    else emit('read', text)
  } catch {
    trouble.value = 'This file is no picture that the browser can open.'
  }
}
const height = computed(() => (isLarge ? 'min-h-12' : 'min-h-10'))
</script>

<template>
  <div class="contents">
    <button
      type="button"
      class="button button-quiet"
      :class="height"
      :aria-expanded="isOpen"
      @click="isOpen ? close() : open()"
    >
      {{ isOpen ? 'Close the camera' : 'Scan' }}
    </button>
    <label class="button button-quiet cursor-pointer focus-within:outline-2" :class="height"
      >From a photo<input
        type="file"
        accept="image/*"
        capture="environment"
        class="sr-only"
        aria-label="Read a code off a photo"
        @change="choose"
    /></label>
    <div v-if="isOpen" class="w-full">
      <video
        ref="video"
        class="aspect-video w-full max-w-[420px] rounded-lg border border-rule bg-ink object-cover"
        muted
        playsinline
        aria-label="What the camera sees"
      />
      <p class="small mt-1" role="status">Hold the code before the camera; it is read by itself.</p>
    </div>
    <p v-if="trouble" class="w-full text-[14px] text-amber" role="alert">{{ trouble }}</p>
  </div>
</template>
