import * as z from 'zod'
import { fail, ok, type Checked } from '#core/problem'
import { propose, shelfOf, stuffOf, type Stuff } from '#core/route'
import { findByName, type Found } from '#core/species'
import type { Answer, CommandError } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'

const list = z.array(z.string().max(200)).max(500)
const schema = z.strictObject({ product: z.string().max(200), from: list.optional(), have: list.optional() })

const bare = (text: string): string => text.replace(/[{}]/g, '')

const unknown = (place: string, text: string): CommandError => ({
  code: 'plan.unknown-name',
  message: `${place}: nothing here is called “${text}”.`,
  hint: 'Give its formula, or its systematic, common or mineral name.',
})

function found(place: string, text: string): Checked<Found, CommandError> {
  const is = findByName(text)
  return is ? ok(is) : fail(unknown(place, text))
}

function stuffs(key: string, texts: readonly string[]): Checked<Stuff[], CommandError> {
  const all: Stuff[] = []
  for (const [i, text] of texts.entries()) {
    const is = found(`${key}[${i}]`, text)
    if (!is.ok) return is
    const stuff = stuffOf(is.value.formula.text)
    if (!stuff) return fail(unknown(`${key}[${i}]`, text))
    all.push(stuff)
  }
  return ok(all)
}

function answer({ product, from = [], have }: z.output<typeof schema>): Answer {
  const wanted = found('product', product)
  if (!wanted.ok) return wanted
  const starts = stuffs('from', from)
  const joins = have ? stuffs('have', have) : undefined
  if (!starts.ok) return starts
  if (joins && !joins.ok) return joins
  const { routes, why } = propose(wanted.value.formula, wanted.value.isFormSaid, shelfOf(starts.value, joins?.value))
  return ok({
    routes: routes.map(({ stages, score, why: reason, cautions, needs }) => ({
      stages: stages.map(({ equation, product: made, way, why: because }) => ({
        equation,
        product: made,
        way,
        why: bare(because),
      })),
      score,
      why: bare(reason),
      cautions: cautions.map(bare),
      needs,
    })),
    ...(why !== undefined && { why: bare(why) }),
  })
}

export const plan: Command = {
  name: 'plan',
  takes: 'WISH.json',
  about: 'routes to a product from what is given, best first, or why there is none',
  help: `Keys: product, from[]?, have[]?: formulas or names. from: what the route must start from; have: what alone may join, beside air and water (the usual reagents of a bench where it is left out).
At most eight routes of one to four stages; the equations balance. score: 100 is no trouble at all, a stage is ten.

  echo '{"product":"blue vitriol","from":["copper turnings"]}' | bin/zl plan -`,
  run(argument) {
    const wish = readJson(argument, schema)
    return wish.ok ? answer(wish.value) : wish
  },
}
