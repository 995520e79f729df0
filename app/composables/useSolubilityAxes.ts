/** The lettering of a chart on its canvas. */
export const chartFont = { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: '#566063' }

const splitLine = { lineStyle: { color: '#eceadf' } }
/** Axes of a solubility chart: 0 to 100 °C, and g in 100 g of water up to a top. */
export const solubilityAxes = (top: number) => ({
  xAxis: { type: 'value', min: 0, max: 100, name: '°C', nameLocation: 'middle', nameGap: 24, splitLine },
  yAxis: {
    type: 'value',
    min: 0,
    max: top,
    name: 'g in 100 g water',
    nameTextStyle: { align: 'left', padding: [0, 0, 0, -40] },
    splitLine,
  },
})
