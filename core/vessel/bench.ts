import { operate, type Operation } from './operations'
import type { Setting } from './setting'
import type { Out, Vessel } from './state'

/** What stands beside the vessel at work: kept liquors and crops that were set aside, each with its name. */
export interface Beside {
  readonly name: string
  readonly is: 'liquor' | 'crop'
  readonly vessel: Vessel
}
/** All vessels of a stage: the one at work, and what stands beside it. */
export interface Bench {
  readonly main: Vessel
  readonly beside: readonly Beside[]
}
export interface BenchDone {
  readonly bench: Bench
  readonly out: readonly Out[]
  readonly unknown?: string
}

/**
 * Does one operation on the bench. A liquor that a filter keeps stands beside; taking it up sets what was in the vessel aside as a crop. Drying dries every crop. Refuses nothing: a
 * liquor that is not there is told as unknown.
 */
export function operateOn(bench: Bench, operation: Operation, setting: Setting): BenchDone {
  if (operation.do === 'take up') return takenUp(bench, operation.liquor)
  const done = operate(bench.main, operation, setting)
  const beside = operation.do === 'dry' ? bench.beside.map(one => dried(one, operation, setting)) : undefined
  return {
    bench: {
      main: done.vessel,
      beside: [
        ...(beside?.map(({ one }) => one) ?? bench.beside),
        ...(done.kept && operation.do === 'filter off' && operation.liquor !== undefined
          ? [{ name: operation.liquor, is: 'liquor' as const, vessel: done.kept }]
          : []),
      ],
    },
    out: [...done.out, ...(beside?.flatMap(({ out }) => out) ?? [])],
    ...(done.unknown !== undefined && { unknown: done.unknown }),
  }
}

function dried(one: Beside, operation: Operation, setting: Setting): { one: Beside; out: readonly Out[] } {
  if (one.is !== 'crop') return { one, out: [] }
  const done = operate(one.vessel, operation, setting)
  return { one: { ...one, vessel: done.vessel }, out: done.out }
}

function takenUp(bench: Bench, liquor: string): BenchDone {
  const found = bench.beside.find(one => one.name === liquor)
  if (!found) return { bench, out: [], unknown: `There is no ${liquor} here.` }
  const crops = bench.beside.filter(({ is }) => is === 'crop').length
  const { main } = bench
  const isEmpty = main.lumps.length === 0 && main.ions.size === 0 && main.solvents.size === 0
  return {
    bench: {
      main: found.vessel,
      beside: [
        ...bench.beside.filter(one => one !== found),
        ...(isEmpty ? [] : [{ name: `crop ${crops + 1}`, is: 'crop' as const, vessel: main }]),
      ],
    },
    out: [],
  }
}
