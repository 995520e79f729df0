<script setup lang="ts">
import { send } from '~/composables/useAsked'

type Standing = BatchStanding | ThingStanding
interface ThingStanding {
  readonly what: 'own-row' | 'template' | 'worksheet'
  readonly title: string
  readonly is: 'new' | 'there' | 'differs'
}
interface BatchStanding {
  readonly what: 'batch'
  readonly code: string
  readonly title: string
  readonly entries: number
  readonly photos: number
  readonly is: 'new' | 'there' | 'differs' | 'plan'
  readonly isCodeTaken: boolean
}
interface Refusal {
  readonly data?: {
    readonly detail?: string
    readonly problems?: readonly { readonly at?: string; readonly why: string }[]
  }
}
/** All of the lab's data out in one archive, and batches in, from here or elsewhere. */
useHead({ title: 'Take out, bring in · Zip Ledger' })
const file = shallowRef<File>()
const found = ref<readonly Standing[]>()
const failure = ref('')
const problems = ref<readonly { readonly at?: string; readonly why: string }[]>([])
const isBusy = ref(false)
interface Brought {
  readonly brought: readonly string[]
  readonly things: readonly string[]
  readonly left: readonly string[]
}
const brought = ref<Brought>()
const kinds = { 'own-row': 'Own row', template: 'Template', worksheet: 'Worksheet' } as const
const words = {
  new: 'not here yet',
  there: 'here already, the very same',
  differs: 'here already, and says something else',
  plan: 'a plan: becomes a batch of its own',
} as const

async function post<T>(path: string): Promise<T | undefined> {
  const one = file.value
  if (!one || isBusy.value) return undefined
  isBusy.value = true
  failure.value = ''
  problems.value = []
  try {
    return await $fetch<T, string>(path, {
      method: 'POST',
      body: one,
      headers: { 'content-type': one.name.endsWith('.json') ? 'application/json' : 'application/zip' },
      retry: 0,
    })
  } catch (error) {
    const { data } = error as Refusal
    failure.value = data?.detail ?? 'The server does not answer. Nothing was brought in; try again in a moment.'
    problems.value = data?.problems ?? []
    return undefined
  } finally {
    isBusy.value = false
  }
}
async function choose(event: Event): Promise<void> {
  file.value = (event.target as HTMLInputElement).files?.[0]
  found.value = undefined
  brought.value = undefined
  found.value = await post<readonly Standing[]>('/api/bring/look')
}
async function bring(ids: 'kept' | 'new'): Promise<void> {
  const answer = await post<Brought>(`/api/bring?ids=${ids}`)
  if (!answer) return
  brought.value = answer
  found.value = undefined
}
const hasClash = computed(() => found.value?.some(({ what, is }) => what === 'batch' && is === 'differs') ?? false)
const hasOtherThings = computed(
  () => found.value?.some(({ what, is }) => what !== 'batch' && is === 'differs') ?? false,
)
const isAnyNew = computed(() => found.value?.some(({ is }) => is === 'new' || is === 'plan') ?? false)

const name = ref('')
const progress = ref<{ done: number; of: number; isOver: boolean }>()
const href = computed(() => `/api/export?name=${name.value}`)
let timer: ReturnType<typeof setInterval> | undefined
/** The browser keeps the file as it comes; how far it is, the server is asked. */
function watchExport(): void {
  clearInterval(timer)
  progress.value = { done: 0, of: 0, isOver: false }
  timer = setInterval(async () => {
    const told = await send<{ done: number; of: number; isOver: boolean }>(
      `/api/export/progress?name=${name.value}`,
    ).catch(() => undefined)
    if (told) progress.value = told
    if (told?.isOver) {
      clearInterval(timer)
      name.value = crypto.randomUUID()
    }
  }, 1000)
}
onMounted(() => (name.value = crypto.randomUUID()))
onUnmounted(() => clearInterval(timer))
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <h1>Take out, bring in</h1>
    <div class="mt-4 grid gap-10 lg:grid-cols-2">
      <section aria-label="Take out">
        <h2 class="text-[16px] text-ink">All of the lab’s data</h2>
        <p class="mt-1 max-w-[38em] text-[14.5px]">
          One archive with every batch, its journal, its pictures and what proves it, the lab’s own tables, templates
          and worksheets. It stays readable without this program. The records on paper are not in it: a batch’s own
          archive has its PDF. The shelf goes out as a table, without its ledgers.
        </p>
        <a class="button mt-3" :href="href" download @click="watchExport">Take everything out</a>
        <div v-if="progress" class="mt-3 max-w-[420px]" role="status">
          <progress
            class="h-3 w-full accent-verdigris"
            :value="progress.done"
            :max="progress.of || 1"
            aria-label="Batches taken out"
          />
          <p class="small">
            {{
              progress.isOver
                ? `All ${progress.of} batches are out.`
                : progress.of > 0
                  ? `${progress.done} of ${progress.of} batches. Cancel it where your browser keeps downloads.`
                  : 'Beginning.'
            }}
          </p>
        </div>
        <p class="small mt-4 max-w-[38em]">
          One batch is taken out on its Record page. For safety copies of the whole installation, ask who keeps the
          server: <code>bin/backup</code>.
        </p>
      </section>
      <section aria-label="Bring in">
        <h2 class="text-[16px] text-ink">Bring in</h2>
        <p class="mt-1 max-w-[38em] text-[14.5px]">
          An archive of a batch or of a lab, a batch’s JSON, a plan of either version, or a lab’s own tables, templates
          and worksheets (lab-tables.json). It is looked at first; nothing that is here is overwritten.
        </p>
        <label class="mt-3 block max-w-[420px]"
          ><span class="label">Archive or JSON file</span>
          <input
            type="file"
            accept=".zip,.json,application/zip,application/json"
            class="field"
            :disabled="isBusy"
            @change="choose"
          />
        </label>
        <p v-if="isBusy" class="mt-2 text-soft" role="status">Reading it.</p>
        <div v-if="failure" class="mt-3 rounded-lg bg-amber-soft p-3 text-amber" role="alert">
          <p>{{ failure }}</p>
          <ul v-if="problems.length > 0" class="mt-1 list-disc pl-5 text-[14px]">
            <li v-for="(one, i) in problems" :key="i">
              <span class="figure">{{ one.at }}</span> {{ one.why }}
            </li>
          </ul>
        </div>
        <template v-if="found">
          <div class="mt-3 max-h-[360px] overflow-auto" tabindex="0" role="region" aria-label="What is in it">
            <table class="w-full border-collapse text-[14px]">
              <thead>
                <tr class="border-b-2 border-ink text-left text-soft">
                  <th class="font-normal">What</th>
                  <th class="text-right font-normal">Entries</th>
                  <th class="pr-3 text-right font-normal">Pictures</th>
                  <th class="font-normal">In this lab</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="(one, i) in found" :key="i" class="border-b border-rule">
                  <td class="py-1 pr-2">
                    <b>{{ one.what === 'batch' ? one.code : kinds[one.what] }}</b> <RichText :text="one.title" />
                  </td>
                  <td class="figure text-right">{{ one.what === 'batch' ? one.entries : '' }}</td>
                  <td class="figure pr-3 text-right">{{ one.what === 'batch' ? one.photos : '' }}</td>
                  <td :class="{ 'text-red': one.is === 'differs' }">
                    {{ words[one.is]
                    }}<template v-if="one.what === 'batch' && one.isCodeTaken"
                      >; its code is another’s here, it gets the next free one</template
                    >
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
          <div class="mt-3 flex flex-wrap gap-3">
            <button type="button" class="button" :disabled="isBusy || hasClash || !isAnyNew" @click="bring('kept')">
              Bring in what is not here
            </button>
            <button type="button" class="button button-quiet" :disabled="isBusy" @click="bring('new')">
              Bring all in as copies
            </button>
          </div>
          <p v-if="hasClash" class="small mt-1">
            What says something else than the batch that is here can only come in as a copy, under ids of its own.
          </p>
          <p v-if="hasOtherThings" class="small mt-1">
            A template or worksheet that says something else comes in with the copies, under another name; a row of the
            tables is left as it is here.
          </p>
        </template>
        <p v-if="brought" class="mt-3 rounded-lg bg-verdigris-soft p-3" role="status">
          {{
            brought.brought.length + brought.things.length === 0
              ? brought.left.length > 0
                ? 'Nothing was brought in.'
                : 'Nothing was brought in: all of it is here.'
              : 'Brought in: '
          }}
          <template v-for="(code, i) in brought.brought" :key="code"
            ><template v-if="i > 0">, </template
            ><NuxtLink class="text-verdigris underline" :to="`/batches/${code}/record`">{{ code }}</NuxtLink></template
          ><template v-for="(title, i) in brought.things" :key="title"
            ><template v-if="i > 0 || brought.brought.length > 0">, </template><RichText :text="title"
          /></template>
          <template v-if="brought.left.length > 0">
            Left as they are here, where they say something else: <RichText :text="brought.left.join('; ')" />.
          </template>
        </p>
      </section>
    </div>
  </main>
</template>
