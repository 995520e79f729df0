import { onBeforeUnmount, onMounted, onUnmounted, type Ref } from 'vue'

/** A panel that a press opened takes the focus to its heading, and gives it back to what opened it when it closes. What a press in a field opened leaves the field alone. */
export function usePanelFocus(panel: Readonly<Ref<HTMLElement | null>>): void {
  const opener = document.activeElement instanceof HTMLButtonElement ? document.activeElement : undefined
  let held = false
  onMounted(() => {
    if (!opener) return
    const heading = panel.value?.querySelector<HTMLElement>('h2')
    if (!heading) return
    heading.tabIndex = -1
    heading.focus({ preventScroll: true })
  })
  onBeforeUnmount(() => {
    // Where nothing has the focus it was in the panel last: a field lets go of it at Escape.
    held = document.activeElement === document.body || (panel.value?.contains(document.activeElement) ?? false)
  })
  onUnmounted(() => {
    if (held && opener?.isConnected) opener.focus({ preventScroll: true })
  })
}
