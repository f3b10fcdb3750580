import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { ignores: ['dist/**', 'src/api/generated/**', 'node_modules/**', 'target/**'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  prettier,
)
