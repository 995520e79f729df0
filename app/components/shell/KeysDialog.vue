<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useLetterKeys } from '~/composables/useLetterKeys'
import { looks, useLook } from '~/composables/useLook'
import { signs, useNumbers } from '~/composables/useNumbers'

const letterKeys = useLetterKeys()
const { look } = useLook()
const { sign } = useNumbers()
const open = defineModel<boolean>('open', { required: true })
const keys = [
  ['/', 'find a batch'],
  ['?', 'this list'],
  ['Enter', 'keep what is typed and move down'],
  ['Esc', 'leave a panel or a field'],
  ['Ctrl Z', 'undo a change of the plan'],
  ['Ctrl Shift Z', 'do it again'],
  ['Enter on a figure', 'opens its working'],
  ['Alt E', 'plan a batch: from a name, or from its equation'],
  ['Page Down', 'run: done, next step (the first pedal of a foot switch)'],
  ['Page Up', 'run: take the reading (the second pedal)'],
  ['Space, Enter', 'run: the same, where no key has the focus'],
  ['↑ ↓', 'run: another step'],
  ['w', 'run: something went wrong'],
  ['j k', 'run: the next step, the one before'],
  ['← →', 'bench: move a planned step a quarter of an hour'],
  ['Enter on a step', 'bench: other times for it'],
] as const
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="open = false">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-3 sm:pt-16">
      <DialogPanel class="w-[460px] max-w-full rounded-xl bg-sheet p-5 shadow-xl">
        <DialogTitle class="mb-3 text-[17px] font-semibold">Keys, look and numbers</DialogTitle>
        <dl class="grid grid-cols-[130px_1fr] gap-y-1.5 max-sm:hidden">
          <template v-for="[key, does] in keys" :key="key"
            ><dt class="figure font-semibold">{{ key }}</dt>
            <dd>{{ does }}</dd></template
          >
        </dl>
        <div class="mt-4 grid grid-cols-2 gap-3">
          <label
            ><span class="label">Look</span>
            <select v-model="look" class="field min-h-12">
              <option v-for="one in looks" :key="one.key" :value="one.key">{{ one.name }}</option>
            </select></label
          >
          <label
            ><span class="label">Numbers are written</span>
            <select v-model="sign" class="field figure min-h-12">
              <option v-for="one in signs" :key="one.key" :value="one.key" v-text="one.name" />
            </select>
            <span class="small">Both are read.</span></label
          >
        </div>
        <label class="mt-4 flex items-start gap-2"
          ><input v-model="letterKeys" type="checkbox" class="mt-0.5 size-5 accent-verdigris" /><span
            >Single keys act by themselves
            <span class="small block">Off, only Page Up and Down, Ctrl and the arrows do.</span></span
          ></label
        >
        <button class="button button-quiet mt-4" @click="open = false">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
