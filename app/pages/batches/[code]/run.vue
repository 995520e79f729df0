<script setup lang="ts">
import { cropsOf, weighingOf, type About, type JournalLine, type Measure } from '#core/journal'
import { colourOf, parseFormula } from '#core/formula'
import { formatFigure, product } from '#core/quantity'
import { findReagent } from '#core/sheet'
import { moveWords } from '#core/solution'
import { judgeBatch, sheetNotes, yieldNotes, type MarginNote } from '#core/result'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import { useLabStore } from '~/stores/lab'
import { useLibraryStore } from '~/stores/library'

const batch = useBatchStore()
const journal = useJournalStore()
const lab = useLabStore()
const library = useLibraryStore()
const stage = computed(() => batch.stage!)
const sheet = computed(() => batch.stageSheet)

interface Target {
  readonly about: About
  readonly name: string
  readonly planned: string
  readonly byVolume: boolean
  readonly grams: number
  readonly isDone: boolean
}
const newCrop = ref(0)
const expectedProduct = computed(() => {
  const made = sheet.value?.products[0]?.theoretical
  const read = batch.readStage
  return made && read && product('expected product', 'mass', [made, read.yield])
})

const targets = computed((): Target[] => {
  const charges = (sheet.value?.reagents ?? [])
    .filter(({ planned, species }) => planned && findReagent(stage.value, species)?.supply.kind !== 'stage')
    .map((line): Target => {
      const about: About = { what: 'charge', stage: stage.value.id, species: line.species }
      const figure = line.volume ?? line.mass
      return {
        about,
        name: `{${line.weighAs}}`,
        planned: figure ? formatFigure(figure, 4) : '',
        byVolume: !!line.volume,
        grams: line.mass?.value ?? 10,
        isDone: !!weighingOf(journal.lines, about).net,
      }
    })
  const form = stage.value.product.form ?? stage.value.product.species
  const expected = expectedProduct.value
  const crops = [
    ...new Set([...cropsOf(journal.lines, stage.value.id), 1, ...(newCrop.value ? [newCrop.value] : [])]),
  ].sort((a, b) => a - b)
  const pot: Target = {
    about: { what: 'pot', stage: stage.value.id },
    name: 'the pot',
    planned: 'temperature, volume',
    byVolume: true,
    grams: 10,
    isDone: false,
  }
  if (stage.value.inPot) return [...charges, pot]
  return [
    ...charges,
    ...crops.map((crop): Target => {
      const about: About = { what: 'product', stage: stage.value.id, crop }
      return {
        about,
        name: crops.length > 1 ? `{${form}}, crop ${crop}` : `{${form}}`,
        planned: expected ? `expected ${formatFigure(expected, 4)}` : '',
        byVolume: false,
        grams: expected?.value ?? 10,
        isDone: !!weighingOf(journal.lines, about).net,
      }
    }),
    pot,
  ]
})

const chosen = ref('')
const keyOf = (about: About): string =>
  about.what === 'charge' ? about.species : about.what === 'product' ? `crop ${about.crop}` : 'pot'
const target = computed(
  () =>
    targets.value.find(({ about }) => keyOf(about) === chosen.value) ??
    targets.value.find(({ isDone, about }) => !isDone && about.what !== 'pot') ??
    targets.value[0],
)
const weighing = computed(() => (target.value ? weighingOf(journal.lines, target.value.about) : {}))
const verb = computed(() =>
  !target.value
    ? ''
    : target.value.about.what === 'pot'
      ? 'Read'
      : target.value.about.what === 'product'
        ? 'Weigh the product,'
        : target.value.byVolume
          ? 'Measure'
          : 'Weigh',
)

/** Stays on the charge at hand while its weighing is half done. */
function record(measure: Measure, value: string, instrument?: string): void {
  if (!target.value) return
  chosen.value = keyOf(target.value.about)
  journal.record({
    kind: 'reading',
    about: target.value.about,
    measure,
    value,
    typed: instrument === undefined,
    ...(instrument ? { instrument } : {}),
  })
}

function addCrop(): void {
  newCrop.value = Math.max(0, ...cropsOf(journal.lines, stage.value.id)) + 1
  chosen.value = `crop ${newCrop.value}`
}

/** What is seen most often, to be pressed with a gloved finger. */
const chips = ['fizzing stopped', 'all dissolved', 'solid left at the bottom', 'clear', 'cloudy', 'crystals'] as const
const planned = computed(() => (stage.value.crystals?.moves ?? []).map(moveWords))
const words = ref('')
const colour = computed(() => {
  const read = parseFormula(stage.value.product.form ?? stage.value.product.species)
  return read.ok ? colourOf(read.value, library.substances) : undefined
})
function observe(text: string): void {
  journal.record({ kind: 'observation', stage: stage.value.id, text })
}
function keepWords(kind: 'observation' | 'note'): void {
  if (words.value.trim() === '') return
  journal.record({ kind, stage: stage.value.id, text: words.value.trim() })
  words.value = ''
}

const correcting = ref<JournalLine>()
function correct(why: string, instead: string | undefined): void {
  journal.record({
    kind: 'correction',
    corrects: correcting.value!.entry.id,
    why,
    ...(instead === undefined ? {} : { instead }),
  })
  correcting.value = undefined
}

const notes = computed((): MarginNote[] => {
  if (!batch.read?.ok) return []
  const actual = judgeBatch(batch.read.value, journal.lines, stage.value.id)
  return actual.ok && batch.setting
    ? [
        ...yieldNotes(actual.value).filter(({ tag }) => tag !== 'Not read'),
        ...sheetNotes(actual.value.sheet, batch.setting).filter(({ tone }) => tone !== 'info'),
      ]
    : []
})
</script>

<template>
  <div class="run-page grid min-h-0 flex-1">
    <main class="min-w-0 bg-sheet px-6 py-[18px]">
      <p v-if="!sheet" class="text-[17px]">
        The sheet has no figures yet:
        <NuxtLink :to="`/batches/${batch.code}/sheet`" class="text-verdigris underline"
          >give a charge or a target</NuxtLink
        >, then weigh against it here.
      </p>
      <template v-else-if="target">
        <nav class="mb-4 flex flex-wrap gap-2" aria-label="What to weigh">
          <button
            v-for="one in targets"
            :key="keyOf(one.about)"
            type="button"
            class="glove rounded-lg border px-4 py-1.5 text-left leading-tight"
            :aria-pressed="one === target"
            :class="one === target ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-edge bg-white'"
            @click="chosen = keyOf(one.about)"
          >
            <RichText :text="one.name" /><span class="small block"
              ><template v-if="one.isDone">✓ read</template><template v-else>{{ one.planned }}</template></span
            >
          </button>
          <button
            type="button"
            class="glove rounded-lg border border-dashed border-edge px-4 text-soft"
            @click="addCrop"
          >
            Another crop
          </button>
        </nav>
        <h1 class="text-[28px]">
          {{ verb }} <span v-if="target.about.what === 'charge'" class="figure">{{ target.planned }}</span>
          <template v-if="target.about.what === 'charge'">{{ ' of ' }}</template><RichText :text="target.name" />
        </h1>
        <p class="mt-1 text-[15px] text-soft">
          {{
            target.about.what === 'pot'
              ? 'Temperature first, then the volume at it: they go onto the crystals’ chart.'
              : target.about.what === 'product'
                ? `The sheet: ${target.planned}. A hot vessel weighs wrong; let it cool first.`
                : 'Read it once, at the instrument. What counts is what was charged, not what was planned.'
          }}
        </p>
        <div class="mt-4 grid gap-4 lg:grid-cols-2">
          <ReadingCard :about="target.about" :weighing="weighing" :by-volume="target.byVolume" @record="record" />
          <BalancePanel v-if="target.about.what !== 'pot'" :hands="target.grams" @take="record" />
        </div>
        <section class="card mt-4" aria-label="Observations">
          <div class="flex items-baseline justify-between">
            <h2>What do you see?</h2>
            <span v-if="colour" class="small"
              >the product should be {{ colour.word }} <ColourSwatch :colour="colour"
            /></span>
          </div>
          <div class="mt-2 flex flex-wrap gap-2">
            <button
              v-for="chip in chips"
              :key="chip"
              type="button"
              class="button button-quiet glove px-4"
              @click="observe(chip)"
            >
              {{ chip }}
            </button>
          </div>
          <div v-if="planned.length > 0" class="mt-3 border-t border-rule pt-2">
            <h3 class="small mb-1">The crystals, as planned: press what is done</h3>
            <div class="flex flex-wrap gap-2">
              <button
                v-for="(text, i) in planned"
                :key="i"
                type="button"
                class="button button-quiet glove px-4"
                @click="observe(text)"
              >
                {{ text }}
              </button>
            </div>
          </div>
          <form class="mt-3 flex gap-2" @submit.prevent="keepWords('observation')">
            <input
              v-model="words"
              class="field min-h-12"
              aria-label="In words"
              placeholder="In words, such as: filtrate clear, rose red"
              maxlength="4000"
            />
            <button type="submit" class="button glove">Seen</button
            ><button type="button" class="button button-quiet glove" @click="keepWords('note')">Note</button>
          </form>
        </section>
      </template>
    </main>
    <div class="border-l border-rule bg-stone">
      <div class="px-4 pt-[18px]">
        <p
          v-if="journal.away && journal.waiting.length > 0"
          class="mb-3 rounded-md bg-amber-soft p-2 text-[13.5px] text-amber"
          role="alert"
        >
          <b>{{ journal.waiting.length }} not saved yet.</b> The database does not answer; they are kept on this device
          and sent when it is back.
        </p>
        <p v-if="journal.refused" class="mb-3 rounded-md bg-red-soft p-2 text-[13.5px] text-red" role="alert">
          <b>An entry was refused.</b> {{ journal.refused.why }}
        </p>
        <JournalTape
          class="max-h-[62vh] overflow-y-auto"
          tabindex="0"
          :lines="journal.lines"
          :waiting="journal.waiting"
          :name-of="lab.nameOf"
          @correct="correcting = $event"
        />
      </div>
      <MarginColumn :notes="notes" class="mt-2 border-l-0" />
    </div>
    <CorrectionDialog :line="correcting" @close="correcting = undefined" @correct="correct" />
  </div>
</template>

<style scoped>
.run-page {
  grid-template-columns: minmax(0, 1fr) 330px;
}
@media (max-width: 1000px) {
  .run-page {
    grid-template-columns: 1fr;
  }
}
</style>
