<script setup lang="ts">
import { explainFormula, parseFormula } from '#core/formula'
import { useLibraryStore } from '~/stores/library'

/** A substance of the lab's own: what the sheet, the margin and the drying need to know of it. */
const emit = defineEmits<{ done: [] }>()
const library = useLibraryStore()
const draft = reactive({
  formula: '',
  name: '',
  state: 'solid' as 'solid' | 'liquid' | 'gas',
  water: 'soluble' as 'soluble' | 'slightly' | 'insoluble' | 'reacts',
  waters: '0',
  colour: 'white',
  swatch: '#f3f2ee',
  hazards: '',
})
const asked = ref(false)
const failure = ref('')
const isSending = ref(false)
const read = computed(() => parseFormula(draft.formula))
const formulaProblem = computed(() =>
  !asked.value || read.value.ok ? undefined : { ...explainFormula(read.value.problem) },
)
const waters = computed(() =>
  draft.waters
    .split(/[\s,;]+/)
    .filter(text => text !== '')
    .map(Number),
)
const watersProblem = computed(() =>
  waters.value.every(count => Number.isFinite(count) && count >= 0 && count <= 40)
    ? undefined
    : 'Give the waters of each form as numbers, such as 0, 1, 7.',
)
const codes = computed(() => draft.hazards.split(/[\s,;]+/).filter(text => text !== ''))

async function add(): Promise<void> {
  asked.value = true
  failure.value = ''
  if (!read.value.ok || watersProblem.value || draft.name.trim() === '') return
  isSending.value = true
  try {
    await library.add({
      kind: 'substance',
      body: {
        formula: draft.formula,
        name: draft.name,
        state: draft.state,
        water: draft.water,
        ...(draft.state === 'solid' && {
          forms: waters.value.map(count => [count, draft.colour, draft.swatch] as [number, string, string]),
        }),
        ...(codes.value.length > 0 && { hazards: codes.value as never }),
      },
    })
    emit('done')
  } catch (error) {
    const { data } = error as { data?: { detail?: string; problems?: { why: string; fix?: string }[] } }
    const first = data?.problems?.[0]
    failure.value = first
      ? `${first.why} ${first.fix ?? ''}`
      : (data?.detail ?? 'The server does not answer. What you typed is kept here; try again in a moment.')
  } finally {
    isSending.value = false
  }
}
</script>

<template>
  <form class="rounded-lg border border-rule bg-paper px-4 py-3" @submit.prevent="add">
    <h2 class="text-[15px] text-ink">A substance of your own</h2>
    <p class="small">Without its waters; give its hydrates by their number.</p>
    <div class="mt-2 grid grid-cols-3 gap-3">
      <label
        ><span class="label">Formula</span
        ><input v-model="draft.formula" class="field figure" :aria-invalid="!!formulaProblem" /><span
          v-if="formulaProblem"
          class="block text-[13px] text-red"
          >{{ formulaProblem.why }} {{ formulaProblem.fix }}</span
        ></label
      >
      <label class="col-span-2"
        ><span class="label">Name</span><input v-model="draft.name" class="field" maxlength="120" /><span
          v-if="asked && draft.name.trim() === ''"
          class="block text-[13px] text-red"
          >Give it a name.</span
        ></label
      >
      <label
        ><span class="label">State at 25 °C</span
        ><select v-model="draft.state" class="field">
          <option>solid</option>
          <option>liquid</option>
          <option>gas</option>
        </select></label
      >
      <label
        ><span class="label">In cold water</span
        ><select v-model="draft.water" class="field">
          <option>soluble</option>
          <option>slightly</option>
          <option>insoluble</option>
          <option>reacts</option>
        </select></label
      >
      <label
        ><span class="label">Waters of its forms</span
        ><input v-model="draft.waters" class="field figure" placeholder="0, 6" /><span
          v-if="watersProblem"
          class="block text-[13px] text-red"
          >{{ watersProblem }}</span
        ></label
      >
      <label
        ><span class="label">Colour, in a word</span><input v-model="draft.colour" class="field" maxlength="60"
      /></label>
      <label><span class="label">Swatch</span><input v-model="draft.swatch" type="color" class="field" /></label>
      <label
        ><span class="label">Hazard statements</span
        ><input v-model="draft.hazards" class="field figure" placeholder="H302, H318"
      /></label>
    </div>
    <p v-if="failure" class="mt-2 text-[14px] text-red" role="alert">{{ failure }}</p>
    <button type="submit" class="button mt-3" :disabled="isSending">{{ isSending ? 'Adding' : 'Add it' }}</button>
  </form>
</template>
