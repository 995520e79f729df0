<script setup lang="ts">
/** A text that is said once its field is left. What is typed stays as it is meanwhile, whatever else on the page is worked out anew. */
const {
  value,
  rows = 1,
  most,
} = defineProps<{
  value: string
  rows?: number
  most: number
}>()
const emit = defineEmits<{ say: [text: string] }>()
const text = ref(value)
const isOn = ref(false)
watch(
  () => value,
  now => {
    if (!isOn.value) text.value = now
  },
)
function leave(): void {
  isOn.value = false
  if (text.value !== value) emit('say', text.value)
}
onBeforeUnmount(() => isOn.value && leave())
</script>

<template>
  <textarea
    v-if="rows > 1"
    v-model="text"
    class="field"
    :rows="rows"
    :maxlength="most"
    @focus="isOn = true"
    @blur="leave"
  />
  <input
    v-else
    v-model="text"
    class="field"
    :maxlength="most"
    @focus="isOn = true"
    @blur="leave"
    @keydown.enter="leave"
  />
</template>
