<script setup lang="ts">
import { clockText, placeOf, type Block, type Remark } from '#core/record'
import { reader } from '~/utils/reader'
import { RecordWords } from './record-words'

/** One block of a record, with what reviewers said of it; a press on its edge says something. */
const { block, code, remarks, mayRemark } = defineProps<{
  block: Block
  code: string
  remarks: readonly Remark[]
  mayRemark: boolean
}>()
const emit = defineEmits<{ remark: [place: string] }>()
</script>

<template>
  <div class="block" :class="{ marked: remarks.length > 0 }">
    <p v-if="block.is === 'words'" class="my-1" :class="{ timed: block.at }">
      <time v-if="block.at" :datetime="block.at" class="figure text-soft">{{ clockText(block.at, reader()) }}</time>
      <span><RecordWords :words="block.words" /></span>
    </p>
    <p v-else-if="block.is === 'caution'" class="my-1 border-l-[3px] border-amber-edge pl-2">
      <b class="text-amber">Caution</b> <RecordWords :words="block.words" />
    </p>
    <div
      v-else-if="block.is === 'table'"
      class="my-2 overflow-x-auto"
      tabindex="0"
      role="region"
      :aria-label="block.caption"
    >
      <table class="w-full border-collapse text-[13.5px]">
        <caption class="pb-0.5 text-left text-[13px] font-semibold text-soft">
          <RichText :text="block.caption" />
        </caption>
        <thead>
          <tr class="border-b-2 border-ink text-left text-soft">
            <th
              v-for="column in block.columns"
              :key="column.name"
              scope="col"
              class="py-0.5 pr-3 font-normal"
              :class="{ 'text-right': column.isFigure }"
            >
              {{ column.name }}
            </th>
            <th v-if="mayRemark" data-chrome><span class="sr-only">Remarks</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in block.rows" :key="i" class="border-b border-rule align-top">
            <td
              v-for="(cell, j) in row"
              :key="j"
              class="py-1 pr-3"
              :class="{ 'text-right whitespace-nowrap': block.columns[j]?.isFigure }"
            >
              <RecordWords :words="cell" />
            </td>
            <td v-if="mayRemark" class="w-7" data-chrome>
              <button type="button" class="say-row" @click="emit('remark', placeOf(block.id, i + 1))">
                <span aria-hidden="true">+</span><span class="sr-only">Say something about row {{ i + 1 }}</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <LazyRecordChart v-else-if="block.is === 'chart'" :chart="block" />
    <figure v-else class="my-3">
      <img
        :src="`/api/batches/${code}/photos/${block.sha256}`"
        loading="lazy"
        class="max-h-[340px] max-w-full rounded"
        alt=""
      />
      <figcaption class="small"><RecordWords :words="block.words" /></figcaption>
    </figure>
    <p
      v-for="one in remarks"
      :key="one.act.number"
      class="my-1 border-l-[3px] border-blue-edge bg-blue-soft px-2 py-1 text-[13.5px]"
    >
      <b
        >{{ one.act.name }}<template v-if="one.row">, of row {{ one.row }}</template
        >:</b
      >
      {{ one.act.text }}
    </p>
    <button
      v-if="mayRemark && block.is !== 'table'"
      type="button"
      class="say"
      data-chrome
      @click="emit('remark', block.id)"
    >
      <span aria-hidden="true">+</span><span class="sr-only">Say something about this line</span>
    </button>
  </div>
</template>

<style scoped>
.block {
  position: relative;
}
.block th {
  overflow-wrap: normal;
}
.timed {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr);
}
.say {
  position: absolute;
  right: -30px;
  top: 0;
}
.say,
.say-row {
  width: 24px;
  height: 24px;
  border-radius: 5px;
  color: var(--color-soft);
  border: 1px solid transparent;
}
.say:hover,
.say:focus-visible,
.say-row:hover,
.say-row:focus-visible {
  border-color: var(--color-edge);
  background: var(--color-card);
}
@media (max-width: 900px) {
  .say {
    right: -4px;
  }
}
</style>
