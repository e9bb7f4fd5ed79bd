import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import oneDoor from './one-door.js';
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
  {
    // where state lives; a plain module only says how a thing is asked
    files: ['src/**/*.svelte', 'src/**/*.svelte.ts'],
    plugins: { sempre: oneDoor },
    rules: { 'sempre/one-door': 'error' }
  },
  // maps are built and read within one derivation and never change afterwards
  { rules: { 'no-undef': 'off', 'svelte/prefer-svelte-reactivity': 'off' } }
);
