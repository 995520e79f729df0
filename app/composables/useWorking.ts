import { shallowRef, watch } from 'vue'
import { figuresIn, type Figure } from '#core/quantity'

/**
 * The figure whose working stands open. It follows its figure: when what the page computed changes, the one of the same name and place takes
 * over; where there is none any more, the working closes rather than tell an old number.
 */
export function useWorking(computed: () => unknown) {
  const shown = shallowRef<Figure>()
  let nth = -1

  const named = (name: string): Figure[] => figuresIn(computed()).filter(figure => figure.name === name)
  function show(figure: Figure): void {
    nth = named(figure.name).indexOf(figure)
    shown.value = figure
  }
  const close = (): void => {
    shown.value = undefined
  }
  watch(computed, () => {
    if (!shown.value) return
    const again = named(shown.value.name)
    shown.value = again[nth] ?? (again.length === 1 ? again[0] : undefined)
  })
  return { shown, show, close }
}
