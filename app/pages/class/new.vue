<script setup lang="ts">
import { usualRubric, type Criterion } from '#core/classroom'
import { useBatchList } from '~/composables/useBatchList'
import { send, useAsked } from '~/composables/useAsked'

/** A class out of any batch: how many benches, how far their amounts lie apart, what is unknown, what students see, how it is marked. */
useHead({ title: 'New class · Zip Ledger' })
const route = useRoute()
const { batches, load } = useBatchList()
onMounted(load)
const { isBusy, failure, problems, ask } = useAsked()

const from = ref(typeof route.query.from === 'string' ? route.query.from : '')
const name = ref('')
const groups = ref('12')
const sections = ref('')
const scatter = ref('10')
const hasUnknown = ref(false)
const asks = ref('')
const unit = ref('%')
const low = ref('')
const high = ref('')
const digits = ref('4')
const predictions = ref(false)
const explanations = ref(false)
const opens = ref('')
const closes = ref('')
const before = ref('')
const after = ref('')
const rubric = ref<readonly Criterion[]>(usualRubric)
const KINDS: Readonly<Record<Criterion['by'], string>> = {
  accuracy: 'against the key',
  precision: 'by the spread of its replicates',
  record: 'by the rules of record keeping',
  answers: 'answers, read by you',
  hand: 'by hand',
}

/** Bands as a person writes them: within 1 % all of it, within 2 % four fifths. */
const bandsText = (one: Criterion): string =>
  (one.bands ?? []).map(({ within, share }) => `${within}: ${Math.round(share * 100)}`).join(', ')
const bandTexts = ref<readonly string[]>(usualRubric.map(bandsText))
function bandsOf(text: string): Criterion['bands'] {
  return text
    .split(',')
    .filter(part => part.trim() !== '')
    .map(part => {
      const [within, share] = part.split(':').map(Number)
      return { within: within!, share: share! / 100 }
    })
}
const bandWhy = (i: number): string => {
  const one = rubric.value[i]
  if (one?.by !== 'accuracy' && one?.by !== 'precision') return ''
  const ok = bandsOf(bandTexts.value[i]!)!.every(({ within, share }) => within >= 0 && share >= 0 && share <= 1)
  return ok && bandTexts.value[i]!.trim() !== '' ? '' : 'Write bands such as 1: 100, 2: 80, 5: 50.'
}
const setPoints = (i: number, text: string): void => {
  rubric.value = rubric.value.map((one, j) => (j === i ? { ...one, points: Number(text) } : one))
}
const takeAway = (i: number): void => {
  rubric.value = rubric.value.filter((_, j) => j !== i)
  bandTexts.value = bandTexts.value.filter((_, j) => j !== i)
}
function add(): void {
  rubric.value = [
    ...rubric.value,
    { id: `own-${rubric.value.length + 1}-${Date.now() % 1000}`, name: 'Own criterion', points: 10, by: 'hand' },
  ]
  bandTexts.value = [...bandTexts.value, '']
}
const rename = (i: number, text: string): void => {
  rubric.value = rubric.value.map((one, j) => (j === i ? { ...one, name: text } : one))
}

const number = (text: string): number => (text.trim() === '' ? NaN : Number(text))
/** What is wrong with a field, as far as it can be told here; the server looks once more. */
const whys = computed((): Record<string, string> => {
  const whole = (text: string, least: number, most: number, why: string): string =>
    Number.isInteger(number(text)) && number(text) >= least && number(text) <= most ? '' : why
  const [a, b] = [number(low.value), number(high.value)]
  return {
    from: from.value.trim() === '' ? 'Choose the batch whose plan the class has.' : (problems.value.from ?? ''),
    name: name.value.trim() === '' ? 'Say what the class is called.' : '',
    groups: whole(groups.value, 1, 60, 'Give 1 to 60 groups.'),
    scatter: number(scatter.value) >= 0 && number(scatter.value) <= 40 ? '' : 'Give 0 to 40 %.',
    asks: hasUnknown.value && asks.value.trim() === '' ? 'Say what is sought.' : '',
    ends: hasUnknown.value && !(a < b) ? 'Give two numbers, the lower one first.' : '',
    digits: hasUnknown.value ? whole(digits.value, 1, 6, 'Give 1 to 6 digits.') : '',
    when: opens.value && closes.value && opens.value >= closes.value ? 'It closes before it opens.' : '',
    rubric: rubric.value.some((one, i) => bandWhy(i) !== '' || !(one.points >= 0))
      ? 'A row of the rubric does not read.'
      : '',
  }
})
const hasTried = ref(false)
const why = (field: string): string => (hasTried.value ? (whys.value[field] ?? '') : '')
const questions = computed(() =>
  [['before', before.value] as const, ['after', after.value] as const].flatMap(([when, text]) =>
    text
      .split('\n')
      .map(line => line.trim())
      .filter(line => line !== '')
      .map((line, i) => ({ id: `${when}-${i + 1}`, when, text: line })),
  ),
)

async function make(): Promise<void> {
  hasTried.value = true
  if (Object.values(whys.value).some(text => text !== '')) return
  const plan = {
    name: name.value.trim(),
    groups: number(groups.value),
    sections: sections.value
      .split(',')
      .map(one => one.trim())
      .filter(one => one !== ''),
    seed: Math.floor(Math.random() * 1_000_000),
    scatter: number(scatter.value),
    ...(hasUnknown.value && {
      unknown: {
        asks: asks.value.trim(),
        unit: unit.value.trim(),
        from: number(low.value),
        to: number(high.value),
        digits: number(digits.value),
      },
    }),
    shows: { predictions: predictions.value, explanations: explanations.value },
    ...(opens.value && { opensAt: new Date(opens.value).toISOString() }),
    ...(closes.value && { closesAt: new Date(closes.value).toISOString() }),
    questions: questions.value,
    rubric: rubric.value.map((one, i) => {
      const { bands: _, ...rest } = one
      return one.by === 'accuracy' || one.by === 'precision' ? { ...rest, bands: bandsOf(bandTexts.value[i]!) } : rest
    }),
  }
  const done = await ask(async () => {
    const { id } = await send<{ id: string }>('/api/classes', {
      method: 'POST',
      body: { from: from.value.trim(), plan },
    })
    await navigateTo(`/class/${id}?show=set-up`)
  })
  if (!done && failure.value === '') failure.value = Object.values(problems.value).join(' ')
}
</script>

<template>
  <main class="min-w-0 flex-1 bg-sheet px-[22px] py-[18px] max-sm:px-4">
    <p class="small"><NuxtLink to="/class" class="text-verdigris underline">Classes</NuxtLink></p>
    <h1>New class</h1>
    <form class="mt-3 grid gap-x-10 gap-y-5 lg:grid-cols-2" @submit.prevent="make">
      <div class="grid content-start gap-3">
        <label
          ><span class="label">From the plan of the batch</span
          ><input
            v-model="from"
            class="field figure"
            list="batches"
            placeholder="NI-014"
            :aria-invalid="why('from') !== ''"
          />
          <datalist id="batches">
            <option v-for="one in batches ?? []" :key="one.code" :value="one.code">{{ one.title }}</option>
          </datalist>
          <span class="block text-[13.5px] text-red">{{ why('from') }}</span></label
        >
        <label
          ><span class="label">Name of the class</span
          ><input v-model="name" class="field" maxlength="120" :aria-invalid="why('name') !== ''" /><span
            class="block text-[13.5px] text-red"
            >{{ why('name') }}</span
          ></label
        >
        <div class="flex flex-wrap gap-4">
          <label class="w-28"
            ><span class="label">Groups</span
            ><input
              v-model="groups"
              class="field figure"
              inputmode="numeric"
              :aria-invalid="why('groups') !== ''"
            /><span class="block text-[13.5px] text-red">{{ why('groups') }}</span></label
          >
          <label class="w-56"
            ><span class="label">Amounts lie apart by, ± %</span
            ><input
              v-model="scatter"
              class="field figure"
              inputmode="decimal"
              :aria-invalid="why('scatter') !== ''"
            /><span class="block text-[13.5px] text-red">{{ why('scatter') }}</span></label
          >
        </div>
        <label
          ><span class="label">Sections to set against each other, with commas; none for one</span
          ><input v-model="sections" class="field" placeholder="Monday, Wednesday"
        /></label>
        <fieldset class="rounded-lg border border-rule px-3 pb-3">
          <legend class="px-1">
            <label class="flex min-h-8 items-center gap-2"
              ><input v-model="hasUnknown" type="checkbox" class="accent-verdigris" />Each group has an unknown in its
              jar</label
            >
          </legend>
          <div v-if="hasUnknown" class="grid gap-3">
            <label
              ><span class="label">What is sought</span
              ><input
                v-model="asks"
                class="field"
                placeholder="zinc in the nutrient salt"
                :aria-invalid="why('asks') !== ''"
              /><span class="block text-[13.5px] text-red">{{ why('asks') }}</span></label
            >
            <div class="flex flex-wrap gap-3">
              <label class="w-24"
                ><span class="label">From</span><input v-model="low" class="field figure" inputmode="decimal"
              /></label>
              <label class="w-24"
                ><span class="label">to</span><input v-model="high" class="field figure" inputmode="decimal"
              /></label>
              <label class="w-24"
                ><span class="label">Unit</span><input v-model="unit" class="field figure" maxlength="20"
              /></label>
              <label class="w-24"
                ><span class="label">Digits</span><input v-model="digits" class="field figure" inputmode="numeric"
              /></label>
            </div>
            <p class="text-[13.5px] text-red">{{ why('ends') }} {{ why('digits') }}</p>
            <p class="small">Drawn for each group, and sealed until you release the key.</p>
          </div>
        </fieldset>
        <fieldset>
          <legend class="label">Students see</legend>
          <label class="flex min-h-8 items-center gap-2"
            ><input v-model="predictions" type="checkbox" class="accent-verdigris" />what the app predicts: the pot, the
            crystals, the wash</label
          >
          <label class="flex min-h-8 items-center gap-2"
            ><input v-model="explanations" type="checkbox" class="accent-verdigris" />what would explain their
            yield</label
          >
        </fieldset>
        <div class="flex flex-wrap gap-4">
          <label
            ><span class="label">Opens, if not at once</span><input v-model="opens" type="datetime-local" class="field"
          /></label>
          <label
            ><span class="label">Closes, if ever</span><input v-model="closes" type="datetime-local" class="field"
          /></label>
          <p class="w-full text-[13.5px] text-red">{{ why('when') }}</p>
        </div>
      </div>
      <div class="grid content-start gap-3">
        <label
          ><span class="label">Questions before the lab, a line each</span
          ><textarea v-model="before" class="field" rows="4" maxlength="4000" />
        </label>
        <label
          ><span class="label">Afterwards: conclusion, questions, a line each</span
          ><textarea v-model="after" class="field" rows="4" maxlength="4000" />
        </label>
        <fieldset>
          <legend class="label">How it is marked</legend>
          <div v-for="(one, i) in rubric" :key="one.id" class="grid gap-1 border-t border-rule py-2">
            <div class="flex flex-wrap items-center gap-2">
              <input
                class="field min-w-40 flex-1"
                :value="one.name"
                maxlength="80"
                :aria-label="`Criterion ${i + 1}`"
                @input="rename(i, ($event.target as HTMLInputElement).value)"
              />
              <input
                class="field figure w-20"
                :value="one.points"
                inputmode="decimal"
                :aria-label="`Points for ${one.name}`"
                @input="setPoints(i, ($event.target as HTMLInputElement).value)"
              />
              <button
                type="button"
                class="min-h-9 text-[14px] text-verdigris underline"
                :aria-label="`Take ${one.name} away`"
                @click="takeAway(i)"
              >
                take away
              </button>
            </div>
            <p class="small">{{ KINDS[one.by] }}</p>
            <label v-if="one.by === 'accuracy' || one.by === 'precision'" class="text-[13.5px]"
              >Within so many %: so much of the points, %
              <input
                class="field figure"
                :value="bandTexts[i]"
                :aria-invalid="bandWhy(i) !== ''"
                @input="
                  bandTexts = bandTexts.map((text, j) => (i === j ? ($event.target as HTMLInputElement).value : text))
                "
              /><span class="block text-red">{{ bandWhy(i) }}</span></label
            >
          </div>
          <button type="button" class="mt-1 min-h-9 text-verdigris underline" @click="add">
            Add a criterion, marked by hand
          </button>
        </fieldset>
        <p v-if="failure" class="text-red" role="alert">{{ failure }}</p>
        <p v-else-if="hasTried && Object.values(whys).some(text => text !== '')" class="text-red" role="alert">
          Something above does not read yet.
        </p>
        <div><button class="button" :disabled="isBusy">Make the class</button></div>
      </div>
    </form>
  </main>
</template>
