<script setup lang="ts">
import { cautionWords, procedureOf, toldVessel, type CautionCode, type PlannedStep } from '#core/procedure'
import { formatValue } from '#core/quantity'
import { ways } from '#core/sheet'
import { useAttempt } from '~/composables/useAttempt'
import { useBatchStore } from '~/stores/batch'
import { useLibraryStore } from '~/stores/library'

/** How the product of the stage is won, and what the vessel holds after each operation: one account, folded from the plan. */
const batch = useBatchStore()
const library = useLibraryStore()
const account = useAttempt('The vessel’s account', () => {
  const { reading, sheet, stage } = batch
  if (!reading?.whole || !sheet || !stage) return undefined
  return procedureOf(reading.plan, sheet, library.curves).find(({ id }) => id === stage.id)
})
const told = account.value
/** Portions of one charge stand in one row, told after the last of them. */
const rows = computed(() => {
  const steps = (told.value?.steps ?? []).filter(isEvent)
  const isPortion = (step: PlannedStep, next: PlannedStep | undefined): boolean =>
    step.charge?.species !== undefined && step.charge.species === next?.charge?.species
  let count = 0
  let gone: PlannedStep['out'] = []
  return steps.flatMap((step, i) => {
    count += 1
    gone = [...gone, ...step.out]
    if (isPortion(step, steps[i + 1])) return []
    const row = {
      step,
      out: gone,
      words: count > 1 ? `Add {${step.charge?.species}} in ${count} portions, each once it is calm` : step.words,
      after: toldVessel(step, told.value?.named ?? []),
    }
    count = 0
    gone = []
    return [row]
  })
})
const chosen = computed(() => batch.stage?.way ?? '')
function choose(event: Event): void {
  const way = ways.find(one => one === (event.target as HTMLSelectElement).value)
  batch.change(({ way: _, ...stage }) => (way ? { ...stage, way } : stage), 'way')
}
const mass = (grams: number): string => formatValue(grams, 'mass', 3)
const list = (portions: readonly { form: string; mass: number }[]): string =>
  portions
    .filter(one => one.mass > 5e-4)
    .map(one => `{${one.form}} ${mass(one.mass)}`)
    .join(', ')
function added(portions: readonly { form: string; mass: number }[]): { form: string; mass: number }[] {
  const all = new Map<string, number>()
  for (const one of portions) all.set(one.form, (all.get(one.form) ?? 0) + one.mass)
  return [...all].map(([form, mass]) => ({ form, mass }))
}
const leaves = (out: PlannedStep['out']): string =>
  ['gas', 'filtrate', 'cake', 'washings', 'distillate']
    .map(to => ({ to, matter: added(out.filter(one => one.to === to).flatMap(({ matter }) => matter)) }))
    .map(({ to, matter }) => (list(matter) ? `${to}: ${list(matter)}` : ''))
    .filter(Boolean)
    .join('; ')
const solventsOf = (held: Readonly<Record<string, number>>): string =>
  Object.entries(held)
    .filter(([, grams]) => grams > 5e-4)
    .map(([name, grams]) => `${name} ${mass(grams)}`)
    .join(', ')
const isEvent = ({ operation }: PlannedStep): boolean => operation.do !== 'weigh' && operation.do !== 'measure'
const cautions = computed(() => [...new Set((told.value?.steps ?? []).flatMap(({ cautions }) => cautions))])
const wordsOf = (code: string): string => cautionWords[code as CautionCode]
</script>

<template>
  <section class="mt-3 border-y border-rule py-3" aria-label="How it is won, and what the vessel holds">
    <FailedParts :of="[account]" />
    <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
      <label class="w-[240px]"
        ><span class="label">How the product is won</span
        ><select class="field" :value="chosen" @change="choose">
          <option value="">
            {{ told ? `as proposed: ${told.way.proposed ? told.way.way : 'by the plan'}` : 'as proposed' }}
          </option>
          <option v-for="way in ways" :key="way" :value="way">{{ way }}</option>
        </select></label
      >
      <p v-if="!told && batch.problems.length > 0" class="flex-[1_1_18em] text-[14px]">
        Something in the plan does not read, so nothing is worked out here yet.
        <NuxtLink :to="{ path: `/batches/${batch.code}/sheet`, query: $route.query }" class="underline"
          >It is marked on the sheet</NuxtLink
        >.
      </p>
      <p v-if="told" class="max-w-[46em] flex-[1_1_18em] text-[14px]">
        <RichText :text="`${told.way.why} `" />
        <template v-if="told.product.mass !== undefined">
          The account gives <b class="figure">{{ mass(told.product.mass) }}</b> of
          <FormulaText :text="told.product.form" /><template v-if="list(told.product.with)"
            >, with <RichText :text="list(told.product.with)" /> in it</template
          >.
        </template>
        <template v-else-if="told.way.way !== 'leave in the pot'"> How much comes is not known.</template>
      </p>
    </div>
    <p v-for="one in told?.warnings ?? []" :key="one.code" class="mt-2 text-[14px] text-amber">{{ one.message }}</p>
    <p v-for="code in cautions" :key="code" class="mt-1 text-[14px] text-amber">{{ wordsOf(code) }}</p>
    <details v-if="told" class="mt-2">
      <summary class="min-h-9 w-fit cursor-pointer content-center text-[14px] text-soft">
        What the vessel holds after each operation
      </summary>
      <p class="small max-w-[60em]">
        An account of matter folded from the plan: the Crystals page and the steps below still work out their own; where
        they differ, the difference is the model’s.
      </p>
      <div class="relative mt-1 overflow-x-auto" tabindex="0">
        <table class="w-full min-w-[760px] text-[13.5px]">
          <thead>
            <tr class="text-left text-soft">
              <th class="pb-1 pr-3 font-normal">Operation</th>
              <th class="pb-1 pr-3 font-normal">at</th>
              <th class="pb-1 pr-3 font-normal">Dissolved, in solvent</th>
              <th class="pb-1 pr-3 font-normal">Solid</th>
              <th class="pb-1 font-normal">Leaves</th>
            </tr>
          </thead>
          <tbody>
            <template v-for="{ step, words, out, after } in rows" :key="step.id">
              <tr class="border-t border-rule align-top">
                <td class="py-1 pr-3"><RichText :text="words" /></td>
                <td class="figure whitespace-nowrap py-1 pr-3">{{ after ? `${after.celsius.toFixed(0)} °C` : '' }}</td>
                <template v-if="after">
                  <td class="py-1 pr-3">
                    <RichText :text="list(after.dissolved)" /><template v-if="solventsOf(after.solvents)"
                      ><span class="text-soft"
                        >{{ list(after.dissolved) ? ' in ' : '' }}{{ solventsOf(after.solvents) }}</span
                      ></template
                    ><span v-if="after.estimated" class="small"> estimate</span>
                  </td>
                  <td class="py-1 pr-3"><RichText :text="list(after.solid)" /></td>
                </template>
                <td v-else colspan="2" class="py-1 pr-3 text-soft">not known from here on</td>
                <td class="py-1"><RichText :text="leaves(out)" /></td>
              </tr>
            </template>
          </tbody>
        </table>
      </div>
    </details>
  </section>
</template>
