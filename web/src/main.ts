import '@fontsource/ibm-plex-sans/latin-300.css';
import '@fontsource/ibm-plex-sans/latin-400.css';
import '@fontsource/ibm-plex-sans/latin-600.css';
import '@fontsource/ibm-plex-sans/latin-ext-400.css';
import '@fontsource/ibm-plex-sans/latin-ext-600.css';
import 'carbon-components-svelte/css/all.css';
import './app.css';
import { mount } from 'svelte';
import App from './App.svelte';
import { language } from './words/language';

document.documentElement.lang = language;

mount(App, { target: document.getElementById('app')! });
