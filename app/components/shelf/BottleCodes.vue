<script setup lang="ts">
/** Codes of bottles, each leading to its own. */
const { codes } = defineProps<{ codes: readonly string[] }>()
</script>

<template>
  <span
    ><template v-for="(code, i) in codes.slice(0, 60)" :key="code"
      >{{ i > 0 ? ', ' : ''
      }}<NuxtLink :to="`/shelf/${code}`" class="text-verdigris underline">{{ code }}</NuxtLink></template
    ><template v-if="codes.length > 60"> and {{ codes.length - 60 }} more</template></span
  >
</template>
