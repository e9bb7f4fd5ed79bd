// Writes the service worker: what the interface is made of is kept in the browser, each file by its
// content, so that a page stands there at once and also while Sempre does not answer. A page itself is
// asked of the server first. Nothing of /api is kept: it has names of students.
import { generateSW } from 'workbox-build';

const { count, size, warnings } = await generateSW({
  globDirectory: 'dist',
  globPatterns: ['index.html', 'theme.js', 'sempre.svg', 'assets/*.{js,mjs,css,woff2,wasm}'],
  swDest: 'dist/sw.js',
  cacheId: 'sempre',
  inlineWorkboxRuntime: true,
  sourcemap: false,
  maximumFileSizeToCacheInBytes: 20_000_000,
  // what the build names by its content needs no other mark
  dontCacheBustURLsMatching: /^assets\//,
  directoryIndex: '',
  cleanupOutdatedCaches: true,
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      urlPattern: ({ request }) => request.mode === 'navigate',
      handler: 'NetworkOnly',
      options: { precacheFallback: { fallbackURL: 'index.html' } }
    }
  ]
});
warnings.forEach((w) => console.warn(w));
if (warnings.length) process.exit(1);
console.log(`service worker: ${count} files, ${Math.round(size / 1024)} kB`);
