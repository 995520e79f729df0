import { h, type FunctionalComponent, type VNodeChild } from 'vue'
import { runText, type Run, type Words } from '#core/record'
import RichText from '~/components/formula/RichText.vue'
import { told } from '~/composables/useNumbers'
import { reader } from '~/utils/reader'

const looks = {
  strong: 'font-semibold',
  figure: 'figure',
  struck: 'figure text-red',
  open: 'rounded bg-amber-soft px-1 text-amber',
  quiet: 'text-soft',
} as const

function rich(text: string): VNodeChild {
  return text.includes('{') ? h(RichText, { text }) : (told(text) as string)
}

function runNode(run: Run): VNodeChild {
  if (typeof run === 'string') return rich(run)
  if (!('text' in run)) return h('time', { datetime: run.at, class: 'whitespace-nowrap' }, runText(run, reader()))
  const inside = run.as === 'open' ? [h('span', { class: 'sr-only' }, 'Open: '), rich(run.text)] : [rich(run.text)]
  return h(run.as === 'struck' ? 'del' : run.as === 'strong' ? 'b' : 'span', { class: looks[run.as] }, inside)
}

/** A line of a record. There may be thousands of them, so that each is as little as can be. */
export const RecordWords: FunctionalComponent<{ words: Words }> = ({ words }) => words.map(runNode)
RecordWords.props = ['words']
