<script setup lang="ts">
import { Search, Settings2 } from '@lucide/vue'
import { looks, useLook } from '~/composables/useLook'
import { useWhoStore } from '~/stores/who'

const who = useWhoStore()
/** Another of the demo’s list; the page is loaded anew as theirs. */
const asDemo = (event: Event): Promise<void> => who.asDemo((event.target as HTMLSelectElement).value)
const { look } = useLook()
const route = useRoute()
/** A lab that does not teach has no class, and sees none. */
const links = computed(() => [
  { to: '/', name: 'Bench' },
  { to: '/batches', name: 'Batches' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/assays', name: 'Assays' },
  { to: '/tables', name: 'Tables' },
  ...(who.me?.teaches ? [{ to: '/class', name: 'Class' }] : []),
  { to: '/drills', name: 'Drills' },
])
const isOn = (to: string): boolean => (to === '/' ? route.path === '/' : route.path.startsWith(to))
const emit = defineEmits<{ find: []; keys: [] }>()
/** Where the bar is narrow its links are moved along: the one that is open is in sight. */
const nav = useTemplateRef<HTMLElement>('nav')
watch(
  () => route.path,
  async () => {
    await nextTick()
    nav.value?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'nearest', block: 'nearest' })
  },
)
onMounted(() => nav.value?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'nearest', block: 'nearest' }))
</script>

<template>
  <header data-chrome class="flex h-12 items-stretch gap-6 bg-bar px-5 max-md:gap-2 max-md:px-2 text-[#e9e6da]">
    <NuxtLink
      to="/"
      class="flex items-center gap-2 text-[16px] font-bold max-sm:hidden"
      aria-label="Zip Ledger, to the bench"
    >
      <svg width="18" height="22" viewBox="0 0 18 22" aria-hidden="true">
        <g fill="#5fb6a4">
          <rect x="1" y="1" width="9" height="3.4" />
          <rect x="8" y="5.2" width="9" height="3.4" />
          <rect x="1" y="9.4" width="9" height="3.4" />
          <rect x="8" y="13.6" width="9" height="3.4" />
          <rect x="1" y="17.8" width="9" height="3.4" />
        </g>
      </svg>
      <span class="whitespace-nowrap max-lg:hidden">Zip Ledger</span>
    </NuxtLink>
    <nav
      ref="nav"
      class="flex min-w-0 items-stretch gap-3 overflow-x-auto [scrollbar-width:none] max-md:gap-2"
      aria-label="Main"
    >
      <NuxtLink
        v-for="link in links"
        :key="link.to"
        :to="link.to"
        class="flex min-w-12 shrink-0 items-center justify-center border-b-[3px] px-0.5 pt-[3px] text-[14px] max-md:min-w-0 max-md:text-[13px]"
        :class="isOn(link.to) ? 'border-patina text-white' : 'border-transparent text-[#c6cac5] hover:text-white'"
        :aria-current="isOn(link.to) ? 'page' : undefined"
        >{{ link.name }}</NuxtLink
      >
    </nav>
    <div class="ml-auto flex shrink-0 items-center gap-3 max-md:gap-0 text-[13px]">
      <button class="group flex h-12 items-center whitespace-nowrap text-[#e9e6da]" @click="emit('find')">
        <span
          class="rounded-full border border-[#6f7a79] px-3 py-1 group-hover:border-white max-md:border-0 max-md:px-2"
          ><span class="max-md:hidden">Find <kbd class="figure ml-1 text-[#c6cac5]">/</kbd></span
          ><Search class="md:hidden" :size="18" aria-label="Find"
        /></span>
      </button>
      <button
        class="group flex h-12 min-w-12 items-center justify-center text-[#e9e6da] max-md:min-w-9"
        aria-label="Keys, look and numbers"
        @click="emit('keys')"
      >
        <kbd class="figure rounded-full border border-[#6f7a79] px-2.5 py-1 group-hover:border-white max-md:hidden"
          >?</kbd
        >
        <Settings2 class="md:hidden" :size="18" aria-hidden="true" />
      </button>
      <label class="max-lg:hidden">
        <span class="sr-only">Look</span>
        <select
          v-model="look"
          class="h-12 max-w-[112px] border-x border-[#3a4548] bg-bar px-1.5 text-[#e9e6da]"
          aria-label="Look"
        >
          <option v-for="one in looks" :key="one.key" :value="one.key">{{ one.name }}</option>
        </select>
      </label>
      <span class="hidden max-w-[200px] truncate text-[#c6cac5] xl:inline">{{ who.me?.lab.name }}</span>
      <label v-if="who.me?.demo" class="flex items-center gap-2 text-[#c6cac5] max-md:hidden">
        <span class="max-lg:hidden">as</span>
        <select
          :value="who.me.person"
          class="h-12 max-w-[130px] border-x border-[#3a4548] bg-bar px-1.5 text-[#e9e6da]"
          aria-label="Who is at the bench"
          @change="asDemo"
        >
          <option v-for="person in who.me.demo" :key="person.id" :value="person.id">{{ person.name }}</option>
        </select>
      </label>
      <LazyPersonMenu v-if="who.me" />
    </div>
  </header>
</template>
