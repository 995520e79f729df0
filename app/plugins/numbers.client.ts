import { told } from '~/composables/useNumbers'

/** What the templates' `{{ }}` are compiled to. */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.config.globalProperties.$told = told
})
