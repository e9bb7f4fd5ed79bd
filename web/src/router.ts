import { createRouter } from 'sv-router';
import Today from './today/Today.svelte';

export const { navigate, preload, route } = createRouter({
  '/': Today,
  '/stand': () => import('./stand/NoPart.svelte'),
  '/stand/:student/:piece': () => import('./stand/Stand.svelte'),
  '/chart/:instrument': () => import('./chart/Chart.svelte'),
  '/scale': () => import('./chart/Scale.svelte'),
  '/sheet/:student/:piece': () => import('./paper/One.svelte'),
  '/simpler/:student/:piece': () => import('./stand/Simpler.svelte'),
  '/ear': () => import('./stand/NoPart.svelte'),
  '/ear/class/:group': () => import('./ear/ClassStart.svelte'),
  '/ear/check/:check': () => import('./ear/ClassCheck.svelte'),
  '/ear/:student/:piece': () => import('./ear/Ear.svelte'),
  '/parts/:assignment': () => import('./shelf/Parts.svelte'),
  '/shelf/:piece': () => import('./shelf/Look.svelte'),
  '/shelf': () => import('./shelf/Shelf.svelte'),
  '/people': () => import('./people/People.svelte'),
  '/people/many': () => import('./people/Many.svelte'),
  '/people/group/:group/pieces': () => import('./people/Matrix.svelte'),
  '/people/group/:group/note/:pitch': () => import('./people/Lesson.svelte'),
  '/people/group/:group/grid': () => import('./people/Grid.svelte'),
  '/people/group/:group/plays': () => import('./people/Plays.svelte'),
  '/people/group/:group': () => import('./people/GroupMap.svelte'),
  '/people/:student/report': () => import('./people/Report.svelte'),
  '/people/:student': () => import('./people/Record.svelte'),
  '/removed': () => import('./removed/Removed.svelte'),
  '/notes': () => import('./notes/Notes.svelte'),
  '/notes/across/:pitch': () => import('./notes/Across.svelte'),
  '/notes/:instrument': () => import('./notes/Notes.svelte'),
  '/notes/:instrument/:note': () => import('./notes/Notes.svelte'),
  '*notfound': () => import('./parts/NotFound.svelte')
});
