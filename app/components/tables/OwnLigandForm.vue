<script setup lang="ts">
import { explainFormula, parseFormula } from '#core/formula'
import { useLibraryStore } from '~/stores/library'

/** A ligand of the lab's own; its abbreviation is written out wherever it is typed in a formula. */
const library = useLibraryStore()
const draft = reactive({ abbreviation: '', name: '', formula: '', charge: '0', sites: '2' })
const isOpen = ref(false)
const asked = ref(false)
const failure = ref('')
const read = computed(() => parseFormula(draft.formula))

async function add(): Promise<void> {
  asked.value = true
  failure.value = ''
  if (!read.value.ok) return
  try {
    await library.add({
      kind: 'ligand',
      body: { ...draft, charge: Number(draft.charge), sites: Number(draft.sites) },
    })
    isOpen.value = false
  } catch (error) {
    const { data } = error as { data?: { detail?: string; problems?: { why: string; fix?: string }[] } }
    const first = data?.problems?.[0]
    failure.value = first
      ? `${first.why} ${first.fix ?? ''}`
      : (data?.detail ?? 'The server does not answer; try again.')
  }
}
</script>

<template>
  <div>
    <button
      type="button"
      class="rounded px-1 text-[14px] text-verdigris underline"
      :aria-expanded="isOpen"
      @click="isOpen = !isOpen"
    >
      Add a ligand of your own
    </button>
    <form
      v-if="isOpen"
      class="mt-2 flex flex-wrap items-start gap-3 rounded-lg border border-rule bg-paper px-4 py-3"
      @submit.prevent="add"
    >
      <label class="w-28"
        ><span class="label">Written</span><input v-model="draft.abbreviation" class="field figure" placeholder="tmeda"
      /></label>
      <label class="w-40"
        ><span class="label">Formula as bound</span
        ><input v-model="draft.formula" class="field figure" placeholder="C6H16N2" /><span
          v-if="asked && !read.ok"
          class="block text-[13px] text-red"
          >{{ explainFormula(read.problem).why }} {{ explainFormula(read.problem).fix }}</span
        ></label
      >
      <label class="w-64"
        ><span class="label">Name in a complex</span><input v-model="draft.name" class="field" maxlength="120"
      /></label>
      <label class="w-20"
        ><span class="label">Charge</span><input v-model="draft.charge" class="field figure text-right"
      /></label>
      <label class="w-20"
        ><span class="label">Sites</span><input v-model="draft.sites" class="field figure text-right"
      /></label>
      <button type="submit" class="button mt-[22px]">Add it</button>
      <p v-if="failure" class="w-full text-[14px] text-red" role="alert">{{ failure }}</p>
    </form>
  </div>
</template>
