<script setup lang="ts">
import type { Criterion, Mark } from '#core/classroom'
import { send, useAsked } from '~/composables/useAsked'

interface Row {
  readonly group: { readonly number: number; readonly section: string; readonly batch: string }
  readonly members: readonly string[]
  readonly answers: readonly { readonly question: string; readonly body: string }[]
  readonly marks: readonly Mark[]
  readonly total: { readonly points: number; readonly of: number; readonly open: number }
}
interface Told {
  readonly rubric: readonly Criterion[]
  readonly questions: readonly { readonly id: string; readonly text: string }[]
  readonly rows: readonly Row[]
}
/** The rubric over all benches: what its rules give, and what is given by hand. A press on a mark opens it. */
const { id } = defineProps<{ id: string }>()
const told = shallowRef<Told>()
const hasFailed = ref(false)
const open = ref<{ readonly group: number; readonly criterion: string }>()
const points = ref('')
const comment = ref('')
const { isBusy, failure, problems, ask } = useAsked()

async function load(): Promise<void> {
  try {
    told.value = await send<Told>(`/api/classes/${id}/marks`)
    hasFailed.value = false
  } catch {
    hasFailed.value = true
  }
}
onMounted(load)
defineExpose({ load })
const at = computed(() => told.value?.rows.find(({ group }) => group.number === open.value?.group))
const mark = computed(() => at.value?.marks.find(({ criterion }) => criterion === open.value?.criterion))
const rule = computed(() => told.value?.rubric.find(({ id: of }) => of === open.value?.criterion))
function choose(row: Row, one: Mark): void {
  open.value = { group: row.group.number, criterion: one.criterion }
  points.value = one.byHand ? String(one.points ?? '') : ''
  comment.value = one.comment ?? ''
}
const pointsWhy = computed(() => {
  if (problems.value.points) return problems.value.points
  const text = points.value.trim()
  return text === '' || /^\d+(\.\d)?$/.test(text) ? '' : 'Give a number such as 7 or 7.5, or leave it empty.'
})
async function give(): Promise<void> {
  if (!open.value || pointsWhy.value) return
  const text = points.value.trim()
  const done = await ask(() =>
    send(`/api/classes/${id}/marks`, {
      method: 'POST',
      body: { ...open.value, points: text === '' ? null : Number(text), comment: comment.value },
    }),
  )
  if (done) await load()
}
</script>

<template>
  <p v-if="hasFailed" class="text-amber" role="status">
    The marks could not be read. <button type="button" class="text-verdigris underline" @click="load">Try again</button>
  </p>
  <p v-else-if="!told" class="text-soft" aria-busy="true">Reading the runs.</p>
  <div v-else class="grid gap-4 xl:grid-cols-[minmax(0,1fr)_360px]">
    <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Marks">
      <table class="w-full min-w-[640px] text-[14px]">
        <thead>
          <tr class="small text-left align-bottom">
            <th scope="col" class="py-1 pr-3 font-normal">Group</th>
            <th scope="col" class="py-1 pr-3 font-normal">Who</th>
            <th v-for="one in told.rubric" :key="one.id" scope="col" class="py-1 pr-3 text-right font-normal">
              {{ one.name }}, {{ one.points }}
            </th>
            <th scope="col" class="py-1 text-right font-normal">Total</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in told.rows" :key="row.group.number" class="border-t border-rule">
            <td class="figure py-1 pr-3">{{ row.group.number }}</td>
            <td class="py-1 pr-3">{{ row.members.join(', ') }}</td>
            <td v-for="one in row.marks" :key="one.criterion" class="py-1 pr-3 text-right">
              <button
                type="button"
                class="figure min-h-8 min-w-12 rounded border px-1.5 hover:border-ink"
                :class="
                  open?.group === row.group.number && open.criterion === one.criterion
                    ? 'border-verdigris bg-verdigris-soft'
                    : 'border-rule'
                "
                :aria-label="`Group ${row.group.number}, ${one.criterion}: ${one.points ?? 'open'} of ${one.of}${one.byHand ? ', by hand' : ''}`"
                @click="choose(row, one)"
              >
                {{ one.points ?? '–' }}<span v-if="one.byHand" aria-hidden="true">*</span>
              </button>
            </td>
            <td class="figure py-1 text-right font-semibold">
              {{ row.total.points }}<span v-if="row.total.open > 0" class="small"> +{{ row.total.open }} open</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="small mt-1">* given by hand; the others by the rubric’s rules, which say why.</p>
    </div>
    <aside v-if="at && mark && rule" class="rounded-lg border border-rule bg-paper px-4 py-3" aria-label="One mark">
      <h2 class="text-[15px] text-ink">
        Group {{ at.group.number }}: {{ rule.name }}
        <NuxtLink :to="`/batches/${at.group.batch}/record`" class="ml-2 text-[13.5px] text-verdigris underline"
          >its record</NuxtLink
        >
      </h2>
      <p class="mt-1 text-[14px]">
        <b class="figure">{{ mark.points ?? '–' }} of {{ mark.of }}</b> {{ mark.why }}
      </p>
      <dl v-if="rule.by === 'answers'" class="mt-2 text-[14px]">
        <template v-for="question in told.questions" :key="question.id">
          <dt class="font-semibold">{{ question.text }}</dt>
          <dd class="mb-2 whitespace-pre-wrap">
            {{ at.answers.find(one => one.question === question.id)?.body || 'Not answered.' }}
          </dd>
        </template>
      </dl>
      <form class="mt-2 grid gap-2" @submit.prevent="give">
        <label
          ><span class="label">Points by hand, 0 to {{ mark.of }}; empty for what the rule gives</span
          ><input v-model="points" class="field figure" inputmode="decimal" :aria-invalid="pointsWhy !== ''"
        /></label>
        <p v-if="pointsWhy" class="text-[13.5px] text-red">{{ pointsWhy }}</p>
        <label
          ><span class="label">Comment, shown to the group with its marks</span
          ><textarea v-model="comment" class="field" rows="3" maxlength="1000" />
        </label>
        <p v-if="failure" class="text-red" role="alert">{{ failure }}</p>
        <div><button class="button" :disabled="isBusy || pointsWhy !== ''">Keep it</button></div>
      </form>
    </aside>
  </div>
</template>
