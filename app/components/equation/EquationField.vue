<script setup lang="ts">
import { explainPlan, readReaction, spanOf } from '#core/sheet'

/** An equation as it is typed: balanced with every key, or told why it is not, under the characters that cause it. */
const text = defineModel<string>({ required: true })
const { label, hint = '' } = defineProps<{ label: string; hint?: string }>()

const id = useId()
const touched = ref(false)
const read = computed(() => readReaction(text.value))
const isUnfinished = computed(
  () =>
    !read.value.ok && ['equation.empty', 'equation.no-arrow', 'equation.empty-side'].includes(read.value.problem.code),
)
const problem = computed(() => {
  if (read.value.ok || (isUnfinished.value && !touched.value)) return undefined
  const found = { path: [], problem: read.value.problem }
  return { span: spanOf(found), ...explainPlan(found) }
})
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
      :aria-invalid="!!problem"
      :aria-describedby="`${id}-note`"
      @blur="touched = text !== ''"
    />
    <div :id="`${id}-note`" class="mt-1 flex min-h-[64px] gap-3" role="status">
      <ZipSeam v-if="read.ok || problem" :closed="read.ok" class="mt-1 h-12 shrink-0" />
      <p class="min-w-0 pt-0.5">
        <ProblemText v-if="problem" :text="text" :span="problem.span" :why="problem.why" :fix="problem.fix" />
        <span v-else-if="read.ok" class="text-[17px] leading-7"
          ><EquationText :reaction="read.value" /><span class="small block"
            >Balanced: every element is accounted for.</span
          ></span
        >
        <span v-else class="small">{{ hint }}</span>
      </p>
    </div>
  </div>
</template>
