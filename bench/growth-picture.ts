import { LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TitleComponent } from 'echarts/components'
import { init, use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'

interface Part {
  readonly title: string
  readonly of: string
  readonly xs: readonly number[]
  readonly rows: readonly { readonly name: string; readonly times: readonly number[] }[]
}

/** The parts of a table as bench/growth.ts writes it. */
function partsOf(table: string): Part[] {
  return table
    .split(/^### /m)
    .slice(1)
    .map(part => {
      const lines = part.split('\n')
      const cells = (line: string): string[] =>
        line
          .split('|')
          .slice(1, -1)
          .map(cell => cell.trim())
      const [, ...heads] = cells(lines[2]!)
      return {
        title: lines[0]!.trim(),
        of: heads[0]!.replace(/^[\d,]+ /, ''),
        xs: heads.map(head => Number(head.replaceAll(/[^\d]/g, ''))),
        rows: lines
          .slice(4)
          .map(cells)
          .filter(([name]) => name)
          .map(([name, ...times]) => ({ name: name!, times: times.map(Number) })),
      }
    })
}

const COLOURS = [
  '#1f6f5f',
  '#b5473a',
  '#3b6fb5',
  '#8a6d1f',
  '#6b4fa0',
  '#2f9aa0',
  '#c46a1c',
  '#7a7f7e',
  '#a33f7f',
  '#222222',
]
const SYMBOLS = ['circle', 'rect', 'triangle', 'diamond', 'roundRect'] as const
const WIDTH = 430

/** How each route’s time grows, as a picture with a part for each of the table’s. */
export function pictureOf(table: string): string {
  const parts = partsOf(table)
  use([LineChart, GridComponent, LegendComponent, TitleComponent, SVGRenderer])
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: WIDTH * parts.length, height: 470 })
  const times = parts.flatMap(({ rows }) => rows.flatMap(row => row.times))
  const top = 10 ** Math.ceil(Math.log10(Math.max(...times)))
  chart.setOption({
    animation: false,
    backgroundColor: '#ffffff',
    color: COLOURS,
    textStyle: { fontFamily: 'sans-serif' },
    legend: { bottom: 4, left: 40, right: 40, itemGap: 18, textStyle: { width: 150, overflow: 'truncate' } },
    title: parts.map(({ title }, i) => ({ text: title, left: WIDTH * i + 55, top: 8, textStyle: { fontSize: 14 } })),
    grid: parts.map((_, i) => ({ left: WIDTH * i + 60, width: WIDTH - 95, top: 48, bottom: 125 })),
    xAxis: parts.map(({ of, xs }, i) => ({
      type: 'log',
      gridIndex: i,
      name: of,
      nameLocation: 'middle',
      nameGap: 28,
      min: xs[0],
      max: xs.at(-1),
    })),
    yAxis: parts.map((_, i) => ({
      type: 'log',
      gridIndex: i,
      min: 1,
      max: top,
      name: i === 0 ? '95th percentile, ms' : '',
      nameLocation: 'middle',
      nameGap: 40,
    })),
    series: parts.flatMap(({ rows, xs }, i) =>
      rows.map(({ name, times: mine }, n) => ({
        type: 'line',
        name,
        symbol: SYMBOLS[n % SYMBOLS.length],
        symbolSize: 7,
        lineStyle: { width: 2, type: n < 5 ? 'solid' : 'dashed' },
        xAxisIndex: i,
        yAxisIndex: i,
        data: mine.map((ms, j) => [xs[j], Math.max(1, ms)]),
      })),
    ),
  })
  const picture = chart.renderToSVGString()
  // Its clock would keep the process.
  chart.dispose()
  return picture
}
