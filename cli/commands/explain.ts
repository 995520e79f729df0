import * as z from 'zod'
import { explainYield, ladderOf, type Explanation, type YieldJudgement } from '#core/cause'
import { readDocument, readEntry, type BatchDocument, type Unreadable } from '#core/document'
import { foldJournal, type Entry } from '#core/journal'
import { judgeBatch, ledgerOf, type LedgerRow } from '#core/outcome'
import { fail, ok, type Checked } from '#core/problem'
import { procedureOf } from '#core/procedure'
import { standardUncertainty } from '#core/quantity'
import { computeReadPlan, readPlan } from '#core/sheet'
import { pathText, planError, type Answer, type CommandError } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'

const schema = z.strictObject({
  document: z.unknown(),
  entries: z.array(z.unknown()).default([]),
  stage: z.string().exactOptional(),
})

function read(question: z.output<typeof schema>): Checked<{ document: BatchDocument; entries: Entry[] }, CommandError> {
  const document = readDocument(question.document)
  if (!document.ok) return fail(unreadable(document.problem, 'document'))
  const entries: Entry[] = []
  for (const [i, stored] of question.entries.entries()) {
    const entry = readEntry(stored)
    if (!entry.ok) return fail(unreadable(entry.problem, `entries[${i}]`))
    entries.push(entry.value)
  }
  return ok({ document: document.value, entries })
}

const unreadable = ({ path, why }: Unreadable, where: string): CommandError => ({
  code: 'input.unreadable',
  message: `${where}${path.length > 0 ? ` at ${pathText(path)}` : ''}: ${why}`,
  hint: 'The open batch format stands in docs/batch-format.md.',
})

function answer(question: z.output<typeof schema>): Answer {
  const given = read(question)
  if (!given.ok) return given
  const { document, entries } = given.value
  const plan = readPlan(document.plan)
  if (!plan.ok) return fail(planError(plan.problem))
  const sheet = computeReadPlan(plan.value)
  if (!sheet.ok) return fail(planError(sheet.problem))
  const stage = question.stage ?? plan.value.stages.at(-1)?.id
  const at = plan.value.stages.findIndex(({ id }) => id === stage)
  if (stage === undefined || at < 0)
    return fail({
      code: 'explain.no-stage',
      message: `The plan has no stage ${stage ?? ''}.`,
      hint: `Its stages are ${plan.value.stages.map(({ id }) => id).join(', ')}.`,
    })
  const lines = foldJournal(entries)
  const kept = document.procedures?.find(one => one.stage === stage)?.steps
  const steps = kept ?? procedureOf(plan.value, sheet.value)[at]?.steps ?? []
  const setting = { plan: plan.value, lines, stageId: stage, steps, assays: document.assays ?? [] }
  const judged = explainYield(setting)
  const actual = judgeBatch(plan.value, lines, stage)
  if (!judged || !actual.ok || !actual.value.result)
    return fail({
      code: 'explain.not-weighed',
      message: `The product of ${stage} is not weighed, or what was charged does not make it.`,
      hint: 'A reading about the product is { "kind": "reading", "about": { "what": "product", "stage", "crop" }, "measure": "net", "value" }.',
    })
  const { facts, difference } = judged
  const { result } = actual.value
  return ok({
    stage,
    form: facts.product.text,
    actual: result.actual.value,
    theoretical: result.theoretical.value,
    percent: result.percent.value * 100,
    uncertainty: standardUncertainty(result.percent) * 100,
    forms: ladderOf(facts, result).map(({ form, percent, verdict, why }) => ({
      form,
      percent: percent.value * 100,
      verdict,
      why: bare(why),
    })),
    causes: believed(judged).map(told => ({
      ...told,
      needs: { what: told.needs, mass: Math.abs(difference.value) },
    })),
    ledger: ledgerOf(actual.value, facts).map(booked),
  })
}

const bare = (text: string): string => text.replace(/[{}]/g, '')

/** Each cause with its share of belief; an ordinary run and what the table does not hold are none of them. */
function believed({ explanations, none }: YieldJudgement) {
  const told = explanations.reduce((sum, { belief }) => sum + belief, 0)
  return [
    ...explanations.map((one: Explanation) => ({
      code: one.cause as string,
      title: bare(one.title),
      belief: one.belief,
      sufficient: one.suffices,
      needs: bare(one.needs),
      most: { mass: one.most ?? null },
      for: one.speaksFor.map(({ says }) => bare(says)),
      against: one.speaksAgainst.map(({ says }) => bare(says)),
      settle: bare(one.settle),
    })),
    {
      code: 'other',
      title:
        none.ordinary > none.other
          ? 'None of these: a run like others, as far as the readings tell'
          : 'None of these: something that the table does not hold',
      belief: 1 - told,
      sufficient: none.ordinary > none.other,
      needs: '',
      most: { mass: null },
      for: [],
      against: [],
      settle: '',
    },
  ].toSorted((a, b) => b.belief - a.belief)
}

function booked({ element, into, out, open, spread }: LedgerRow) {
  const at = (...places: readonly string[]): number =>
    out.filter(({ place }) => places.includes(place)).reduce((sum, { moles }) => sum + moles.value, 0)
  return {
    element,
    in: into.value,
    out: {
      crystals: at('crystals', 'dried in'),
      liquor: at('liquor'),
      washings: at('washings'),
      gas: at('gas'),
      recovered: at('recovered'),
      paper: at('filtered off'),
    },
    open: open.value,
    uncertainty: spread,
  }
}

export const explain: Command = {
  name: 'explain',
  takes: 'BATCH.json',
  about: 'what would explain the yield of a batch, its forms, and where every mole went',
  help: `Keys: document and entries[], as docs/batch-format.md has them, stage? (the last one where left out)
"belief" is a share of one by Bayes' rule over the table of evidence (docs/causes.md), with a part for none of them ("other").
"sufficient": the cause alone can reach the reading. "most": the most that there can be of it in this batch, null where nothing bounds it.
In "ledger", moles: what dried into the crop counts as crystals, a solid that was filtered off and not weighed as paper.

  echo '{"document":{"format":"zip-ledger/batch","version":2,"title":"Zinc sulfate","plan":{"stages":[{"id":"s1","equation":"Zn + H2SO4 -> ZnSO4 + H2",
    "reagents":[{"species":"Zn","supply":{"kind":"solid"},"charge":{"mass":"6.540 g"}},{"species":"H2SO4","supply":{"kind":"solution","concentration":"2.00 mol/L"},
    "charge":{"volume":"50.0 mL"}}],"product":{"species":"ZnSO4","form":"ZnSO4·7H2O"}}]}},"entries":[{"kind":"reading","id":"6f1c1c62-8a53-4b5e-9d21-0d6a3b1f1a01",
    "at":"2026-05-04T09:00:00Z","by":"6f1c1c62-8a53-4b5e-9d21-0d6a3b1f1a02","about":{"what":"product","stage":"s1","crop":1},"measure":"net","value":"31.20 g","typed":true}]}' | bin/zl explain -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
