<script setup lang="ts">
import { formatDistanceToNow } from 'date-fns'

interface Slow {
  readonly sql: string
  readonly count: number
  readonly total: number
  readonly longest: number
}
interface Process {
  readonly id: string
  readonly host: string
  readonly pid: number
  readonly begunAt: string
  readonly memory: number
  readonly lag: number
  readonly streams: number
  readonly waiting: number
  readonly jobs: number
  readonly connections: { readonly busy: number; readonly free: number; readonly wanted: number }
  readonly answers: {
    readonly count: number
    readonly failed: number
    readonly median: number
    readonly slowest20th: number
    readonly seconds: number
  }
  readonly disk?: { readonly free: number; readonly total: number }
  readonly isStopping: boolean
  readonly slow: readonly Slow[]
}
interface Load {
  readonly at: string
  readonly warnings: readonly { readonly about: string; readonly why: string; readonly fix: string }[]
  readonly processes: readonly Process[]
  readonly database: {
    readonly size: number
    readonly tables: readonly { readonly name: string; readonly bytes: number; readonly rows: number }[]
    readonly connections: { readonly all: number; readonly busy: number; readonly most: number }
    readonly oldest: number
    readonly followers: number
    readonly labs: number
    readonly queue: Readonly<Record<string, { waiting: number; running: number; failed: number }>>
    readonly backup?: { readonly at: string; readonly bytes: number }
    readonly anchor?: { readonly day: string }
  }
}

/** How the installation stands, for whoever looks after it; it tells of no lab. */
useHead({ title: 'The installation · Zip Ledger' })
const load = ref<Load>()
const failed = ref('')
/** ms. Processes tell of themselves as often. */
const EVERY = 10_000
async function look(): Promise<void> {
  try {
    load.value = await $fetch<Load>('/api/load', { retry: 0 })
    failed.value = ''
  } catch (error) {
    failed.value =
      (error as { data?: { detail?: string } }).data?.detail ?? 'It cannot be read just now; it is asked for again.'
  }
}
let timer: ReturnType<typeof setInterval> | undefined
onMounted(() => {
  void look()
  timer = setInterval(look, EVERY)
})
onUnmounted(() => clearInterval(timer))

const queueWords: Readonly<Record<string, string>> = {
  briefs: 'Briefs of batches made anew',
  anchors: 'Ends of chains published, once a day',
  tidy: 'What has ended taken away, once an hour',
}
const digits = new Intl.NumberFormat('en', { maximumFractionDigits: 0 })
const plain = (number: number): string => digits.format(number).replaceAll(',', '\u202f')
function bytes(number: number): string {
  const [unit, by] = number >= 1e9 ? ['GB', 1e9] : number >= 1e6 ? ['MB', 1e6] : ['kB', 1e3]
  return `${(number / by).toFixed(number / by < 10 ? 1 : 0)}\u202f${unit}`
}
const ago = (at: string): string => formatDistanceToNow(new Date(at), { addSuffix: true })
/** Of all processes together, the statements that took most. */
const slow = computed((): Slow[] => {
  const all = new Map<string, Slow>()
  for (const one of (load.value?.processes ?? []).flatMap(({ slow }) => slow)) {
    const before = all.get(one.sql)
    all.set(one.sql, {
      sql: one.sql,
      count: one.count + (before?.count ?? 0),
      total: one.total + (before?.total ?? 0),
      longest: Math.max(one.longest, before?.longest ?? 0),
    })
  }
  return [...all.values()].toSorted((a, b) => b.total - a.total).slice(0, 10)
})
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <h1>The installation</h1>
    <p class="small mt-1">
      All labs of it together: what it does, and what it holds. Nothing of what a lab writes stands here.
    </p>
    <p v-if="failed" class="mt-4 rounded-lg bg-amber-soft p-3 text-amber" role="alert">{{ failed }}</p>
    <p v-else-if="!load" class="mt-4 text-soft" aria-busy="true">Asking the processes.</p>
    <template v-if="load">
      <section class="mt-5 max-w-[860px]" aria-label="What to look at">
        <p v-if="load.warnings.length === 0" class="rounded-lg bg-verdigris-soft p-3">Nothing needs looking at.</p>
        <ul v-else class="grid gap-2">
          <li v-for="(one, i) in load.warnings" :key="i" class="rounded-lg bg-amber-soft p-3">
            <b class="text-amber">{{ one.about }}.</b> {{ one.why }}
            <span class="block text-[15px]">{{ one.fix }}</span>
          </li>
        </ul>
      </section>

      <section class="mt-7" aria-label="Processes">
        <h2>Processes</h2>
        <div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Processes, as a table">
          <table class="w-full min-w-[760px] border-collapse text-[14.5px]">
            <thead>
              <tr class="border-b-2 border-ink text-left text-[13.5px] text-soft">
                <th class="py-2 font-normal">Process</th>
                <th class="font-normal">Begun</th>
                <th class="text-right font-normal">Answers a second</th>
                <th class="text-right font-normal">Half within</th>
                <th class="text-right font-normal">19 of 20 within</th>
                <th class="text-right font-normal">Pages listening</th>
                <th class="text-right font-normal">Waiting</th>
                <th class="text-right font-normal">Comes late by</th>
                <th class="text-right font-normal">Memory</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in load.processes" :key="one.id" class="border-b border-rule">
                <td class="h-10">
                  {{ one.host }} <span class="figure text-soft">{{ one.pid }}</span><span
                    v-if="one.isStopping"
                    class="tag ml-2"
                    >stopping</span
                  >
                </td>
                <td>{{ ago(one.begunAt) }}</td>
                <td class="figure text-right">{{ (one.answers.count / one.answers.seconds).toFixed(1) }}</td>
                <td class="figure text-right">{{ one.answers.median }} ms</td>
                <td class="figure text-right">{{ one.answers.slowest20th }} ms</td>
                <td class="figure text-right">{{ plain(one.streams) }}</td>
                <td class="figure text-right">{{ plain(one.waiting + one.jobs + one.connections.wanted) }}</td>
                <td class="figure text-right">{{ one.lag }} ms</td>
                <td class="figure text-right">{{ bytes(one.memory) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="load.processes.length === 0" class="mt-2 text-soft">
          None has told of itself yet; each does within ten seconds of its start.
        </p>
      </section>

      <div class="mt-7 grid gap-x-10 gap-y-7 lg:grid-cols-2">
        <section aria-label="The database">
          <h2>The database</h2>
          <dl class="mt-2 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5 text-[15px]">
            <dt class="text-soft">Labs</dt>
            <dd class="figure">{{ plain(load.database.labs) }}</dd>
            <dt class="text-soft">Size</dt>
            <dd class="figure">{{ bytes(load.database.size) }}</dd>
            <dt class="text-soft">Connections</dt>
            <dd>
              <span class="figure">{{ load.database.connections.all }} of {{ load.database.connections.most }}</span
              >, <span class="figure">{{ load.database.connections.busy }}</span> at work
            </dd>
            <dt class="text-soft">Oldest transaction</dt>
            <dd class="figure">{{ load.database.oldest.toFixed(1) }} s</dd>
            <dt class="text-soft">Machines that follow</dt>
            <dd>
              <span class="figure">{{ load.database.followers }}</span><template v-if="load.database.followers === 0"
                >, so nothing takes over if this one fails</template
              >
            </dd>
            <template v-for="one in load.processes.slice(0, 1)" :key="one.id">
              <dt v-if="one.disk" class="text-soft">Disk of {{ one.host }}</dt>
              <dd v-if="one.disk" class="figure">{{ bytes(one.disk.free) }} free of {{ bytes(one.disk.total) }}</dd>
            </template>
            <dt class="text-soft">Last backup</dt>
            <dd>
              <template v-if="load.database.backup"
                >{{ ago(load.database.backup.at) }},
                <span class="figure">{{ bytes(load.database.backup.bytes) }}</span></template
              ><template v-else>none by bin/backup</template>
            </dd>
            <dt class="text-soft">Chains published</dt>
            <dd class="figure">{{ load.database.anchor?.day ?? 'not yet' }}</dd>
          </dl>
        </section>
        <section aria-label="Largest tables">
          <h2>Largest tables</h2>
          <table class="mt-2 w-full border-collapse text-[14.5px]">
            <thead>
              <tr class="border-b-2 border-ink text-left text-[13.5px] text-soft">
                <th class="py-2 font-normal">Table</th>
                <th class="text-right font-normal">Rows, about</th>
                <th class="text-right font-normal">Size</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in load.database.tables" :key="one.name" class="border-b border-rule">
                <td class="figure py-1">{{ one.name }}</td>
                <td class="figure text-right">{{ plain(one.rows) }}</td>
                <td class="figure text-right">{{ bytes(one.bytes) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section aria-label="The queue">
          <h2>The queue</h2>
          <table class="mt-2 w-full border-collapse text-[14.5px]">
            <thead>
              <tr class="border-b-2 border-ink text-left text-[13.5px] text-soft">
                <th class="py-2 font-normal">Done once, by one of them</th>
                <th class="text-right font-normal">Waiting</th>
                <th class="text-right font-normal">Running</th>
                <th class="text-right font-normal">Failed</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(one, name) in load.database.queue" :key="name" class="border-b border-rule">
                <td class="py-1">{{ queueWords[name] ?? name }}</td>
                <td class="figure text-right">{{ one.waiting }}</td>
                <td class="figure text-right">{{ one.running }}</td>
                <td class="figure text-right">{{ one.failed }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section aria-label="Statements that took most time" class="min-w-0 lg:col-span-2">
          <h2>Statements that took most time</h2>
          <div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Statements, as a table">
            <table class="w-full min-w-[640px] table-fixed border-collapse text-[14.5px]">
              <thead>
                <tr class="border-b-2 border-ink text-left text-[13.5px] text-soft">
                  <th class="py-2 font-normal">Statement, without its values</th>
                  <th class="w-24 text-right font-normal">Times</th>
                  <th class="w-24 text-right font-normal">Mean</th>
                  <th class="w-24 text-right font-normal">Longest</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="one in slow" :key="one.sql" class="border-b border-rule">
                  <td class="figure truncate py-1 text-[13px]" :title="one.sql">{{ one.sql }}</td>
                  <td class="figure text-right">{{ plain(one.count) }}</td>
                  <td class="figure text-right">{{ (one.total / one.count).toFixed(1) }} ms</td>
                  <td class="figure text-right">{{ plain(one.longest) }} ms</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
      </div>
      <p class="small mt-6">
        Figures for Prometheus are at <span class="figure">/metrics</span>; what wakes somebody is in
        <span class="figure">deploy/alerts.yml</span>.
      </p>
    </template>
  </main>
</template>
