<script setup lang="ts">
import { durationWords } from '#core/journal'
import { cautionAmount, cautionWords, compareWays, isGrave, sumOfCautions, type ToldStage } from '#core/procedure'
import { formatValue } from '#core/quantity'
import { ways } from '#core/sheet'
import { useAttempt } from '~/composables/useAttempt'
import { useBatchStore } from '~/stores/batch'
import { useLibraryStore } from '~/stores/library'

/** How the product of the stage is won: chosen with one press, with what each way would come to beside it. */
const { account } = defineProps<{ account: ToldStage | undefined }>()
const batch = useBatchStore()
const library = useLibraryStore()
const isComparing = ref(false)
const compared = useAttempt('The ways side by side', () => {
  const { reading, sheets, stage } = batch
  if (!isComparing.value || !reading || !stage || sheets.length !== reading.plan.stages.length) return undefined
  return compareWays(reading.plan, { stages: sheets }, stage.id, library.curves)
})
const table = compared.value
const most = computed(() => batch.stageSheet?.products[0]?.theoretical.value)
const chosen = computed(() => batch.stage?.way ?? '')
function choose(wanted: string): void {
  const way = ways.find(one => one === wanted)
  // Operations of one’s own were made for the way before.
  batch.change(({ way: _, operations: __, ...stage }) => (way ? { ...stage, way } : stage), 'way')
}
const hasSteps = computed(() => batch.document?.procedures?.some(one => one.stage === batch.stage?.id) ?? false)
const mass = (grams: number): string => formatValue(grams, 'mass', 3)
const percent = (share: number): string => `${(share * 100).toFixed(share > 0.9995 ? 0 : 1)} %`
const list = (portions: readonly { form: string; mass: number }[]): string =>
  portions
    .filter(one => one.mass > 5e-4)
    .map(one => `{${one.form}} ${mass(one.mass)}`)
    .join(', ')
const cautions = computed(() =>
  sumOfCautions((account?.events ?? []).flatMap(event => event.cautions)).map(one => ({
    code: one.code,
    words: cautionWords[one.code],
    amount: cautionAmount(one),
    grave: isGrave(one.code),
  })),
)
</script>

<template>
  <section class="mt-3 border-y border-rule py-3" aria-label="How it is won">
    <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
      <label class="w-[230px]"
        ><span class="label">How the product is won</span
        ><select class="field" :value="chosen" @change="choose(($event.target as HTMLSelectElement).value)">
          <option value="">
            {{ account ? `as proposed: ${account.way.proposed ? account.way.way : 'by the plan'}` : 'as proposed' }}
          </option>
          <option v-for="way in ways" :key="way" :value="way">{{ way }}</option>
        </select></label
      >
      <p v-if="!account && batch.problems.length > 0" class="flex-[1_1_18em] text-[14px]">
        Something in the plan cannot be understood, so nothing is worked out here yet.
        <NuxtLink :to="{ path: `/batches/${batch.code}/sheet`, query: $route.query }" class="underline"
          >It is marked on the sheet</NuxtLink
        >.
      </p>
      <p v-if="account" class="max-w-[46em] flex-[1_1_18em] text-[14px]">
        <RichText :text="`${account.way.why} `" />
        <template v-if="account.product.mass !== undefined">
          <b class="figure">{{ mass(account.product.mass) }}</b> of <FormulaText :text="account.product.form" /> should
          come<template v-if="list(account.product.with)"
            >, with <RichText :text="list(account.product.with)" /> in it</template
          >.
        </template>
        <template v-else-if="account.way.way !== 'leave in the pot'"> How much comes is not known.</template>
        <span v-if="hasSteps" class="text-soft">
          This stage keeps steps of its own: another way changes them only once they are proposed anew.</span
        >
      </p>
    </div>
    <ul v-if="cautions.length > 0" class="mt-2 text-[14px] text-amber" aria-label="Cautions">
      <li v-for="one in cautions" :key="one.code" :class="{ 'text-red': one.grave }">
        <b v-if="one.grave">Danger. </b>{{ one.words
        }}<span v-if="one.amount" class="text-soft"> (<RichText :text="one.amount" />)</span>
      </li>
    </ul>
    <details class="mt-2" @toggle="isComparing = ($event.target as HTMLDetailsElement).open">
      <summary class="min-h-9 w-fit cursor-pointer content-center text-[14px] text-soft">
        The ways side by side: crop, purity, time
      </summary>
      <FailedParts :of="[compared]" />
      <div v-if="table" class="relative mt-1 overflow-x-auto" tabindex="0">
        <table class="w-full min-w-[620px] text-[13.5px]">
          <thead>
            <tr class="text-left text-soft">
              <th class="pb-1 pr-3 font-normal">Way</th>
              <th class="pb-1 pr-3 text-right font-normal">Crop</th>
              <th class="pb-1 pr-3 text-right font-normal">of what could be</th>
              <th class="pb-1 pr-3 text-right font-normal">pure</th>
              <th class="pb-1 pr-3 font-normal">hands-on, waiting</th>
              <th class="pb-1"><span class="sr-only">Choose</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in table" :key="one.way" class="border-t border-rule align-top">
              <th class="py-1 pr-3 text-left font-semibold">
                {{ one.way }}
                <span v-if="account?.way.way === one.way" class="small font-normal">as it stands</span>
              </th>
              <td class="figure py-1 pr-3 text-right">{{ one.mass === undefined ? 'not known' : mass(one.mass) }}</td>
              <td class="figure py-1 pr-3 text-right">
                {{ one.mass === undefined || !most ? '' : percent(one.mass / most) }}
              </td>
              <td class="figure py-1 pr-3 text-right">{{ one.purity === undefined ? '' : percent(one.purity) }}</td>
              <td class="py-1 pr-3">
                {{ durationWords(one.hands) }}, {{ durationWords(one.wait) }}
                <span v-if="one.warnings[0]" class="small block"><RichText :text="one.warnings[0]" /></span>
              </td>
              <td class="py-1 text-right">
                <button
                  v-if="account?.way.way !== one.way"
                  type="button"
                  class="min-h-9 whitespace-nowrap rounded px-2 text-[13px] text-verdigris underline hover:bg-paper"
                  @click="choose(one.way)"
                >
                  take this
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <p class="small mt-1">
          Estimates out of the same charges, with the usual operations of each way. “Pure” is what of the weighed crop
          is the form that is wanted; what came with the reagents is not in it.
        </p>
      </div>
    </details>
  </section>
</template>
