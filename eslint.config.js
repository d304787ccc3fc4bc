// Single-file components: what their templates say. Everything in TypeScript, their scripts included, is oxlint's (.oxlintrc.json).
import tseslint from 'typescript-eslint';
import vue from 'eslint-plugin-vue';
import vueParser from 'vue-eslint-parser';
import globals from 'globals';
import { defineConfig } from 'eslint/config';

/** Where spaces and lines go is the formatter's. */
const LAYOUT = Object.fromEntries(
  Object.entries(vue.rules)
    .filter(([, rule]) => rule.meta.type === 'layout')
    .map(([name]) => [`vue/${name}`, 'off']),
);

export default defineConfig([
  vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: {
      parser: vueParser,
      parserOptions: { parser: tseslint.parser },
      globals: { ...globals.browser },
    },
    rules: { ...LAYOUT, 'vue/multi-word-component-names': 'off' },
  },
]);
