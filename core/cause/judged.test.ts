import { expect, it } from 'vitest'
import { foldJournal } from '#core/journal'
import { readPlan } from '#core/sheet'
import type { Effect } from './cause'
import { tableFor } from './table'
import { yieldFacts, type YieldSetting } from './yield-facts'
import { settingOf } from './fixtures/held-out-build'
import { halfOne } from './fixtures/held-out-one'
import { halfTwo } from './fixtures/held-out-two'
import { batchOf, planted, type Planted } from './fixtures/planted-causes'
import { verdictOf, type BatchVerdict } from './verdict'

function settingFor(one: Planted): YieldSetting {
  const { plan, steps, entries } = batchOf(one)
  const read = readPlan(plan)
  if (!read.ok) throw new Error(one.name)
  return { plan: read.value, lines: foldJournal(entries), stageId: 's1', steps, assays: one.assays ?? [] }
}

/** Belief of 0.004 is nothing that anyone would read twice; the digits kept are those that a change of a figure moves. */
const share = (value: number): string => value.toFixed(3)

function causesOf({ explanations, none, together, divide }: BatchVerdict): string {
  const told = explanations.map(one =>
    [
      `${one.cause}${one.form ? ` ${one.form}` : ''} ${share(one.belief)}`,
      one.suffices ? '' : ' (not alone)',
      one.most === undefined ? '' : `, at most ${one.most.toPrecision(3)} g`,
      `: ${one.needs}`,
      one.tiedWith ? ' Tied.' : '',
    ].join(''),
  )
  const pairs = together.map(({ of, belief }) => `both: ${of.join(' + ')} ${share(belief)}`)
  return [
    ...told,
    ...pairs,
    `ordinary ${share(none.ordinary)}, other ${share(none.other)}`,
    ...(divide ? [`divided by: ${divide.words} (${divide.ifFirst} / ${divide.ifSecond})`] : []),
  ]
    .map(line => `- ${line}`)
    .join('\n')
}

function judgedText(name: string, planted: string, setting: YieldSetting): string {
  const verdict = verdictOf(setting)!
  const ladder = verdict.rungs
    .map(({ form, percent, verdict: says, why }) => `${form} ${(percent.value * 100).toFixed(1)} % ${says}, ${why}`)
    .join('; ')
  const ledger = verdict.ledger
    .map(({ element, out, open, closes, spread }) => {
      const places = out.map(({ place, moles }) => `${place} ${(moles.value * 1000).toFixed(2)}`).join(', ')
      return `${element}: ${places}; open ${(open.value * 1000).toFixed(2)} ± ${(spread * 1000).toFixed(2)} mmol${closes ? ', closed' : ''}`
    })
    .join('. ')
  const back = verdict.leftovers.map(
    ({ species, kind, difference }) => `${species} ${kind} (${difference.toFixed(2)} g)`,
  )
  return [
    `## ${name}`,
    `Put in: ${planted}. ${verdict.kind}, ${verdict.difference.value.toFixed(2)} g.`,
    causesOf(verdict),
    `Forms: ${ladder}.`,
    `Ledger: ${ledger}.`,
    ...(back.length > 0 ? [`Came back: ${back.join('; ')}.`] : []),
    ...(verdict.challenge ? [verdict.challenge] : []),
  ].join('\n\n')
}

function rowsText(name: string, setting: YieldSetting): string {
  const rows = tableFor(yieldFacts(setting)!).map(
    ({ code, form, title, usual, usualWhy, sizes, heard, most, test, on }) => {
      const mean = (of: (effect: Effect) => number): string =>
        sizes.reduce((sum, { effect, weight }) => sum + weight * of(effect), 0).toPrecision(3)
      const left = mean(({ made = 1, kept = 1 }) => made * kept)
      const told = [
        `kept ${left}`,
        `won ${mean(({ won }) => won?.mean ?? 0)}`,
        `as ${mean(({ factor = 1 }) => factor)}`,
        `add ${mean(({ add = 0 }) => add)} g`,
        `off ${mean(({ offset = 0 }) => offset)} g`,
        `misread ${mean(({ misread = 1 }) => misread)}`,
        `back ${mean(({ back = {} }) => Object.values(back).reduce((sum, one) => sum + one, 0))} mol`,
      ].join(', ')
      const seen = heard.map(one => `${one.says} ${(one.with / one.without).toPrecision(3)}`)
      return [
        `- **${code}**${form ? ` ${form}` : ''}: ${title}; ${(usual * 100).toPrecision(2)} %: ${usualWhy}; ${sizes.length} sizes: ${told}`,
        most === undefined ? '' : `; at most ${most.toPrecision(3)} g`,
        seen.length > 0 ? `; ${seen.join(' ')}` : '',
        `; ${test}${on ? ` of ${on}` : ''}; the first: ${sizes[0]!.amount}`,
      ].join('')
    },
  )
  return [`## ${name}`, rows.join('\n')].join('\n\n')
}

it('judges the planted batches as docs/judged.md has them', { timeout: 240_000 }, async () => {
  const text = [
    '# The planted batches, as they are judged',
    'Written by `npx vitest run core/cause/judged -u` and compared by the tests: whoever changes a figure of the table of evidence sees here what it moves. Invented batches; what was put in stands first. What the words mean: [causes.md](causes.md).',
    ...planted.map(one => judgedText(one.name, one.cause, settingFor(one))),
    ...[...halfOne, ...halfTwo].map(one => judgedText(one.name, one.code, settingOf(one))),
  ].join('\n\n')
  await expect(`${text}\n`).toMatchFileSnapshot('../../docs/judged.md')
})

it('reads the table of evidence as fixtures/rows.md has it', { timeout: 120_000 }, async () => {
  const text = [
    '# The rows of the table of evidence, for some batches',
    'Written by `npx vitest run core/cause/judged -u` and compared by the tests. Means over the sizes of each row; behind what was recorded its strength.',
    ...planted.map(one => rowsText(one.name, settingFor(one))),
    ...halfTwo.map(one => rowsText(one.name, settingOf(one))),
  ].join('\n\n')
  await expect(`${text}\n`).toMatchFileSnapshot('fixtures/rows.md')
})
