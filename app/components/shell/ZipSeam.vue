<script setup lang="ts">
/** The zip between what goes in and what comes out: teeth that mesh, or that gape where something is missing. */
const { closed } = defineProps<{ closed: boolean }>()
</script>

<template>
  <span
    class="seam"
    :class="{ open: !closed }"
    role="img"
    :aria-label="closed ? 'Closed: the elements balance' : 'Open: the elements do not balance'"
  />
</template>

<style scoped>
.seam {
  display: inline-block;
  width: 12px;
  background:
    repeating-linear-gradient(180deg, var(--color-verdigris) 0 5px, transparent 5px 10px) 0 0 / 6px 100% no-repeat,
    repeating-linear-gradient(180deg, transparent 0 5px, var(--color-verdigris) 5px 10px) 6px 0 / 6px 100% no-repeat;
}
.open {
  width: 26px;
  background:
    repeating-linear-gradient(180deg, var(--color-red-edge) 0 5px, transparent 5px 10px) 0 0 / 6px 100% no-repeat,
    repeating-linear-gradient(180deg, transparent 0 5px, var(--color-red-edge) 5px 10px) 20px 0 / 6px 100% no-repeat;
}
</style>
