import { useLocalStorage } from '@vueuse/core'

const isOn = useLocalStorage('zip-ledger.letter-keys', true)

/** Whether single keys act without a modifier; kept on this device. Speech input and slips of the hand press them unmeant. */
export const useLetterKeys = () => isOn
