<script setup lang="ts">
/** A picture beside the entry: made smaller here, sent at once; the server looks at its bytes. */
const { code } = defineProps<{ code: string }>()
const emit = defineEmits<{ taken: [photo: string, type: 'image/jpeg' | 'image/png' | 'image/webp'] }>()
const field = useTemplateRef('field')
const problem = ref('')
const isBusy = ref(false)
const kept = shallowRef<Blob>()
const MOST_EDGE = 1600

async function take(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  ;(event.target as HTMLInputElement).value = ''
  if (file) await send(await smaller(file))
}
async function send(picture: Blob): Promise<void> {
  isBusy.value = true
  problem.value = ''
  kept.value = picture
  try {
    const { photo, type } = await $fetch<{ photo: string; type: 'image/jpeg' | 'image/png' | 'image/webp' }>(
      `/api/batches/${encodeURIComponent(code)}/photos`,
      { method: 'POST', body: picture, headers: { 'content-type': 'application/octet-stream' }, retry: 0 },
    )
    kept.value = undefined
    emit('taken', photo, type)
  } catch (error) {
    const { statusCode, data } = error as { statusCode?: number; data?: { detail?: string } }
    const isWrong = statusCode !== undefined && statusCode < 500
    if (isWrong) kept.value = undefined
    problem.value = isWrong
      ? (data?.detail ?? 'The server refused the picture.')
      : 'The picture is not saved: the server does not answer. It is held only while this page is open.'
  } finally {
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
      {{ isBusy ? 'sending…' : 'photo…' }}
    </button>
    <span v-if="problem" class="basis-full text-[13.5px] text-red" role="alert"
      >{{ problem }}
      <button v-if="kept" type="button" class="min-h-12 px-2 text-verdigris underline" @click="send(kept)">
        Try again
      </button></span
    >
  </span>
</template>
