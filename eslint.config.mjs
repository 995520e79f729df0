import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'
import boundaries from './eslint.boundaries.mjs'

export default [
  { ignores: ['.nuxt', '.output', '.build', '.data', 'node_modules', 'test-results'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  ...boundaries,
]
