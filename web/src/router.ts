import { createRouter } from 'sv-router';
import Today from './today/Today.svelte';

const { navigate, preload, route } = createRouter({
  '/': Today,
  '/stand': () => import('./stand/NoPart.svelte'),
  '/stand/:student/:piece': () => import('./stand/Stand.svelte'),
  '/drums/:student/:piece': () => import('./drums/Drums.svelte'),
  '/drums/:student/:piece/sheet': () => import('./paper/One.svelte'),
  '/chart/:instrument': () => import('./chart/Chart.svelte'),
  '/scale': () => import('./chart/Scale.svelte'),
  '/sheet/:student/:piece': () => import('./paper/One.svelte'),
  '/simpler/:student/:piece': () => import('./stand/Simpler.svelte'),
  '/ear': () => import('./stand/NoPart.svelte'),
  '/ear/class/:group': () => import('./ear/ClassStart.svelte'),
  '/ear/check/:check': () => import('./ear/ClassCheck.svelte'),
  '/ear/:student/:piece': () => import('./ear/Ear.svelte'),
  '/practice/:student/:piece': () => import('./practice/Practice.svelte'),
  '/practice/:student/:piece/paper': () => import('./practice/PracticePaper.svelte'),
  '/practice/:student/:piece/material': () => import('./material/Material.svelte'),
  '/practice/:student/:piece/tuner': () => import('./tools/Tuner.svelte'),
  '/practice/:student/:piece/material/paper': () => import('./material/MaterialPaper.svelte'),
  '/parts/:assignment/bits': () => import('./practice/PracticeAll.svelte'),
  '/parts/:assignment': () => import('./shelf/Parts.svelte'),
  '/shelf/book/:book': () => import('./shelf/Book.svelte'),
  '/shelf/typed': () => import('./typing/Typing.svelte'),
  '/shelf/:piece': () => import('./shelf/Look.svelte'),
  '/shelf': () => import('./shelf/Shelf.svelte'),
  '/people': () => import('./people/People.svelte'),
  '/people/many': () => import('./people/Many.svelte'),
  '/people/group/:group/pieces': () => import('./people/Matrix.svelte'),
  '/people/group/:group/note/:pitch': () => import('./people/Lesson.svelte'),
  '/people/group/:group/grid': () => import('./people/Grid.svelte'),
  '/people/group/:group/grades': () => import('./people/Gradebook.svelte'),
  '/people/group/:group/plays': () => import('./people/Plays.svelte'),
  '/people/group/:group': () => import('./people/GroupMap.svelte'),
  '/people/:student/sight': () => import('./people/Sight.svelte'),
  '/people/auditions': () => import('./audition/Auditions.svelte'),
  '/people/audition/:audition': () => import('./audition/Audition.svelte'),
  '/people/mock/:mock': () => import('./audition/Mock.svelte'),
  '/people/:student/agenda': () => import('./people/Agenda.svelte'),
  '/people/:student/agenda/paper': () => import('./people/AgendaPaper.svelte'),
  '/people/:student/report': () => import('./people/Report.svelte'),
  '/people/:student': () => import('./people/Record.svelte'),
  '/help': () => import('./help/HelpPage.svelte'),
  '/help/:place': () => import('./help/HelpPage.svelte'),
  '/tools': () => import('./tools/Tools.svelte'),
  '/removed': () => import('./removed/Removed.svelte'),
  '/notes': () => import('./notes/Notes.svelte'),
  '/notes/across/:pitch': () => import('./notes/Across.svelte'),
  '/notes/:instrument': () => import('./notes/Notes.svelte'),
  '/notes/:instrument/:note': () => import('./notes/Notes.svelte'),
  '*notfound': () => import('./parts/NotFound.svelte')
});

export { preload, route };

/** Goes to an address of this application, with what stands behind its ? and #. */
export function visit(href: string, options: { replace?: boolean } = {}) {
  const url = new URL(href, location.origin);
  const search = Object.fromEntries(url.searchParams);
  const hash = url.hash.slice(1);
  return navigate(url.pathname as '/', { ...options, search, ...(hash && { hash }) });
}
