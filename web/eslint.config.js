import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { ignores: ['dist', 'target', 'src/api/schema.d.ts'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  {
    rules: {
      // No markup from data, ever.
      'vue/no-v-html': 'error',
      // Views of one word exist where the word is the thing: Lamp, Seal.
      'vue/multi-word-component-names': 'off',
      // An optional prop that is absent is undefined, which the types say.
      'vue/require-default-prop': 'off',
    },
  },
  prettier,
)
