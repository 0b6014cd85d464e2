// The rules of the house for TypeScript and Vue, as far as they ask for no types; those stand in .oxlintrc.json.
import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'
import { sizeRules } from './scripts/house/sizes.mjs'

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.data/**',
      'test-results/**',
      '**/*.cjs',
      '**/vite.config.ts',
      'vitest.config.ts',
    ],
  },
  js.configs.recommended,
  { files: ['scripts/**/*.mjs', 'eslint.config.js'], languageOptions: { globals: globals.node } },
  { files: ['server/standIns/**/public/*.js'], languageOptions: { globals: globals.browser } },
  ...tseslint.configs.recommended.map((config) => ({ ...config, files: ['**/*.ts', '**/*.vue'] })),
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.ts', '**/*.vue'],
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      'no-undef': 'off',
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['**/*.vue'],
    languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser } },
    rules: {
      'vue/multi-word-component-names': ['error', { ignores: ['Frond'] }],
      'vue/require-default-prop': 'off',
      'vue/no-v-html': 'error',
    },
  },
  { files: ['**/*.ts'], ignores: ['**/*.test.ts'], rules: { complexity: ['error', 20] } },
  ...sizeRules,
  prettier,
)
