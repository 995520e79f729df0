<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { UserRound } from '@lucide/vue'
import { roles } from '#core/people'
import { useWhoStore } from '~/stores/who'

/** Who is in, and what concerns them: their account, the lab's people, another lab, leaving. */
const who = useWhoStore()
const failure = ref('')
const others = computed(() => who.me?.labs.filter(({ id }) => id !== who.me?.lab.id) ?? [])
async function attempt(work: () => Promise<void>): Promise<void> {
  failure.value = ''
  try {
    await work()
  } catch (error) {
    failure.value =
      (error as { data?: { detail?: string } }).data?.detail ?? 'The server does not answer: nothing was changed.'
  }
}
</script>

<template>
  <Menu v-if="who.me" v-slot="{ open }" as="div" class="relative">
    <MenuButton
      class="flex h-12 min-w-11 max-w-[170px] items-center justify-center gap-2 whitespace-nowrap px-1.5 text-[#e9e6da]"
      :aria-label="`You: ${who.me.name}, ${roles[who.me.role]}`"
      ><UserRound :size="18" aria-hidden="true" class="shrink-0" /><span
        v-if="!who.me.isDemo"
        class="truncate max-md:hidden"
        >{{ who.me.name }}</span
      ></MenuButton
    >
    <div v-if="open">
      <MenuItems
        static
        class="absolute right-0 z-50 mt-1 w-[280px] rounded-xl border border-edge bg-sheet p-2 text-[15px] text-ink shadow-xl outline-none"
      >
        <p class="px-3 py-2">
          <b>{{ who.me.name }}</b>
          <span class="small block">{{ roles[who.me.role] }}, {{ who.me.lab.name }}</span>
        </p>
        <MenuItem v-if="who.me.via === 'sign-in'" v-slot="{ active, close }">
          <NuxtLink to="/account" class="item" :class="{ active }" @click="close">Your account</NuxtLink>
        </MenuItem>
        <MenuItem v-slot="{ active, close }">
          <NuxtLink to="/people" class="item" :class="{ active }" @click="close">People and what they may</NuxtLink>
        </MenuItem>
        <MenuItem
          v-for="person in who.me.demo?.filter(({ id }) => id !== who.me?.person) ?? []"
          :key="person.id"
          v-slot="{ active }"
        >
          <button type="button" class="item" :class="{ active }" @click="attempt(() => who.asDemo(person.id))">
            Be {{ person.name }}
          </button>
        </MenuItem>
        <MenuItem v-for="lab in others" :key="lab.id" v-slot="{ active }">
          <button type="button" class="item" :class="{ active }" @click="attempt(() => who.toLab(lab.id))">
            Go over to {{ lab.name }}
          </button>
        </MenuItem>
        <MenuItem v-slot="{ active }">
          <button type="button" class="item" :class="{ active }" @click="attempt(who.leave)">
            {{ who.me.via === 'tablet' ? 'Lock the tablet' : who.me.isDemo ? 'Leave the demo' : 'Sign out' }}
          </button>
        </MenuItem>
      </MenuItems>
    </div>
    <p v-if="failure" role="alert" class="absolute right-0 z-50 w-[280px] rounded-lg bg-amber-soft p-3 text-amber">
      {{ failure }}
    </p>
  </Menu>
</template>

<style scoped>
.item {
  display: flex;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 0 12px;
  border-radius: 8px;
  text-align: left;
  color: inherit;
  text-decoration: none;
}
.item.active {
  background: var(--color-verdigris-soft);
}
</style>
