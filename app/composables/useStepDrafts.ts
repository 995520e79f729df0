import { computed, ref, watch, type Ref, type WritableComputedRef } from 'vue'
import { ofLab } from '~/utils/whose'
import { dropFromDevice, keepOnDevice, readFromDevice } from '~/utils/device'

const keyOf = (code: string): string => ofLab(`typed.${code}`)

/** What is typed at a step and not recorded yet, by step and field: it stays with its step, over other steps and a reload. */
export function useStepDrafts(code: Ref<string>, step: Ref<string>) {
  const texts = ref<Readonly<Record<string, string>>>({})
  watch(code, now => (texts.value = readFromDevice(keyOf(now)) ?? {}), { immediate: true })

  const textOf = (field: string): string => texts.value[`${step.value} ${field}`] ?? ''
  function setText(field: string, text: string): void {
    const { [`${step.value} ${field}`]: _, ...rest } = texts.value
    texts.value = text === '' ? rest : { ...rest, [`${step.value} ${field}`]: text }
    if (Object.keys(texts.value).length === 0) dropFromDevice(keyOf(code.value))
    else keepOnDevice(keyOf(code.value), texts.value)
  }
  const draft = (field: string): WritableComputedRef<string> =>
    computed({ get: () => textOf(field), set: text => setText(field, text) })
  return { textOf, setText, draft }
}
