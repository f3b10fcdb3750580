import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { ignores: ['dist/**', 'src/api/generated/**', 'node_modules/**', 'target/**'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  prettier,
  {
    // What is sent and shown is held against the published types; nothing steps around them.
    files: ['src/**', 'tests/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'TSAsExpression > :matches(TSNeverKeyword, TSUnknownKeyword, TSAnyKeyword)',
          message: 'This steps around the published types: type it as it is.',
        },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
    },
  },
  {
    // A browser that checks a form by itself stops it with its own words, or for a step of 0.1.
    files: ['src/**/*.vue'],
    ignores: ['src/parts/AppForm.vue'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        { element: 'form', message: 'Use AppForm, whose sending the browser never stops.' },
      ],
    },
  },
)
