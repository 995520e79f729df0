<script setup lang="ts">
import { send, useAsked } from '~/composables/useAsked'
import { useBenchStore } from '~/stores/bench'
import { useWhoStore } from '~/stores/who'

interface Told {
  readonly id: string
  readonly name: string
  readonly group: number
  readonly section: string
  readonly shows: { readonly predictions: boolean; readonly explanations: boolean }
  readonly questions: readonly { readonly id: string; readonly when: 'before' | 'after'; readonly text: string }[]
  readonly answers: readonly { readonly question: string; readonly body: string }[]
  readonly helpAt?: string
  readonly asks?: string
  readonly unit?: string
  readonly key?: string
  readonly closesAt?: string
  readonly rubric: readonly { readonly id: string; readonly name: string; readonly points: number }[]
  readonly marks?: readonly {
    readonly criterion: string
    readonly points?: number
    readonly why: string
    readonly comment?: string
  }[]
  readonly total?: { readonly points: number; readonly of: number; readonly open: number }
}
/** A run of a class says which group it is, takes the answers to the class's questions, and asks for help. */
const { code } = defineProps<{ code: string }>()
const emit = defineEmits<{ shows: [shows: Told['shows']] }>()
const who = useWhoStore()
const bench = useBenchStore()
const { isBusy, failure, ask } = useAsked()
const told = shallowRef<Told>()
const typed = ref<Record<string, string>>({})
const isOpen = ref(false)
const path = computed(() => `/api/batches/${encodeURIComponent(code)}/class`)

let asked = 0
async function load(): Promise<void> {
  const mine = (asked += 1)
  try {
    const { class: of } = await send<{ class: Told | null }>(path.value)
    if (mine !== asked || !of) return
    told.value = of
    emit('shows', of.shows)
    for (const { id } of of.questions)
      if (typed.value[id] === undefined) typed.value[id] = of.answers.find(one => one.question === id)?.body ?? ''
  } catch {
    // The strip says nothing that the run needs; it is asked for again with the next change.
  }
}
watch(
  () => code,
  () => {
    told.value = undefined
    typed.value = {}
    void load()
  },
  { immediate: true },
)
watch(() => bench.bench, load)

const savedOf = (id: string): string => told.value?.answers.find(one => one.question === id)?.body ?? ''
const answered = computed(() => told.value?.questions.filter(({ id }) => savedOf(id).trim() !== '').length ?? 0)
const unsaved = computed(() => told.value?.questions.filter(({ id }) => (typed.value[id] ?? '') !== savedOf(id)) ?? [])
const mayWrite = computed(() => who.may('record'))

const help = (): Promise<boolean> =>
  ask(async () => {
    await send(path.value, { method: 'PUT', body: { help: !told.value?.helpAt } })
    await load()
  })
const save = (): Promise<boolean> =>
  ask(async () => {
    for (const { id } of unsaved.value)
      await send(path.value, {
        method: 'PUT',
        body: { answer: { id: crypto.randomUUID(), question: id, body: typed.value[id] ?? '' } },
      })
    await load()
  })
</script>

<template>
  <section
    v-if="told"
    data-chrome
    class="border-b border-rule bg-paper px-[22px] py-1.5 text-[14px]"
    aria-label="Class"
  >
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <b>{{ told.name }}</b>
      <span
        >group {{ told.group }}<template v-if="told.section">, {{ told.section }}</template></span
      >
      <span v-if="told.asks" class="text-soft">sought: {{ told.asks }}</span>
      <span v-if="told.key !== undefined" class="text-verdigris">
        key: <span class="figure">{{ told.key }} {{ told.unit }}</span>
      </span>
      <span v-if="told.total" class="text-verdigris">
        marks: <span class="figure">{{ told.total.points }} of {{ told.total.of }}</span
        ><template v-if="told.total.open > 0">, {{ told.total.open }} open</template>
      </span>
      <button
        v-if="told.questions.length > 0 || told.marks"
        type="button"
        class="min-h-9 text-verdigris underline"
        :aria-expanded="isOpen"
        @click="isOpen = !isOpen"
      >
        Questions: {{ answered }} of {{ told.questions.length }} answered
      </button>
      <button
        v-if="mayWrite"
        type="button"
        class="button button-quiet ml-auto min-h-9 px-3 py-1"
        :class="{ 'border-amber-edge bg-amber-soft text-amber': told.helpAt }"
        :aria-pressed="told.helpAt !== undefined"
        :disabled="isBusy"
        @click="help"
      >
        {{ told.helpAt ? 'Help is asked for: take it back' : 'Ask for help' }}
      </button>
    </div>
    <p v-if="failure" class="text-red" role="alert">{{ failure }}</p>
    <div v-if="isOpen" class="mt-2 grid max-w-[760px] gap-3 pb-2">
      <label v-for="question in told.questions" :key="question.id">
        <span class="label"
          >{{ question.when === 'before' ? 'Before the lab' : 'Afterwards' }}: {{ question.text }}</span
        >
        <textarea v-model="typed[question.id]" class="field min-h-20" maxlength="8000" :readonly="!mayWrite" rows="3" />
      </label>
      <div v-if="mayWrite && told.questions.length > 0">
        <button type="button" class="button" :disabled="isBusy || unsaved.length === 0" @click="save">
          {{ unsaved.length === 0 ? 'Answers are kept' : 'Keep the answers' }}
        </button>
      </div>
      <table v-if="told.marks" class="text-[13.5px]">
        <caption class="text-left font-semibold">
          Marks
        </caption>
        <tbody>
          <tr v-for="(mark, i) in told.marks" :key="mark.criterion" class="border-t border-rule align-top">
            <th scope="row" class="py-1 pr-4 text-left font-normal">{{ told.rubric[i]!.name }}</th>
            <td class="figure whitespace-nowrap py-1 pr-4">{{ mark.points ?? '–' }} of {{ told.rubric[i]!.points }}</td>
            <td class="py-1 text-soft">
              {{ mark.why }} <span v-if="mark.comment" class="text-ink">“{{ mark.comment }}”</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
