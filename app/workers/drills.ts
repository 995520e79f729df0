import {
  askAgain,
  judge,
  makeQuestion,
  nextOf,
  slips,
  standingsOf,
  type Answered,
  type Family,
  type Level,
  type Question,
  type SlipId,
  type Standing,
  type Verdict,
} from '#core/drill'

/** Where a question is made from. */
export interface Address {
  readonly family: string
  readonly level: Level
  readonly seed: number
}
/** How somebody stands in a family, as a page shows it. */
export type Stand = Omit<Standing, 'family' | 'slips'> & {
  readonly family: Omit<Family, 'make'>
  readonly slips: readonly { readonly name: string; readonly times: number }[]
}
/** A verdict with the names of its slips and what keeps from them. */
export type Told = Verdict & { readonly named?: readonly { readonly name: string; readonly keep: string }[] }

export type DrillAsked =
  | { readonly is: 'stand'; readonly answers: readonly Answered[] }
  | {
      readonly is: 'next'
      readonly answers: readonly Answered[]
      readonly now: number
      readonly only: readonly string[]
      readonly seed: number
      /** Not this one once more. */
      readonly before?: Address
    }
  | { readonly is: 'make'; readonly of: readonly Address[] }
  | { readonly is: 'judge'; readonly of: Address; readonly typed: string }
export type DrillAnswer =
  | { readonly is: 'stand'; readonly stands: readonly Stand[] }
  | { readonly is: 'next'; readonly stands: readonly Stand[]; readonly question: Question; readonly after?: string }
  | { readonly is: 'make'; readonly questions: readonly Question[] }
  | { readonly is: 'judge'; readonly told: Told }
export interface DrillMessage<T> {
  readonly number: number
  readonly body: T
}

const shown = ({ family: { make: _, ...family }, slips: made, ...rest }: Standing): Stand => ({
  ...rest,
  family,
  slips: [...made].toSorted((a, b) => b[1] - a[1]).map(([id, times]) => ({ name: slips[id].name, times })),
})

const questionOf = ({ family, seed, level }: Address): Question[] => {
  const question = makeQuestion(family, seed, level)
  return question ? [question] : []
}

/** What is asked next: after a slip, a question in which it would show again, in another dress. */
function next({ answers, now, only, seed, before }: Extract<DrillAsked, { is: 'next' }>): DrillAnswer {
  const standings = standingsOf(answers)
  const standing = nextOf(standings, now, { only: new Set(only), just: before?.family })
  const { family, level, open } = standing
  const [last] = before && before.family === family.id && open ? questionOf(before) : []
  const [drawn] = questionOf({ family: family.id, level, seed })
  const question = last && open ? askAgain(last, open) : drawn
  return {
    is: 'next',
    stands: standings.map(shown),
    question: question!,
    ...(last && open && { after: slips[open].name }),
  }
}

function answerTo(asked: DrillAsked): DrillAnswer {
  switch (asked.is) {
    case 'stand':
      return { is: 'stand', stands: standingsOf(asked.answers).map(shown) }
    case 'next':
      return next(asked)
    case 'make':
      return { is: 'make', questions: asked.of.flatMap(questionOf) }
    case 'judge': {
      const [question] = questionOf(asked.of)
      const verdict: Verdict = question
        ? judge(question, asked.typed)
        : { is: 'unread', why: 'There is no such question.', fix: 'Take the next one.' }
      const named = verdict.is === 'slip' ? verdict.slips.map(({ id }: { id: SlipId }) => slips[id]) : undefined
      return { is: 'judge', told: { ...verdict, ...(named && { named }) } }
    }
  }
}

self.onmessage = ({ data: { number, body } }: MessageEvent<DrillMessage<DrillAsked>>): void => {
  self.postMessage({ number, body: answerTo(body) } satisfies DrillMessage<DrillAnswer>)
}
