import { Kept } from './lib/kept.svelte';

/** The part opened last in this browser, so that the rail leads back to it; 0 where there is none. */
export const last = new Kept('last', { student: 0, piece: 0 });
