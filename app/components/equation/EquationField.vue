<script setup lang="ts">
import { suggestMissing } from '#core/equation'
import { explainPlan, readReaction, spanOf } from '#core/sheet'
import { writeOutNames } from '#core/species'

/** An equation as it is typed: balanced with every key, or told why it is not, under the characters that cause it. */
const text = defineModel<string>({ required: true })
const { label, hint = '' } = defineProps<{ label: string; hint?: string }>()

const id = useId()
const touched = ref(false)
/** Names stand as formulas once the field is left; till then they are read as if they did. */
const written = computed(() => writeOutNames(text.value))
const read = computed(() => readReaction(written.value))
function leave(): void {
  touched.value = text.value !== ''
  if (read.value.ok && written.value !== text.value) text.value = written.value
}
const isUnfinished = computed(
  () =>
    !read.value.ok && ['equation.empty', 'equation.no-arrow', 'equation.empty-side'].includes(read.value.problem.code),
)
/** Several reactions are no mistake: the chemist says on the sheet which one runs. */
const isSeveral = computed(() => !read.value.ok && read.value.problem.code === 'sheet.several-reactions')
const problem = computed(() => {
  if (read.value.ok || (isUnfinished.value && !touched.value)) return undefined
  const found = { path: [], problem: read.value.problem }
  return { span: spanOf(found), ...explainPlan(found) }
})
/** Looked for once the typing rests, since there are some hundreds to try. */
const suggestions = ref<string[]>([])
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  text,
  typed => {
    clearTimeout(timer)
    suggestions.value = []
    if (read.value.ok || read.value.problem.code !== 'equation.impossible') return
    timer = setTimeout(() => {
      suggestions.value = suggestMissing(writeOutNames(typed))
    }, 250)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(timer))
</script>

<template>
  <div>
    <label class="label" :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="text"
      class="field figure"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      :aria-invalid="!!problem && !isSeveral"
      :aria-describedby="`${id}-note`"
      @blur="leave"
      @keydown.enter="leave"
    />
    <div :id="`${id}-note`" class="mt-1 flex min-h-[64px] gap-3" role="status">
      <ZipSeam v-if="read.ok || problem" :closed="read.ok || isSeveral" class="mt-1 h-12 shrink-0" />
      <div class="min-w-0 pt-0.5">
        <span v-if="problem && isSeveral" class="block text-[13.5px]"
          ><RichText :text="problem.why" /> <span class="text-soft">You say on the sheet which one runs.</span></span
        >
        <ProblemText v-else-if="problem" :text="text" :span="problem.span" :why="problem.why" :fix="problem.fix" />
        <span v-else-if="read.ok" class="text-[17px] leading-7"
          ><EquationText :reaction="read.value" /><span class="small block"
            >Balanced: every element is accounted for.</span
          ></span
        >
        <span v-else class="small">{{ hint }}</span>
        <ul v-if="suggestions.length > 0" class="mt-1 text-[13.5px]" aria-label="It would balance as">
          <li v-for="one in suggestions" :key="one">
            It balances as
            <button type="button" class="figure rounded text-verdigris underline" @click="text = one">{{ one }}</button>
          </li>
        </ul>
      </div>
    </div>
  </div>
</template>
