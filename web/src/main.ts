import '@fontsource/ibm-plex-sans/latin-300.css';
import '@fontsource/ibm-plex-sans/latin-400.css';
import '@fontsource/ibm-plex-sans/latin-600.css';
import '@fontsource/ibm-plex-sans/latin-ext-400.css';
import '@fontsource/ibm-plex-sans/latin-ext-600.css';
import 'carbon-components-svelte/css/all.css';
import './app.css';
import { mount } from 'svelte';
import App from './App.svelte';
import { warmUp } from './engrave/engrave';
import { read, write } from './lib/kept.svelte';
import { unattended } from './paper/settings.svelte';
import { language } from './words/language';

document.documentElement.lang = language;

// a page of an older version asks for what is not there any more: the new one has it
const RELOADED = 'reloaded';
const SOON_MS = 10_000;
addEventListener('vite:preloadError', () => {
  // what is missing in the new one too is not asked for again and again
  if (Date.now() - (read<number>(RELOADED, 'sessionStorage') ?? 0) < SOON_MS) return;
  write(RELOADED, Date.now(), 'sessionStorage');
  location.reload();
});

// what is printed with nobody before it waits for the engraver first of all
if (unattended) warmUp();

mount(App, { target: document.getElementById('app')! });

// keeps what the interface is made of; where the browser has none, the server is asked each time
if (!unattended && import.meta.env.PROD && 'serviceWorker' in navigator)
  void navigator.serviceWorker.register('/sw.js').catch(() => {});
