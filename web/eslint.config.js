import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs['flat/recommended'],
  { ignores: ['src/api/schema.d.ts', 'dist/'] },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } }
  },
  // maps are built and read within one derivation and never change afterwards
  { rules: { 'no-undef': 'off', 'svelte/prefer-svelte-reactivity': 'off' } }
);
