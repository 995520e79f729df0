<script setup lang="ts">
/** The pages of a batch in the order of the work; a dot fills as that part is settled. */
const { code, settled, stages } = defineProps<{
  code: string
  settled: Readonly<Record<string, boolean>>
  stages: readonly { id: string; name: string; number: number; isOn: boolean }[]
}>()
const route = useRoute()
const parts = [
  { key: 'route', name: 'Route' },
  { key: 'sheet', name: 'Sheet' },
  { key: 'procedure', name: 'Procedure' },
  { key: 'run', name: 'Run' },
  { key: 'yield', name: 'Yield' },
  { key: 'assay', name: 'Assay' },
  { key: 'record', name: 'Record' },
]
/** A record takes a moment to write: it is begun when somebody is about to press its link, and is there when they did. */
function ready(key: string): void {
  if (key !== 'record' || isOn(key)) return
  void $fetch(`/api/batches/${encodeURIComponent(code)}/record?quick=1`, { retry: 0 }).catch(() => undefined)
}
const isOn = (key: string): boolean => route.path.endsWith(`/${key}`)
</script>

<template>
  <nav data-chrome class="border-r border-rule py-[18px] pl-5" aria-label="Batch">
    <h2 class="mb-2 text-[12px]">{{ code }}</h2>
    <ol>
      <li v-for="part in parts" :key="part.key" class="relative">
        <NuxtLink
          :to="{ path: `/batches/${code}/${part.key}`, query: part.key === 'route' ? {} : route.query }"
          class="part"
          :class="{ on: isOn(part.key), done: settled[part.key] }"
          :aria-current="isOn(part.key) ? 'page' : undefined"
          @pointerenter="ready(part.key)"
          @focus="ready(part.key)"
        >
          {{ part.name }}<span class="sr-only">{{ settled[part.key] ? ', complete' : ', not complete yet' }}</span>
        </NuxtLink>
      </li>
    </ol>
    <template v-if="stages.length > 1">
      <h2 class="mb-2 mt-6 text-[12px]">Stages</h2>
      <ol>
        <li v-for="stage in stages" :key="stage.id">
          <NuxtLink
            :to="{
              path: route.path.endsWith('/route') ? `/batches/${code}/sheet` : route.path,
              query: { stage: stage.id },
            }"
            class="stage"
            :class="{ on: stage.isOn && !route.path.endsWith('/route') }"
            :aria-current="stage.isOn && !route.path.endsWith('/route') ? 'step' : undefined"
            ><span class="figure mr-1 text-soft">{{ stage.number }}</span
            ><RichText :text="stage.name"
          /></NuxtLink>
        </li>
      </ol>
    </template>
  </nav>
</template>

<style scoped>
.part {
  position: relative;
  display: flex;
  align-items: center;
  min-height: 48px;
  padding: 4px 10px 4px 24px;
  font-size: 14px;
  border-radius: 7px 0 0 7px;
}
.part::before {
  content: '';
  position: absolute;
  left: 6px;
  top: 17px;
  width: 12px;
  height: 12px;
  border-radius: 50%;
  border: 2px solid var(--color-edge);
  background: var(--color-stone);
}
.stage {
  display: block;
  min-height: 48px;
  align-content: center;
  padding: 6px 8px 6px 6px;
  font-size: 13.5px;
  line-height: 1.3;
  border-radius: 7px 0 0 7px;
  overflow-wrap: anywhere;
}
.stage.on {
  background: var(--color-sheet);
  font-weight: 600;
  box-shadow: -1px 0 0 var(--color-rule);
}
.part.done::before {
  background: var(--color-verdigris);
  border-color: var(--color-verdigris);
}
.part.on {
  background: var(--color-sheet);
  font-weight: 600;
  box-shadow:
    -1px 0 0 var(--color-rule),
    0 1px 0 var(--color-rule),
    0 -1px 0 var(--color-rule);
}
.part.on::before {
  border-color: var(--color-verdigris);
}
@media (max-width: 900px) {
  nav {
    display: flex;
    align-items: center;
    gap: 12px;
    padding: 6px 20px;
    border-right: 0;
    border-bottom: 1px solid var(--color-rule);
    /* On a phone the parts are pushed along, and the page stays as wide as the screen. */
    position: relative;
    overflow-x: auto;
  }
  nav h2 {
    margin: 0;
  }
  nav ol {
    display: flex;
    gap: 4px;
  }
  .part {
    border-radius: 7px;
  }
}
</style>
