<script setup lang="ts">
import { usePhotosStore } from '~/stores/photos'

/** A picture beside the step: made smaller here, kept on the device, sent when the server answers; it looks at the bytes. */
const { code, stage, step, text } = defineProps<{
  code: string
  stage: string
  step?: string | undefined
  text: string
}>()
const photos = usePhotosStore()
const field = useTemplateRef('field')
const isBusy = ref(false)
const MOST_EDGE = 1600

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  isBusy.value = true
  try {
    await photos.take(code, { stage, ...(step && { step }), text }, await smaller(file))
  } finally {
    input.value = ''
    isBusy.value = false
  }
}
/** At most 1600 px along its longer edge; as it came where the browser cannot read it, so that the server can say what it is. */
async function smaller(file: Blob): Promise<Blob> {
  try {
    const image = await createImageBitmap(file)
    const scale = Math.min(1, MOST_EDGE / Math.max(image.width, image.height))
    if (scale === 1 && file.size < 1_500_000) return file
    const canvas = new OffscreenCanvas(Math.round(image.width * scale), Math.round(image.height * scale))
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
    return await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })
  } catch {
    return file
  }
}
</script>

<template>
  <span class="contents">
    <input
      ref="field"
      type="file"
      accept="image/*"
      capture="environment"
      class="sr-only"
      tabindex="-1"
      aria-label="Picture"
      @change="take"
    />
    <button type="button" class="button button-quiet glove px-4" :disabled="isBusy" @click="field?.click()">
      {{ isBusy ? 'keeping…' : 'photo…' }}
    </button>
    <span v-if="photos.problem" class="basis-full text-[13.5px] text-red" role="alert">{{ photos.problem }}</span>
    <span v-if="photos.waiting > 0" class="small basis-full" role="status"
      >{{ photos.waiting }} {{ photos.waiting === 1 ? 'picture is' : 'pictures are' }} kept on this device and sent when
      the server answers.</span
    >
  </span>
</template>
