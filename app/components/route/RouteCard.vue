<script setup lang="ts">
import { behind, type Route } from '#core/route'
import { hoursText, readEquation, wayWords } from '~/utils/routes'

/** A route as a card: its zips, how each stage is won, what goes in and what of it the shelf has, the time, and the one thing to mind. */
const { route, rank, first, isOnShelf, knowsShelf } = defineProps<{
  route: Route
  rank: number
  first: Route
  isOnShelf: (formula: string) => boolean
  knowsShelf: boolean
  isPicked: boolean
  isSending: boolean
  isAlone: boolean
}>()
const emit = defineEmits<{ take: []; pick: [] }>()

const lacks = (one: Route): number => (knowsShelf ? one.needs.filter(text => !isOnShelf(text)).length : 0)
const why = computed(() => route.why)
const worse = computed(() => (route === first ? [] : behind(first, route, lacks)))
const title = computed(
  () =>
    `${['', 'One stage', 'Two stages', 'Three stages', 'Four stages'][route.stages.length]}, ${hoursText(route.minutes)}`,
)
</script>

<template>
  <article class="card min-w-0" :class="rank === 1 && 'border-verdigris'" :aria-label="`Route ${rank}: ${title}`">
    <header class="flex flex-wrap items-baseline justify-between gap-x-4">
      <h2 class="text-[15px] text-ink">
        <span class="figure mr-2 text-soft">{{ rank }}</span>{{ title }}
      </h2>
      <span v-if="route.gases.length > 0" class="small"
        >gives off <FormulaText v-for="gas in route.gases" :key="gas" :text="gas" class="mr-1.5"
      /></span>
    </header>
    <ol class="mt-2 grid gap-2.5">
      <li v-for="(stage, i) in route.stages" :key="stage.equation" class="flex min-w-0 gap-3">
        <ZipSeam closed class="mt-1 h-11 shrink-0" />
        <div class="min-w-0">
          <p class="text-[17px] leading-7 [overflow-wrap:anywhere]">
            <EquationText v-if="readEquation(stage.equation)" :reaction="readEquation(stage.equation)!" />
            <span v-if="stage.catalyst" class="small ml-2"
              >with <FormulaText :text="stage.catalyst" /> as catalyst</span
            >
          </p>
          <p class="text-[14px] text-soft">
            {{ stage.family.charAt(0).toUpperCase() + stage.family.slice(1) }};
            <template v-if="i < route.stages.length - 1 && stage.way === 'leave in the pot'">the pot goes on</template>
            <template v-else>{{ wayWords[stage.way] }} as <FormulaText :text="stage.product.form" /></template>.
            <template v-if="stage.first?.is === 'product'">It comes first of its liquor.</template>
          </p>
        </div>
      </li>
    </ol>
    <p class="mt-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-[14.5px]">
      <span class="small">goes in</span>
      <span v-for="text in route.needs" :key="text" class="whitespace-nowrap"
        ><FormulaText :text="text" /><span
          v-if="knowsShelf && !isOnShelf(text)"
          class="tag ml-1 bg-amber-soft text-amber"
          >to get</span
        ></span
      >
      <span v-if="knowsShelf && route.needs.every(isOnShelf)" class="small">all on the shelf</span>
    </p>
    <p v-if="route.cautions[0]" class="mt-2 text-[14.5px]">
      <span class="tag mr-1.5 bg-amber-soft text-amber">Mind</span><RichText :text="route.cautions[0]" />
    </p>
    <p v-if="route.hazards.length > 0" class="mt-1.5 text-[14.5px]">
      <span class="tag mr-1.5 bg-red-soft text-red">Hazards</span><RichText :text="route.hazards.join('; ')" />
    </p>
    <p v-if="worse.length > 0" class="small mt-1.5">Behind the first by <RichText :text="worse.join('; ')" />.</p>
    <details class="mt-1.5 text-[14px]">
      <summary class="w-fit cursor-pointer text-verdigris underline">Why</summary>
      <p class="mt-1"><RichText :text="why" /></p>
      <p v-for="stage in route.stages" :key="stage.equation" class="mt-1"><RichText :text="stage.why" /></p>
      <p v-for="text in route.cautions.slice(1)" :key="text" class="mt-1"><RichText :text="text" /></p>
      <p class="small mt-1">
        Proposed by rules, not by a cookbook: potentials, solubilities and what boils off. Check it against your own
        sources and your local rules before you weigh.
      </p>
    </details>
    <div class="mt-3 flex flex-wrap gap-2">
      <button type="button" class="button" data-take :disabled="isSending" @click="emit('take')">Plan this one</button>
      <button
        v-if="!isAlone"
        type="button"
        class="min-h-10 rounded-md border border-edge bg-card px-4"
        :class="isPicked && 'border-verdigris bg-verdigris-soft'"
        :aria-pressed="isPicked"
        @click="emit('pick')"
      >
        Compare
      </button>
    </div>
  </article>
</template>
