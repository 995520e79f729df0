<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Plus } from '@lucide/vue'
import { worksheetKinds, worksheetShapes, type Worksheet, type WorksheetKind } from '#core/assay'

/** The worksheets of a batch, and a menu of the kinds that can be begun; with none yet, the kinds are laid out. */
const { assays, chosen } = defineProps<{ assays: readonly Worksheet[]; chosen: string | undefined }>()
const emit = defineEmits<{ choose: [id: string]; add: [kind: WorksheetKind] }>()
</script>

<template>
  <div v-if="assays.length > 0" class="mt-3 flex flex-wrap gap-2" role="group" aria-label="Worksheets">
    <button
      v-for="one in assays"
      :key="one.id"
      type="button"
      class="min-h-10 rounded-lg border px-3 text-[14px]"
      :class="one.id === chosen ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-edge bg-card'"
      :aria-pressed="one.id === chosen"
      @click="emit('choose', one.id)"
    >
      {{ one.name }}
    </button>
    <Menu as="div" class="relative">
      <MenuButton
        class="inline-flex min-h-10 items-center gap-1 rounded-lg border border-dashed border-edge px-3 text-[14px] text-soft hover:border-ink"
        ><Plus :size="15" />New worksheet</MenuButton
      >
      <MenuItems
        class="absolute left-0 z-30 mt-1 max-h-[60vh] w-[340px] overflow-y-auto rounded-lg border border-edge bg-card p-1 shadow-lg"
      >
        <MenuItem v-for="kind in worksheetKinds" :key="kind" v-slot="{ active }">
          <button
            type="button"
            class="block w-full rounded-md px-3 py-1.5 text-left text-[14px]"
            :class="{ 'bg-verdigris-soft': active }"
            @click="emit('add', kind)"
          >
            {{ worksheetShapes[kind].name }}
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  </div>
  <section v-else class="mt-4" aria-label="Kinds of worksheet">
    <p class="text-[16px]">No assay yet. Begin one:</p>
    <ul class="mt-3 grid gap-2 sm:grid-cols-2">
      <li v-for="kind in worksheetKinds" :key="kind">
        <button
          type="button"
          class="flex h-full w-full flex-col rounded-lg border border-edge bg-card px-3 py-2 text-left hover:border-ink"
          :aria-label="worksheetShapes[kind].name"
          @click="emit('add', kind)"
        >
          <b class="text-[15px]">{{ worksheetShapes[kind].name }}</b>
          <span class="block text-[13.5px] text-soft">{{ worksheetShapes[kind].about }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
