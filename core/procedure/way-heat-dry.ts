import { gasFacts } from '#core/sheet'
import type { Course } from './course'
import { weighOut, type Proposing } from './enter'
import { clearAway, PRODUCT } from './finish'

/** Dull red heat, °C, where a plan names none: most hydroxides, carbonates and hydrates here give way below it; common practice, no source. */
const CALCINE = 500

/** Solids that react dry: a crucible to constant mass, heated by stages, cooled in the desiccator. */
export function heatDry(course: Course, proposing: Proposing): void {
  const { stage, sheet, room, charges } = proposing
  const { form } = stage.product
  const celsius = stage.bench.celsius ?? CALCINE
  const hood = gasFacts(stage, sheet, room).some(({ verdict }) => verdict !== 'harmless')
  course.take({
    do: 'ignite',
    words: 'Ignite the empty crucible, and let it cool in the desiccator',
    until: 'two weighings agree',
    does: { nothing: true },
  })
  course.take({
    do: 'weigh',
    words: 'Weigh the empty crucible, cold',
    about: { ...PRODUCT, empty: true },
    why: 'What the product weighs is a difference: read both on the same balance.',
    does: { nothing: true },
  })
  weighOut(course, proposing)
  const solids = charges.filter(({ comes }) => comes !== 'gas')
  for (const [i, { species, weighed }] of solids.entries())
    course.take({
      do: 'add',
      words:
        i === 0
          ? `Put {${weighed || species}} into the crucible${solids.length > 1 ? '' : ', in a thin layer'}`
          : `Put {${weighed || species}} to it, and mix them well without force`,
      does: { charge: species },
    })
  for (const { species } of charges.filter(({ comes }) => comes === 'gas'))
    course.take({
      do: 'add',
      words: species === 'O2' ? 'Let air to it while it is heated' : `Pass {${species}} over it`,
      does: { charge: species },
    })
  course.take({
    do: 'ignite',
    words: `Heat by stages, to ${celsius} °C`,
    until: 'nothing more leaves it, and its colour is even all through',
    needs: hood ? ['furnace', 'hood'] : ['furnace'],
    target: `${celsius} °C`,
    tolerance: '20 °C',
    ...(stage.bench.celsius === undefined && {
      why: 'The plan names no temperature: at dull red heat most hydroxides, carbonates and hydrates give way.',
    }),
    does: { ignite: `${celsius} °C` },
  })
  course.take({
    do: 'cool in desiccator',
    words: 'Let it cool in the desiccator',
    does: { coolTo: `${course.sheet.room} °C` },
  })
  course.take({
    do: 'weigh',
    words: `Weigh the crucible with {${form.text}}; ignite on and weigh again`,
    about: PRODUCT,
    until: 'two weighings agree',
    does: { nothing: true },
  })
  clearAway(course, proposing)
}
