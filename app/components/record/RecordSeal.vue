<script setup lang="ts">
import { clockText, dayText, proofs, type Act, type ActStamp, type RecordStanding } from '#core/record'
import { reader } from '~/utils/reader'

/** The foot of a record: who put their name to it, when, and what they said by that; what it still waits for. */
const { acts, stamps, standing, waits, canStamp } = defineProps<{
  acts: readonly Act[]
  stamps: readonly ActStamp[]
  standing: RecordStanding
  waits: string
  /** An authority for time stamps is named, and whoever looks may ask it. */
  canStamp: boolean
}>()
defineEmits<{ stamp: [number: number] }>()
const words = {
  signed: 'Signed as author',
  remark: 'Said',
  returned: 'Sent back',
  countersigned: 'Countersigned',
  sealed: 'Sealed',
  addendum: 'Addendum',
  'addendum-countersigned': 'Addendum countersigned',
} as const
const shown = computed(() => acts.filter(({ kind, place }) => kind !== 'remark' || place === undefined))
const stampOf = ({ number }: Act): ActStamp | undefined => stamps.find(one => one.number === number)
const when = ({ at }: { at: string }): string => `${dayText(at, reader())}, ${clockText(at, reader())}`
</script>

<template>
  <section class="mt-6 border-t-2 border-ink pt-3" aria-label="Signatures">
    <div class="flex items-start gap-4">
      <svg width="36" height="44" viewBox="0 0 18 22" aria-hidden="true" class="shrink-0">
        <g fill="var(--color-verdigris)">
          <rect x="1" y="1" width="9" height="3.4" />
          <rect :x="standing.is === 'sealed' ? 4 : 8" y="5.2" width="9" height="3.4" />
          <rect x="1" y="9.4" width="9" height="3.4" />
          <rect :x="standing.is === 'sealed' ? 4 : 8" y="13.6" width="9" height="3.4" />
          <rect x="1" y="17.8" width="9" height="3.4" />
        </g>
      </svg>
      <div class="min-w-0 flex-1">
        <p v-for="act in shown" :key="act.number" class="mb-1.5 text-[14px]">
          <b>{{ words[act.kind] }}</b> by {{ act.name }}, {{ when(act)
          }}<template v-if="act.how">, {{ proofs[act.how] }}</template
          >.
          <span v-if="act.meaning" class="text-soft">{{ act.meaning }}</span>
          <span v-if="act.text"> {{ act.text }}</span>
          <span class="figure block break-all text-[11.5px] text-soft"
            >{{ act.number }} · {{ act.hash.slice(0, 32) }} · key {{ act.key }}</span
          >
          <span v-if="stampOf(act)" class="block text-[12.5px] text-soft"
            >stamped {{ when(stampOf(act)!) }}, by {{ stampOf(act)!.by }}</span
          >
          <button
            v-else-if="canStamp && act.how"
            type="button"
            class="min-h-6 text-[13px] underline"
            data-chrome
            @click="$emit('stamp', act.number)"
          >
            No time stamp yet: ask for it
          </button>
        </p>
        <p v-if="waits" class="inline-block rounded bg-amber-soft px-2 py-0.5 text-[14px] text-amber">{{ waits }}</p>
      </div>
    </div>
  </section>
</template>
