<script setup lang="ts">
import { standardUncertainty, statedWords } from '#core/quantity'
import { holdingOf, strengthText, takenOf, type LedgerLine } from '#core/shelf'
import { clockText, dayText } from '#core/record'
import { reader } from '~/utils/reader'
import type { BottlePage } from './bottle'

/** What came in, what went where, and what was there after it; the last first. */
const { bottle } = defineProps<{ bottle: BottlePage; mayCorrect: boolean }>()
const emit = defineEmits<{ correct: [line: LedgerLine] }>()
const lines = computed(() => holdingOf(bottle.label, bottle.facts, bottle.taken.map(takenOf)).lines.toReversed())
const unitOf = (kind: string): string => (kind === 'mass' ? 'g' : 'mL')
const figure = (one: LedgerLine['amount']): string =>
  one ? statedWords(one.value, standardUncertainty(one), unitOf(one.kind)) : ''
const problems = {
  unreadable: 'does not read as an amount: it changes nothing',
  'no-density': 'in another unit, and the density is not known: it changes nothing',
  'no-empty-mass': 'what the empty bottle weighs is not known: it changes nothing',
  'below-empty': 'less than the empty bottle weighs: it changes nothing',
} as const
/** What happened, in words. */
function words({ of }: LedgerLine): string {
  if ('taken' in of) return `Taken for ${of.taken.batch}, {${of.taken.species}}`
  const { fact } = of
  switch (fact.kind) {
    case 'came':
      return 'Came'
    case 'drawn':
      return fact.for ? `Taken for ${fact.for}` : 'Taken'
    case 'weighed':
      return `The bottle weighed ${fact.gross}`
    case 'counted':
      return 'Counted'
    case 'opened':
      return 'Opened'
    case 'emptied':
      return 'Empty'
    case 'seen':
      return 'Seen in its place'
    case 'missing':
      return 'Not found'
    case 'moved':
      return `Moved to ${fact.place}`
    case 'strength':
      return `Found to be ${strengthText(fact.comes)}${fact.why ? `: ${fact.why}` : ''}`
  }
}
const sign = ({ of }: LedgerLine): string =>
  'taken' in of || of.fact.kind === 'drawn' ? '−' : of.fact.kind === 'came' ? '+' : ''
const canCorrect = (line: LedgerLine): boolean => 'fact' in line.of && !line.isStruck
</script>

<template>
  <table class="w-full border-collapse text-[14px]">
    <thead>
      <tr class="border-b-2 border-ink text-left text-soft">
        <th class="py-1 pr-3 font-normal">When</th>
        <th class="pr-3 font-normal">What</th>
        <th class="pr-3 text-right font-normal">Amount</th>
        <th class="pr-3 text-right font-normal">Then there was</th>
        <th v-if="mayCorrect"><span class="sr-only">Correct it</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(line, i) in lines" :key="i" class="border-b border-rule align-top">
        <td class="py-1.5 pr-3 whitespace-nowrap">
          {{ dayText(line.at, reader()) }} <span class="small">{{ clockText(line.at, reader()) }}</span>
        </td>
        <td class="py-1.5 pr-3">
          <NuxtLink
            v-if="'taken' in line.of"
            :to="`/batches/${line.of.taken.batch}/run`"
            class="text-verdigris underline"
            ><RichText :text="words(line)"
          /></NuxtLink>
          <span v-else :class="{ 'line-through': line.isStruck }"><RichText :text="words(line)" /></span>
          <span v-if="line.problem" class="block text-amber">{{ problems[line.problem] }}</span>
          <span v-for="one in line.corrections" :key="one.id" class="small block"
            >corrected: {{ one.why }}{{ one.instead ? `; ${one.instead} instead` : '; struck out' }}</span
          >
        </td>
        <td class="figure py-1.5 pr-3 text-right whitespace-nowrap">
          {{ line.amount ? `${sign(line)}${figure(line.amount)}` : '' }}
        </td>
        <td class="figure py-1.5 pr-3 text-right whitespace-nowrap">{{ figure(line.after) }}</td>
        <td v-if="mayCorrect" class="py-1 text-right">
          <button
            v-if="canCorrect(line)"
            type="button"
            class="min-h-6 text-[13px] text-soft underline"
            :aria-label="`Correct: ${words(line)}`"
            @click="emit('correct', line)"
          >
            Correct
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>
