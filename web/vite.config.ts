import { svelte } from '@sveltejs/vite-plugin-svelte';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { readFileSync } from 'node:fs';
import { type Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** Carbon's style sheet points to fonts on another host; ours ship with the application. */
const noForeignFonts: Plugin = {
  name: 'no-foreign-fonts',
  enforce: 'pre',
  transform(code, id) {
    if (id.includes('carbon-components-svelte') && id.split('?')[0]?.endsWith('.css')) {
      return { code: code.replace(/@font-face\s*\{[^}]*\}/g, ''), map: null };
    }
    return null;
  }
};

const engraver = JSON.parse(readFileSync('node_modules/verovio/package.json', 'utf8')).version;

export default defineConfig({
  // what was engraved is kept by the version of what engraved it
  define: { __ENGRAVER__: JSON.stringify(engraver) },
  plugins: [noForeignFonts, svelte(), optimizeCss()],
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 10000,
    // what is bundled of others, each with its licence
    license: { fileName: 'licences/web.md' }
  },
  // on a machine that builds and tests other things meanwhile, reading every page takes its time
  test: { testTimeout: 60_000 },
  worker: { format: 'es' },
  optimizeDeps: { exclude: ['verovio', 'carbon-components-svelte'] },
  server: { proxy: { '/api': 'http://localhost:8484' } }
});
