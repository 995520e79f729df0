<script setup lang="ts">
import { completed, explainQuantity, formatFigure, parseQuantity, type Figure } from '#core/quantity'
import type { ActualStage } from '#core/outcome'

/** What was really charged, what should be left of it, and what came back: typed here once it is dry and weighed. */
const { actual } = defineProps<{ actual: ActualStage }>()
const emit = defineEmits<{ working: [figure: Figure]; recovered: [species: string, value: string] }>()
const lines = computed(() => actual.sheet.reagents.filter(({ planned }) => planned))
const back = (species: string) => actual.recovered.find(one => one.species === species)
const unusable = (species: string) => actual.unusable.find(one => one.species === species)?.read
const typed = reactive<Record<string, string>>({})
const asked = ref<string>()

const whole = (text: string): string => completed(text, 'g').trim()
const readOf = (species: string) =>
  parseQuantity(whole(typed[species] ?? ''), { kinds: ['mass'], name: 'recovered', source: 'recovered', zero: true })
function problemOf(species: string) {
  if (asked.value !== species || !typed[species]?.trim()) return undefined
  const read = readOf(species)
  return read.ok ? undefined : { span: read.problem.span, ...explainQuantity(read.problem) }
}
function record(species: string): void {
  asked.value = species
  if (!typed[species]?.trim() || !readOf(species).ok) return
  emit('recovered', species, whole(typed[species]))
  typed[species] = ''
  asked.value = undefined
}
</script>

<template>
  <section aria-label="What was really charged">
    <h2 class="mb-1 mt-5 text-[15px] text-ink">What was really charged, and what came back</h2>
    <table class="w-full text-[14px]">
      <thead>
        <tr class="text-right text-soft">
          <th class="text-left font-normal">Reagent</th>
          <th class="font-normal">Charged</th>
          <th class="font-normal max-sm:hidden">Moles</th>
          <th class="font-normal max-sm:hidden">Equivalents</th>
          <th class="font-normal">Should be left</th>
          <th class="w-[210px] font-normal max-sm:w-[150px]">Came back, dry</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.species" class="border-t border-rule text-right align-top">
          <td class="py-2 text-left">
            <FormulaText :text="line.weighAs" />
            <span v-if="actual.unread.includes(line.species)" class="tag ml-1 bg-amber-soft text-amber"
              >planned, not read</span
            ><span v-if="unusable(line.species)" class="tag ml-1 bg-red-soft text-red"
              >{{ unusable(line.species) }} read, cannot be used; planned</span
            >
          </td>
          <td class="figure py-2">{{ formatFigure(line.volume ?? line.mass ?? line.amount) }}</td>
          <td class="figure py-2 max-sm:hidden">{{ formatFigure(line.amount) }}</td>
          <td class="figure py-2 max-sm:hidden">
            {{ line.limits ? '1' : formatFigure(line.equivalents) }}
            <span v-if="line.limits" class="tag bg-verdigris-soft font-sans text-verdigris">limits</span>
          </td>
          <td class="figure py-2">{{ line.limits ? 'none' : formatFigure(line.leftover.mass) }}</td>
          <td class="py-1 pl-3">
            <span v-if="!line.volume" class="flex items-start justify-end gap-2 max-sm:flex-wrap">
              <button
                v-if="back(line.species)"
                type="button"
                class="figure pt-2 underline decoration-dotted"
                :aria-label="`${line.species} came back: ${formatFigure(back(line.species)!.found)}. Show the working`"
                @click="emit('working', back(line.species)!.found)"
              >
                {{ formatFigure(back(line.species)!.found) }}
              </button>
              <span class="w-[104px]"
                ><QuantityField
                  :model-value="typed[line.species] ?? ''"
                  hidden
                  :label="`${line.species} that came back`"
                  :placeholder="back(line.species) ? 'again, g' : 'g'"
                  :problem="problemOf(line.species)"
                  @update:model-value="typed[line.species] = $event"
                  @enter="record(line.species)"
              /></span>
              <button type="button" class="button button-quiet px-2" @click="record(line.species)">
                Keep<span class="sr-only"> what came back of {{ line.species }}</span>
              </button>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
