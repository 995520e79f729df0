import { routeYields } from '#core/outcome'
import { formatFigure } from '#core/quantity'
import { readPlan } from '#core/sheet'
import { figure, paragraph, type Unnamed } from './page'
import type { Facts } from './source'

/** The yield over all stages, where there are several. */
export function routeYieldsOf({ source, lines, stages }: Facts): Unnamed[] {
  if (stages.length < 2) return []
  const read = readPlan(source.document.plan, source.tables.substances)
  const yields = read.ok ? routeYields(read.value, lines) : undefined
  return yields?.overall ? [paragraph('Over all stages: ', figure(formatFigure(yields.overall)), '.')] : []
}
