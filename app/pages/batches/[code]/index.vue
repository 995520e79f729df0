<script setup lang="ts">
const route = useRoute()
await navigateTo(`/batches/${route.params.code}/sheet`, { replace: true })
</script>

<template><span /></template>
