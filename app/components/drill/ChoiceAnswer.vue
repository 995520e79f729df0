<script setup lang="ts">
/** One of several, or as many as are right. */
const chosen = defineModel<readonly number[]>({ required: true })
const {
  options,
  several,
  isOff = false,
} = defineProps<{
  options: readonly string[]
  several: boolean
  isOff?: boolean
}>()
const name = useId()
function choose(i: number, isOn: boolean): void {
  const others = several ? chosen.value.filter(one => one !== i) : []
  chosen.value = (isOn ? [...others, i] : others).toSorted((a, b) => a - b)
}
</script>

<template>
  <fieldset>
    <legend class="small mb-1">{{ several ? 'All that are right' : 'One of these' }}</legend>
    <label
      v-for="(option, i) in options"
      :key="option"
      class="flex min-h-11 cursor-pointer items-center gap-3 rounded-lg border border-rule bg-card px-3 py-1.5 has-checked:border-verdigris has-checked:bg-verdigris-soft mt-1.5"
    >
      <input
        :type="several ? 'checkbox' : 'radio'"
        class="size-4 shrink-0 accent-verdigris"
        :name="name"
        :checked="chosen.includes(i)"
        :disabled="isOff"
        @change="choose(i, ($event.target as HTMLInputElement).checked)"
      />
      <RichText :text="option" class="text-[16px]" />
    </label>
  </fieldset>
</template>
