<script setup lang="ts">
import { textOf } from '#instruments'
import type { Measure } from '#core/journal'
import { useSerialLine } from '~/composables/useSerialLine'

/** A real instrument on the serial port, in place of a simulated one. */
const { masses } = defineProps<{ /** What a mass may be taken as. */ masses: readonly Measure[] }>()
const emit = defineEmits<{ take: [measure: Measure, value: string, instrument: string] }>()
const { said, isOpen, isPossible, problem, open, close } = useSerialLine()
const takes = computed((): readonly Measure[] =>
  !said.value ? [] : said.value.quantity === 'mass' ? masses : [said.value.quantity],
)
</script>

<template>
  <details class="text-[14px]">
    <summary class="min-h-12 cursor-pointer content-center text-soft">An instrument on the serial port</summary>
    <p v-if="!isPossible" class="small">
      This browser has no serial port. Chromium and its relatives have one, on localhost or over HTTPS.
    </p>
    <template v-else>
      <p v-if="said" class="figure text-[26px] font-semibold">
        {{ textOf(said) }} <span class="small">{{ said.steady ? 'steady' : 'moving' }}</span>
      </p>
      <p v-if="problem" class="text-red" role="status">{{ problem }}</p>
      <div class="flex flex-wrap gap-2">
        <button v-if="!isOpen" type="button" class="button button-quiet glove" @click="open">Choose a port</button>
        <button v-else type="button" class="button button-quiet glove" @click="close">Let it go</button>
        <button
          v-for="measure in takes"
          :key="measure"
          type="button"
          class="button glove"
          :disabled="!said?.steady"
          @click="emit('take', measure, textOf(said!), 'Instrument on the serial port')"
        >
          Take as {{ measure }}
        </button>
      </div>
      <p class="small mt-1">It speaks the lines that docs/instrument-lines.md describes, at 9600 baud.</p>
    </template>
  </details>
</template>
