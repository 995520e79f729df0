import { ref, watch, type Ref } from 'vue'

/** ms that a connection may be away before anybody is told. */
const PATIENCE = 4000

/** True once something has been away for a while; false as soon as it is back. */
export function useCut(isAway: () => boolean): Ref<boolean> {
  const isCut = ref(false)
  let waiting: ReturnType<typeof setTimeout> | undefined
  watch(
    isAway,
    away => {
      clearTimeout(waiting)
      if (away) waiting = setTimeout(() => (isCut.value = true), PATIENCE)
      else isCut.value = false
    },
    { immediate: true },
  )
  return isCut
}
