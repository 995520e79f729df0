<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { dayClockText } from '~/utils/dates'

interface Key {
  readonly id: string
  readonly name: string
  readonly scopes: readonly string[]
  readonly madeAt: string
  readonly usedAt?: string
  readonly endsAt?: string
}
/** One's own keys for scripts, instruments and calendars. */
const scopes = [
  { key: 'read', name: 'Read what the lab keeps' },
  { key: 'append', name: 'Append readings to journals, in your name' },
  { key: 'calendar', name: 'Subscribe to the calendar, and nothing else' },
] as const
const keys = ref<readonly Key[]>([])
const name = ref('')
const wanted = ref<string[]>(['read'])
const days = ref(90)
const made = ref('')
const { isBusy, failure, problems, ask } = useAsked()
const load = (): Promise<boolean> => ask(async () => (keys.value = await send<Key[]>('/api/keys')))
onMounted(load)
async function make(): Promise<void> {
  const body = { name: name.value, scopes: wanted.value, days: days.value }
  const isMade = await ask(async () => {
    made.value = (await send<{ key: string }>('/api/keys', { method: 'POST', body })).key
  })
  if (!isMade) return
  name.value = ''
  await load()
}
async function close(id: string): Promise<void> {
  if (await ask(() => send(`/api/keys/${id}`, { method: 'DELETE' }))) await load()
}
const time = (at: string): string => dayClockText(Date.parse(at))
const isCalendar = computed(() => wanted.value.length === 1 && wanted.value[0] === 'calendar')
const madeFor = ref(false)
watch(made, () => (madeFor.value = isCalendar.value))
const address = computed(() =>
  madeFor.value ? `${window.location.origin}/api/bench.ics?key=${made.value}` : made.value,
)
</script>

<template>
  <section aria-label="Keys for scripts, instruments and calendars">
    <h2>Keys for scripts, instruments and calendars</h2>
    <ul v-if="keys.length > 0" class="mt-2 max-w-[760px]">
      <li v-for="key in keys" :key="key.id" class="flex items-center gap-3 border-b border-rule py-1.5">
        <span class="flex-1"
          >{{ key.name }} <span class="tag">{{ key.scopes.join(', ') }}</span>
          <span class="small block"
            >made {{ time(key.madeAt) }}, {{ key.usedAt ? `used ${time(key.usedAt)}` : 'not used yet'
            }}<template v-if="key.endsAt">, good until {{ time(key.endsAt) }}</template></span
          ></span
        >
        <button type="button" class="button button-quiet" @click="close(key.id)">Close it</button>
      </li>
    </ul>
    <p v-else class="mt-2">
      None yet. <a href="/api/openapi.json" class="underline">What scripts can ask for</a> is described in OpenAPI.
    </p>
    <form class="mt-3 grid max-w-[760px] gap-3" @submit.prevent="make">
      <div class="flex flex-wrap gap-3">
        <LineField v-model="name" class="min-w-[220px] flex-1" label="What it is for" :problem="problems.name" />
        <label class="w-[120px]"
          ><span class="label">Good for, days</span
          ><input v-model.number="days" type="number" min="1" max="730" class="field figure"
        /></label>
      </div>
      <fieldset class="flex flex-wrap gap-x-5 gap-y-2">
        <legend class="label">It may</legend>
        <label v-for="scope in scopes" :key="scope.key" class="flex min-h-6 items-center gap-2"
          ><input v-model="wanted" type="checkbox" :value="scope.key" class="size-5 accent-verdigris" />{{
            scope.name
          }}</label
        >
      </fieldset>
      <div>
        <button type="submit" class="button" :disabled="isBusy || name.trim() === '' || wanted.length === 0">
          Make a key
        </button>
      </div>
    </form>
    <p v-if="made" class="mt-3 max-w-[760px] rounded-lg bg-verdigris-soft p-3" role="status">
      {{ madeFor ? 'The calendar’s address' : 'The key' }}, shown this once:
      <span class="figure break-all select-all">{{ address }}</span>
    </p>
    <p v-if="failure" class="mt-2 text-amber" role="alert">{{ failure }}</p>
  </section>
</template>
