import js from '@eslint/js';
import tseslint from 'typescript-eslint';
import vue from 'eslint-plugin-vue';
import vueParser from 'vue-eslint-parser';
import prettier from 'eslint-config-prettier';
import globals from 'globals';
import { defineConfig, globalIgnores } from 'eslint/config';

/** The core is pure: no clock, no chance, no browser and no Node API. */
const impure = [
  { name: 'document', message: 'core has no DOM.' },
  { name: 'window', message: 'core has no DOM.' },
  { name: 'fetch', message: 'core does no input or output.' },
  { name: 'process', message: 'core has no Node API.' },
  { name: 'performance', message: 'core has no clock.' },
];

export default defineConfig([
  globalIgnores(['dist', 'node_modules', 'components.d.ts', 'data', 'logs']),
  js.configs.recommended,
  tseslint.configs.recommended,
  vue.configs['flat/recommended'],
  { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
  { files: ['**/*.vue'], languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser } } },
  {
    files: ['**/*.{ts,vue}'],
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
    },
  },
  // Fixtures say by their first argument which others they need, and some need none.
  {
    files: ['e2e/harness/test.ts'],
    rules: { 'no-empty-pattern': ['error', { allowObjectPatternsAsParameters: true }] },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', ...impure],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'core is seeded: use maths/random.' },
        { object: 'Date', property: 'now', message: 'core has no clock.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'core has no clock.' },
      ],
    },
  },
  prettier,
]);
