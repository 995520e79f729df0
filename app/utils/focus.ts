/** How many frames what was opened may take to come in. */
const FRAMES = 60

/** Takes the focus to the first element that fits `selector`, now or in a frame soon: a panel that is opened may still have to be fetched. */
export function focusSoon(selector: string, frames = FRAMES): void {
  requestAnimationFrame(() => {
    const found = document.querySelector<HTMLElement>(selector)
    if (found) found.focus()
    else if (frames > 0) focusSoon(selector, frames - 1)
  })
}
