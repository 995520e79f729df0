import { parseFormula } from '#core/formula'
import type { Operation, Step } from '#core/journal'
import { wayOf } from '#core/procedure'
import { formatFigure, parseQuantity, type Figure } from '#core/quantity'
import { gasFacts, heatOf, type ReagentLine, type StageSheet, type Way } from '#core/sheet'
import { solventWords, type MovePlan } from '#core/solution'
import { dryingAdvice, type DryingOption } from './drying'
import { targetOf } from './follow-sheet'
import { rowOf } from './hazard-notes'
import { washEnd } from './wash-end'
import type { Setting } from './note'

type Draft = Omit<Step, 'id'>

/**
 * A first procedure for a stage: charges with their masses from the sheet, the reaction as its gas and heat ask, excess that does not dissolve
 * filtered off at the end point, the moves of the crystallisation, a drying that keeps the form, weighing to constant mass, residues.
 * Ids say the operation and its number, so that the same plan always gives the same ids. Times are common practice, no source.
 */
export function proposeProcedure(
  sheet: StageSheet,
  setting: Setting,
  moves: readonly MovePlan[] | undefined,
): readonly Step[] {
  const { stage } = setting
  const { way: likely, proposed } = wayOf(stage, setting.curves)
  // Where nothing is known of a salt in water, the usual steps of crystallising are still the first to try; what the chemist chose as own is left to them.
  const way = likely === 'own' && proposed && stage.otherSolvents.length === 0 ? 'crystallise' : likely
  const drafts =
    way === 'heat dry'
      ? [...heatDrySteps(sheet, setting), ...endSteps(sheet, setting)]
      : [
          ...chargeSteps(sheet, setting),
          ...reactionSteps(sheet, setting),
          ...excessSteps(sheet),
          ...(stage.inPot
            ? []
            : [
                ...wonBy(way, sheet, proposed || way === 'crystallise' ? moves : undefined),
                ...dryingSteps(sheet, setting),
                ...endSteps(sheet, setting),
              ]),
        ]
  const counts = new Map<Operation, number>()
  return drafts.map(draft => {
    const count = (counts.get(draft.do) ?? 0) + 1
    counts.set(draft.do, count)
    return { id: `${draft.do.replaceAll(' ', '-')}-${count}`, ...draft }
  })
}

const planned = ({ reagents }: StageSheet): ReagentLine[] => reagents.filter(line => line.planned)
const isFromStage = ({ species }: ReagentLine, { stage }: Setting): boolean =>
  stage.reagents.some(({ term, from }) => from !== undefined && term.species.formula.text === species)

/** How close a charge should come: what limits sets the yield. */
const toleranceFor = ({ limits }: ReagentLine): string => (limits ? '1 %' : '2 %')

/** What its label says beside the formula: `, 25 % w/w`, `, 97 %`. */
function bottleOf({ species }: ReagentLine, { stage }: Setting): string {
  const supply = stage.reagents.find(({ term }) => term.species.formula.text === species)?.supply
  const { massFraction, molarity } = supply?.strength ?? {}
  const label = [molarity, massFraction, supply?.assay].find(figure => figure?.made.how === 'given')
  return label?.made.how === 'given' && label.made.written ? `, ${label.made.written}` : ''
}

/** Water that was typed as a volume is measured as one. */
const asTyped = (water: Figure): Figure =>
  (water.made.how === 'product' ? water.made.over.find(({ kind }) => kind === 'volume') : undefined) ?? water

function chargeSteps(sheet: StageSheet, setting: Setting): Draft[] {
  const { bench } = setting.stage
  const charges = planned(sheet).map((line): Draft => {
    const about = { what: 'charge', species: line.species } as const
    const target = targetOf(line)
    if (isFromStage(line, setting))
      return { do: 'add', words: `Take the {${line.weighAs}} of the stage before`, hands: '3 min' }
    return {
      do: line.volume ? 'measure' : 'weigh',
      words: `${line.volume ? 'Measure' : 'Weigh'} {${line.weighAs}}${bottleOf(line, setting)}`,
      about,
      ...(target && { target, tolerance: toleranceFor(line) }),
    }
  })
  const water = bench.solvent
  return [
    ...charges,
    ...(water
      ? [
          {
            do: 'measure',
            words: 'Measure the water into the vessel',
            target: formatFigure(asTyped(water), 4).replaceAll('\u202f', ' '),
            why: 'The sheet’s water: enough to keep everything dissolved while it reacts.',
          } as const,
        ]
      : []),
  ]
}

/** Portions of about a quarter litre of gas, at least four and at most twelve; common practice, no source. */
const portionsOf = (millilitres: number): number => Math.min(12, Math.max(4, Math.ceil(millilitres / 250)))
const WARM = 15

function reactionSteps(sheet: StageSheet, setting: Setting): Draft[] {
  const lines = planned(sheet).filter(line => !isFromStage(line, setting))
  const solids = lines.filter(({ volume, mass }) => !volume && mass)
  const gases = gasFacts(setting.stage, sheet, setting.room)
  const heat = heatOf(setting.stage, sheet)
  const hot = heat.known && (heat.rise?.value ?? 0) > WARM
  const trap = gases.find(({ trap: wanted }) => wanted)?.trap
  const hood = gases.some(({ verdict }) => verdict !== 'harmless')
  const at = setting.stage.bench.celsius
  const warmed: Draft[] =
    at !== undefined && at > 30
      ? [
          {
            do: 'heat',
            words: `Warm the pot to ${at} °C`,
            target: `${at} °C`,
            tolerance: '3 °C',
            about: { what: 'pot' },
          },
        ]
      : []
  if (gases.length === 0)
    return [
      ...solids.slice(0, Math.max(1, solids.length)).map(({ weighAs }, i): Draft => ({
        do: i === 0 ? 'dissolve' : 'add',
        words: `${i === 0 ? 'Dissolve' : 'Add'} {${weighAs}}${i === 0 ? ', stirring' : ', a spatula at a time'}`,
        until: i === 0 ? 'nothing is left at the bottom' : 'it has gone in',
      })),
      ...(lines.length > solids.length && solids.length > 0
        ? [
            {
              do: 'add',
              words: hot ? 'Add the solution slowly, in an ice bath' : 'Add the solution, stirring',
              until: 'all is in and it has calmed down',
              ...(hot && { needs: ['ice bath'] as const, hands: '15 min' }),
            } as const,
          ]
        : []),
      ...warmed,
      { do: 'stir', words: 'Stir to one liquor', wait: '15 min', until: 'nothing changes any more' },
    ]

  const volume = gases.reduce((sum, gas) => sum + gas.volume.value, 0)
  const solid = solids.toSorted((a, b) => b.mass!.value - a.mass!.value)[0]
  const portions = portionsOf(volume)
  return [
    ...(trap
      ? [
          {
            do: 'observe',
            words: `Set up the trap: at least ${formatFigure(trap.wants, 2)} of 2 mol/L {${trap.reagent}}`,
            why: `It has to hold the {${gases[0]!.formula}}; without it this step may not begin.`,
            needs: ['hood'],
            hands: '10 min',
          } as const,
        ]
      : []),
    ...warmed,
    {
      do: 'add',
      words: `Add {${solid?.weighAs ?? lines[0]?.weighAs ?? sheet.reagents[0]!.species}} in ${portions} portions`,
      why: `${formatFigure(gases[0]!.volume, 2)} of {${gases[0]!.formula}} comes off in all: each portion has to calm down before the next.`,
      repeat: { times: portions, every: '3 min' },
      until: 'it no longer fizzes',
      hands: `${portions * 3} min`,
      needs: hood ? ['hood', 'hotplate'] : ['hotplate'],
    },
    {
      do: 'stir',
      words: 'Stir and watch',
      wait: '15 min',
      until: 'no more gas comes',
      ...(hood && { needs: ['hood', 'hotplate'] as const }),
    },
  ]
}

/** Excess that shows its end point, or has to go before the crystals come. */
function excessSteps(sheet: StageSheet): Draft[] {
  const left = planned(sheet).filter(({ leftover, limits }) => !limits && leftover.mass.value > 1e-9)
  const solid = left.filter(({ leftover }) => leftover.wayOut === 'filtered off')
  const dirty = sheet.reagents.some(({ residue }) => residue && residue.value > 0.005)
  const boiled = left.filter(({ leftover }) => leftover.wayOut === 'boiled off')
  const quenched = left.filter(({ leftover }) => leftover.wayOut === 'quenched')
  return [
    ...quenched.map(({ weighAs, leftover }): Draft => ({
      do: 'quench',
      words: `Quench the excess of {${weighAs}}`,
      why: `${formatFigure(leftover.mass, 3)} of it is left, by the sheet.`,
      until: 'the test shows none',
    })),
    ...solid.slice(0, 1).map(({ weighAs, leftover }): Draft => ({
      do: 'observe',
      words: `See that {${weighAs}} is left over and no more gas comes`,
      why: `The end point: ${formatFigure(leftover.mass, 3)} should stay at the bottom. If none does, the acid is in excess.`,
    })),
    ...(solid.length > 0 || dirty
      ? [
          {
            do: 'filter hot',
            words: 'Filter warm from what did not dissolve; rinse the rod and the beaker with a little hot water',
            until: 'the filtrate is clear; if it is cloudy, through the same paper again',
          } as const,
        ]
      : []),
    ...boiled.map(({ weighAs }): Draft => ({
      do: 'evaporate',
      words: `Boil off the excess of {${weighAs}}`,
      until: 'it no longer smells of it; let a strip of moist litmus tell, not your nose',
      needs: ['hood', 'hotplate'],
    })),
  ]
}

/** How the product is won from the liquor, by its way; what is not known is the chemist's own. */
function wonBy(way: Way, sheet: StageSheet, moves: readonly MovePlan[] | undefined): Draft[] {
  switch (way) {
    case 'take to dryness':
      return moves && moves.length > 0 ? isolationSteps(sheet, moves) : toDrynessSteps(sheet)
    case 'distil to dryness':
      return [
        tare(1),
        {
          do: 'evaporate to dryness',
          words: 'Distil the solvent off under dry gas, and keep the guard in',
          until: 'nothing more comes over',
          needs: ['hood', 'hotplate'],
        },
      ]
    case 'salt out':
      return moves && moves.length > 0 ? isolationSteps(sheet, moves) : saltOutSteps(sheet)
    case 'own':
      return [
        {
          do: 'observe',
          words: `Win {${sheet.products[0]?.form ?? ''}} by steps of your own`,
          why: 'Nothing is known here of how it comes: put your own steps in.',
        },
        tare(1),
      ]
    default:
      return isolationSteps(sheet, moves)
  }
}

const toDrynessSteps = (sheet: StageSheet): Draft[] => [
  tare(1),
  {
    do: 'evaporate to dryness',
    words: `Evaporate gently to {${sheet.products[0]?.form ?? ''}}, and finish in a dish`,
    why: 'It hardly comes on cooling, and nothing else is in the liquor that would stay behind.',
    until: 'the crust is dry; no spitting, no browning',
    needs: ['hood', 'hotplate'],
  },
]
const saltOutSteps = (sheet: StageSheet): Draft[] => [
  { do: 'cool', words: 'Let it cool to room temperature', ...POT },
  {
    do: 'add',
    words: 'Add as much ethanol as there is liquor, slowly, no flame near',
    why: 'It dissolves in water and not in alcohol.',
    until: 'no more comes down',
    needs: ['hood'],
    ...POT,
  },
  { do: 'ice', words: 'Cool in ice', target: '5 °C', tolerance: '3 °C', ...POT },
  tare(1),
  { do: 'filter', words: `Filter {${sheet.products[0]?.form ?? ''}}`, until: 'no more liquor drips' },
  { do: 'wash', words: 'Wash with ethanol', repeat: { times: 2 }, needs: ['vacuum', 'hood'] },
]

/** Solids that react dry: a crucible to constant mass, heated by stages, cooled in the desiccator. */
function heatDrySteps(sheet: StageSheet, setting: Setting): Draft[] {
  const { celsius } = setting.stage.bench
  const gases = gasFacts(setting.stage, sheet, setting.room)
  const hood = gases.some(({ verdict }) => verdict !== 'harmless')
  const solids = planned(sheet).filter(line => !line.volume && line.mass)
  return [
    {
      do: 'ignite',
      words: 'Ignite the empty crucible, and let it cool in the desiccator',
      until: 'two weighings agree',
    },
    {
      do: 'weigh',
      words: 'Weigh the empty crucible, cold',
      about: PRODUCT,
      why: 'What the product weighs is a difference: read both on the same balance.',
    },
    ...chargeSteps(sheet, setting),
    {
      do: 'add',
      words: `Put ${solids.map(({ weighAs }) => `{${weighAs}}`).join(' and ')} into the crucible${solids.length > 1 ? ', well ground together' : ', in a thin layer'}`,
    },
    {
      do: 'ignite',
      words: `Heat by stages${celsius === undefined ? ' to red heat' : `, to ${celsius} °C`}`,
      until: 'nothing more leaves it, and its colour is even all through',
      needs: hood ? ['furnace', 'hood'] : ['furnace'],
      ...(celsius !== undefined && { target: `${celsius} °C`, tolerance: '20 °C' }),
    },
    { do: 'cool in desiccator', words: 'Let it cool in the desiccator' },
    {
      do: 'weigh',
      words: `Weigh the crucible with {${sheet.products[0]?.form ?? ''}}; ignite on and weigh again`,
      about: PRODUCT,
      until: 'two weighings agree',
    },
  ]
}

const PRODUCT = { what: 'product', crop: 1 } as const
const tare = (crop: number): Draft => ({
  do: 'weigh',
  words: `Weigh the empty paper or vessel${crop > 1 ? ` for crop ${crop}` : ''}, dry and cold`,
  about: { what: 'product', crop },
  why: 'What the crystals weigh is a difference: read both on the same balance.',
})

function isolationSteps(sheet: StageSheet, moves: readonly MovePlan[] | undefined): Draft[] {
  const product = sheet.products[0]!
  if (product.wayOut === 'precipitate')
    return [
      { do: 'stand', words: 'Let the precipitate settle', wait: '30 min', until: 'the liquor above it is clear' },
      { do: 'test', words: 'Try the clear liquor: is anything left to precipitate?' },
      tare(1),
      { do: 'decant', words: 'Decant the clear liquor through the filter' },
      { do: 'filter', words: `Filter {${product.form}}`, until: 'the filtrate is clear' },
      {
        do: 'wash',
        words: 'Wash with small portions of water',
        repeat: { times: 3 },
        until: washEnd(sheet),
      },
    ]
  if (moves) return moveSteps(moves, product.form)
  return [
    {
      do: 'evaporate',
      words: 'Boil down to the crystallisation point',
      about: { what: 'pot' },
      until: 'a drop on a cold rod skins over',
    },
    { do: 'cool', words: 'Let it cool to room temperature, covered', about: { what: 'pot' } },
    { do: 'ice', words: 'Cool in ice', about: { what: 'pot' }, target: '5 °C', tolerance: '3 °C' },
    tare(1),
    { do: 'filter', words: `Filter {${product.form}}`, until: 'no more liquor drips' },
    { do: 'wash', words: 'Wash with a little ice-cold solvent', repeat: { times: 2 } },
  ]
}

const POT = { about: { what: 'pot' } } as const
const ICE_BELOW = 15

function moveSteps(moves: readonly MovePlan[], form: string): Draft[] {
  let crop = 0
  const drafts: Draft[] = []
  for (const move of moves) {
    if ('filter' in move) {
      crop += 1
      drafts.push(tare(crop), {
        do: 'filter',
        words: `Filter ${crop > 1 ? `crop ${crop} of ` : ''}{${form}} and suck it off`,
        until: 'no more liquor drips',
      })
      continue
    }
    const next = stepOf(move)
    const last = drafts.at(-1)
    if (last?.do === 'wash' && next.do === 'wash' && last.words === next.words)
      drafts[drafts.length - 1] = { ...last, repeat: { times: (last.repeat?.times ?? 1) + 1 } }
    else drafts.push(next)
  }
  return drafts
}

function stepOf(move: Exclude<MovePlan, { filter: unknown }>): Draft {
  if ('heatTo' in move)
    return {
      do: 'heat',
      words: `Heat to ${move.heatTo}`,
      target: move.heatTo,
      tolerance: '3 °C',
      until: 'all is dissolved',
      ...POT,
    }
  if ('coolTo' in move) {
    const read = parseQuantity(move.coolTo, { kinds: ['temperature'], name: '', source: '' })
    const iced = read.ok && read.value.value < ICE_BELOW
    return {
      do: iced ? 'ice' : 'cool',
      words: iced ? `Let it cool, then in ice to ${move.coolTo}` : `Cool to ${move.coolTo}, covered`,
      target: move.coolTo,
      tolerance: '2 °C',
      wait: iced ? '1 h' : '45 min',
      ...POT,
    }
  }
  if ('evaporate' in move) return { do: 'evaporate', words: `Boil off ${move.evaporate.water} of water`, ...POT }
  if ('evaporateTo' in move) {
    const target = 'volume' in move.evaporateTo ? move.evaporateTo.volume : undefined
    return target
      ? {
          do: 'evaporate',
          words: `Boil down to ${target}`,
          target,
          tolerance: '5 %',
          why: 'Never to dryness: what dries on the glass loses its water and spits.',
          ...POT,
        }
      : {
          do: 'evaporate',
          words: `Boil down until ${'water' in move.evaporateTo ? move.evaporateTo.water : ''} of water is left`,
          ...POT,
        }
  }
  if ('addWater' in move)
    return { do: 'add', words: `Add ${move.addWater} of water`, target: move.addWater, hands: '3 min', ...POT }
  if ('addSolute' in move)
    return {
      do: 'add',
      words: `Add ${move.addSolute.mass} of {${move.addSolute.form}}`,
      target: move.addSolute.mass,
      ...POT,
    }
  if ('seed' in move) return { do: 'seed', words: `Seed with ${move.seed.mass} of {${move.seed.form}}`, ...POT }
  if ('addEthanol' in move)
    return {
      do: 'add',
      words: `Add ${move.addEthanol} of ethanol slowly, no flame near`,
      target: move.addEthanol,
      needs: ['hood'],
      ...POT,
    }
  if ('hold' in move) return { do: 'hold', words: `Hold for ${move.hold}`, wait: move.hold, ...POT }
  const { with: solvent, volume, at = '0 °C', through } = move.wash
  const made = solventWords(move)
  return {
    do: 'wash',
    words: `Wash with ${volume} of ${made} at ${at}, ${through ? 'run through' : 'stirred up, then sucked off'}`,
    target: volume,
    ...(solvent !== 'water' && { needs: ['vacuum', 'hood'] as const }),
  }
}

function dryingSteps(sheet: StageSheet, { stage }: Setting): Draft[] {
  const product = sheet.products[0]!
  const read = parseFormula(product.form)
  const ways = read.ok ? dryingAdvice(read.value, stage.own).options.filter(({ verdict }) => verdict !== 'not') : []
  // Suction alone ends damp: it is where drying begins, on the funnel.
  const best = ways.find(({ way }) => way !== 'suction') ?? ways[0]
  return [
    ...(best
      ? dryingStep(best)
      : [
          {
            do: 'dry',
            words: 'Dry a little of it first, and weigh that',
            until: 'you know that it keeps its form',
          } as const,
        ]),
    {
      do: 'weigh',
      words: `Weigh {${product.form}} in its paper or vessel; dry on and weigh again`,
      about: PRODUCT,
      until: 'two weighings agree',
    },
  ]
}

function dryingStep({ way, most, reason, takes }: DryingOption): Draft[] {
  const wait = takes && { wait: takes.least }
  if (way === 'oven')
    return [
      {
        do: 'dry',
        words: `Dry in the oven${most === undefined ? '' : `, at most ${most.toFixed(0)} °C`}`,
        ...wait,
        why: reason,
        needs: ['oven'],
      },
      { do: 'cool in desiccator', words: 'Let it cool in the desiccator' },
    ]
  return way.startsWith('desiccator')
    ? [{ do: 'desiccate', words: `Dry in the ${way.replace(', ', ' over ')}`, ...wait, why: reason }]
    : [
        {
          do: 'dry',
          words: `Dry: ${way}`,
          ...wait,
          why: reason,
          ...(way === 'vacuum' && { needs: ['vacuum'] as const }),
        },
      ]
}

/** Grams of a filtered excess from which on it is worth weighing; a judgement. */
const WORTH_WEIGHING = 0.1

/** What was in excess and filtered off is weighed as well: how much came back is evidence. */
const excessBack = (sheet: StageSheet): Draft[] =>
  planned(sheet)
    .filter(
      ({ limits, leftover }) => !limits && leftover.wayOut === 'filtered off' && leftover.mass.value > WORTH_WEIGHING,
    )
    .map(({ species, weighAs, leftover }): Draft => ({
      do: 'weigh',
      words: `Weigh the {${weighAs}} that stayed on the filter, rinsed and dry`,
      about: { what: 'recovered', species },
      why: `${formatFigure(leftover.mass, 3)} should come back. Less, and something else used it up; more, and the reaction was not finished.`,
    }))

/** Residues that are harmful, treated or collected before the hood is left. */
function endSteps(sheet: StageSheet, { stage }: Setting): Draft[] {
  const names = [
    ...new Set([...sheet.products.map(({ species }) => species), ...planned(sheet).map(({ species }) => species)]),
  ]
  const harmful = names.filter(species =>
    rowOf(species, stage.own)?.hazards?.some(code => /^H(4|30|31|33|35|36)/.test(code)),
  )
  return [
    ...excessBack(sheet),
    ...(harmful.length > 0
      ? [
          {
            do: 'quench',
            words: 'Treat or collect the liquor, the washings and the papers',
            why: `They hold ${harmful
              .slice(0, 3)
              .map(species => `{${species}}`)
              .join(', ')}. Your site’s rules say what goes where; ask who knows before you pour anything away.`,
            until: 'every vessel it touched is rinsed into the residue',
          } as const,
        ]
      : []),
    { do: 'clean', words: 'Clean the glass and the place' },
  ]
}
