<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { useWhoStore } from '~/stores/who'
import { dayClockText } from '~/utils/dates'

interface Summary {
  readonly id: string
  readonly name: string
  readonly groups: number
  readonly madeAt: string
  readonly releasedAt?: string
  readonly opensAt?: string
  readonly closesAt?: string
  readonly code?: string
  readonly runs?: readonly { readonly number: number; readonly batch: string }[]
}
/** The classes of a lab: to whoever teaches them, and to a student those they are in. */
const who = useWhoStore()
useHead({ title: 'Class · Zip Ledger' })
const classes = shallowRef<readonly Summary[]>()
const hasFailed = ref(false)
const teaches = computed(() => who.may('invite'))
async function load(): Promise<void> {
  try {
    classes.value = await send<Summary[]>('/api/classes')
    hasFailed.value = false
  } catch {
    hasFailed.value = true
  }
}
onMounted(load)

const code = ref('')
const { isBusy, problems, failure, ask } = useAsked()
const join = (): Promise<boolean> =>
  ask(async () => {
    const { batch } = await send<{ batch: string }>('/api/classes/join', {
      method: 'POST',
      body: { code: code.value.trim().toLowerCase() },
    })
    await navigateTo(`/batches/${batch}/sheet`)
  })
const day = useAsked()
const openDay = (): Promise<boolean> =>
  day.ask(async () => {
    const { id } = await send<{ id: string }>('/api/classes/school-day', { method: 'POST', body: {} })
    await navigateTo(`/class/${id}`)
  })
const codeWhy = computed(() => problems.value.code ?? (failure.value || ''))
const whenOf = ({ opensAt, closesAt }: Summary): string =>
  [opensAt && `opens ${dayClockText(Date.parse(opensAt))}`, closesAt && `closes ${dayClockText(Date.parse(closesAt))}`]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <div class="flex flex-wrap items-start justify-between gap-3">
      <div>
        <h1>Class</h1>
        <p class="mt-0.5 text-[14px] text-soft">
          One plan, many benches: each group has a batch of its own, with amounts of its own.
        </p>
      </div>
      <NuxtLink v-if="teaches" to="/class/new" class="button">New class</NuxtLink>
    </div>
    <form v-if="!teaches" class="mt-4 flex max-w-[420px] flex-wrap items-start gap-3" @submit.prevent="join">
      <label class="flex-1"
        ><span class="label">Code of the class, as it stands on the board</span
        ><input
          v-model="code"
          class="field figure text-[20px]"
          maxlength="12"
          autocapitalize="off"
          autocomplete="off"
          spellcheck="false"
          :aria-invalid="codeWhy !== ''" /></label
      ><button class="button mt-6" :disabled="isBusy || code.trim() === ''">Join</button>
      <p v-if="codeWhy" class="w-full text-[14px] text-red" role="alert">{{ codeWhy }}</p>
    </form>
    <p v-if="hasFailed" class="mt-4 text-amber" role="status">
      The classes could not be read.
      <button type="button" class="text-verdigris underline" @click="load">Try again</button>
    </p>
    <p v-else-if="!classes" class="mt-4 text-soft" aria-busy="true">Reading the classes.</p>
    <div v-else-if="classes.length === 0" class="mt-6 text-soft">
      <p>
        {{
          teaches
            ? 'There is no class yet. Make one from any batch: its plan is what the groups carry out.'
            : 'You are in no class yet. Type its code above.'
        }}
      </p>
      <p v-if="teaches && who.me?.isDemo" class="mt-3">
        <button type="button" class="button button-quiet" :disabled="day.isBusy.value" @click="openDay">
          Open the demo’s school day
        </button>
        <span class="ml-3">Twelve pairs in the middle of it: some weigh, some have results, one asks for help.</span>
      </p>
      <p v-if="day.failure.value" class="mt-2 text-red" role="alert">{{ day.failure.value }}</p>
    </div>
    <table v-else class="mt-4 w-full max-w-[900px] text-[15px]">
      <thead>
        <tr class="small text-left">
          <th scope="col" class="py-1 font-normal">Class</th>
          <th scope="col" class="py-1 font-normal">{{ teaches ? 'Code' : 'Your run' }}</th>
          <th scope="col" class="py-1 font-normal">Groups</th>
          <th scope="col" class="py-1 font-normal">When</th>
          <th scope="col" class="py-1 font-normal">Key</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in classes" :key="one.id" class="border-t border-rule">
          <td class="py-2 pr-4 font-semibold">
            <NuxtLink v-if="teaches" :to="`/class/${one.id}`" class="text-verdigris underline">{{ one.name }}</NuxtLink>
            <template v-else>{{ one.name }}</template>
          </td>
          <td class="figure py-2 pr-4">
            <template v-if="teaches">{{ one.code }}</template>
            <NuxtLink
              v-for="run in one.runs ?? []"
              v-else
              :key="run.batch"
              :to="`/batches/${run.batch}/sheet`"
              class="text-verdigris underline"
              >{{ run.batch }}, group {{ run.number }}</NuxtLink
            >
          </td>
          <td class="figure py-2 pr-4">{{ one.groups }}</td>
          <td class="py-2 pr-4 text-soft">{{ whenOf(one) || 'any time' }}</td>
          <td class="py-2 text-soft">{{ one.releasedAt ? 'released' : 'sealed' }}</td>
        </tr>
      </tbody>
    </table>
  </main>
</template>
