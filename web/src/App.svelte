<script lang="ts">
  import { Router } from 'sv-router';
  import { visit, route } from './router';
  import { last } from './last.svelte';
  import { theme } from './theme.svelte';
  import Shortcuts from './parts/Shortcuts.svelte';
  import Finder from './parts/Finder.svelte';
  import type { Marked } from './ear/pending';
  import { outbox } from './ear/outbox.svelte';
  import { lost } from './lib/lost.svelte';
  import { school } from './lib/school.svelte';
  import type { Grade } from './words/standing';
  import { pageKeys, pressed, typing } from './lib/keys.svelte';
  import { LANGUAGES, NAMES, language, sheet, speak } from './words/language';
  import { placeOf } from './help/help';
  import { ui } from './words/ui';

  let help = $state(false);
  /** on a phone: what stands beside the places */
  let more = $state(false);
  $effect(() => {
    void route.pathname;
    more = false;
  });
  let finding = $state(false);

  $effect(() => outbox.start());
  const elsewhere = $derived(outbox.elsewhere.flatMap((e) => e.presses as Held[]));
  /** What is known of a press without the data that it was for. */
  type Held = Marked & { grade?: Grade; written?: string; remark?: string; judge?: string };
  const held = (p: Held) =>
    [
      p.at && new Date(p.at).toLocaleString(language),
      p.written,
      p.grade && ui.standing[p.grade],
      p.judge,
      p.remark
    ]
      .filter(Boolean)
      .join(' · ');

  const part = $derived(last.value.piece ? `/${last.value.student}/${last.value.piece}` : '');
  const here = (start: string) => route.pathname.startsWith(start);
  const places = $derived([
    { href: '/', name: ui.app.today, key: 't', active: route.pathname === '/' },
    {
      href: '/stand' + part,
      name: ui.app.stand,
      key: 's',
      active: here('/stand') || here('/drums')
    },
    { href: '/ear' + part, name: ui.app.ear, key: 'e', active: here('/ear') },
    { href: '/shelf', name: ui.app.shelf, key: 'l', active: here('/shelf') },
    { href: '/notes', name: ui.app.notes, key: 'n', active: here('/notes') },
    { href: '/people', name: ui.app.people, key: 'p', active: here('/people') }
  ]);

  /** the page's title is said to those who do not see that the page has changed */
  let said = $state('');
  $effect(() => {
    void route.pathname;
    const timer = setTimeout(() => (said = document.title.replace(' · Sempre', '')), 600);
    return () => clearTimeout(timer);
  });

  /** What is chosen for one sheet holds for its page only. */
  const first = location.pathname;
  $effect(() => {
    if ((sheet.language || sheet.names) && route.pathname !== first) location.reload();
  });

  /** g was pressed: the next key is a place or nothing */
  let leading = false;
  pageKeys(ui.keys.everywhere, [
    { on: '/', words: ui.keys.find, act: () => (finding = true) },
    {
      on: 'g',
      shown: ui.keys.gThen,
      words: ui.keys.goTo,
      act: () => {
        leading = true;
      }
    },
    { on: '?', words: ui.keys.thisList, act: () => (help = true) }
  ]);
  function onkeydown(e: KeyboardEvent) {
    if (!leading) return pressed(e);
    leading = false;
    const place = places.find((p) => p.key === e.key);
    if (!place || typing(e)) return;
    e.preventDefault();
    visit(place.href);
  }
</script>

<svelte:window {onkeydown} />

<a class="skip" href="#main">{ui.app.toPage}</a>
<div class="frame">
  <nav aria-label={ui.app.places} class:more>
    <span class="name">Sempre</span>
    {#each places as p (p.name)}
      <a href={p.href} aria-current={p.active ? 'page' : undefined} class:active={p.active}>
        {p.name}
      </a>
    {/each}
    <span class="grow"></span>
    <button
      class="plain dots"
      aria-expanded={more}
      aria-label={ui.app.more}
      onclick={() => (more = !more)}>⋯</button
    >
    <button class="plain" onclick={() => (finding = true)}>{ui.app.find} <kbd>/</kbd></button>
    <button class="plain keysOf" onclick={() => (help = true)}>{ui.app.keys} <kbd>?</kbd></button>
    <a
      href="/help/{placeOf(route.pathname)}"
      class:active={route.pathname.startsWith('/help')}
      aria-current={route.pathname.startsWith('/help') ? 'page' : undefined}>{ui.app.help}</a
    >
    {#each LANGUAGES.filter((l) => l !== language) as l (l)}
      <button class="plain" lang={l} onclick={() => speak(l)}>{NAMES[l]}</button>
    {/each}
    <button class="plain" onclick={() => theme.toggle()}
      >{theme.dark ? ui.app.light : ui.app.dark}</button
    >
  </nav>
  <main id="main" tabindex="-1">
    {#if lost.told.length}
      <div class="lost" role="alert">
        <b>{ui.all.lostChange}</b>
        {lost.told.join(' ')}
        <button class="plain link" onclick={() => lost.read()}>{ui.all.gotIt}</button>
      </div>
    {/if}
    {#if school.other}
      <div class="lost" role="alert">
        {ui.all.otherSchool}
        <button class="plain link" onclick={() => location.reload()}>{ui.all.reload}</button>
      </div>
    {/if}
    {#if outbox.elsewhere.length}
      <div class="lost" role="alert">
        {ui.all.heldElsewhere(elsewhere.length)}
        <details>
          <summary>{ui.all.showHeld}</summary>
          <ul>
            {#each elsewhere as p (p.mark)}<li>{held(p)}</li>{/each}
          </ul>
        </details>
        <button class="plain link" onclick={() => outbox.throwAway()}>{ui.all.discardHeld}</button>
      </div>
    {/if}
    {#if outbox.waiting}<p class="waits" role="status">{ui.all.waitsHere(outbox.waiting)}</p>{/if}
    <p class="unready">{ui.paper.notDrawn}</p>
    <Router />
  </main>
</div>
<p class="bx--visually-hidden" role="status" aria-live="polite">{said}</p>
<Shortcuts bind:open={help} />
{#if finding}<Finder onclose={() => (finding = false)} />{/if}

<style>
  .skip {
    position: absolute;
    left: -100rem;
  }
  .skip:focus {
    left: 0.5rem;
    top: 0.5rem;
    z-index: 9;
    background: var(--paper);
    padding: 0.75rem;
  }
  .frame {
    display: grid;
    grid-template-columns: 6.25rem minmax(0, 1fr);
    min-height: 100vh;
  }
  nav {
    position: sticky;
    top: 0;
    height: 100vh;
    box-sizing: border-box;
    display: flex;
    flex-direction: column;
    gap: 0.125rem;
    padding: 1.75rem 0 1.25rem;
    border-right: 1px solid var(--rule);
  }
  .name {
    font-weight: 600;
    padding: 0 1rem 1.25rem;
    color: var(--accent);
  }
  nav a,
  nav button {
    padding: 0.5rem 0.25rem 0.5rem 1rem;
    display: flex;
    align-items: center;
    gap: 0.375rem;
    min-height: var(--target);
    box-sizing: border-box;
    white-space: nowrap;
    color: var(--ink-2);
    text-decoration: none;
    border-left: 3px solid transparent;
  }
  nav a:hover,
  nav button:hover {
    color: var(--ink);
  }
  nav a.active {
    color: var(--ink);
    font-weight: 600;
    border-left-color: var(--accent);
  }
  .grow {
    flex: 1;
  }
  main {
    min-width: 0;
    outline: none;
  }
  @media (max-width: 1000px) {
    .frame {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: auto 1fr;
    }
    nav {
      position: static;
      height: auto;
      flex-direction: row;
      align-items: center;
      padding: 0 0.5rem;
      border-right: 0;
      border-bottom: 1px solid var(--rule);
      flex-wrap: wrap;
    }
    .name {
      padding: 0 0.75rem;
    }
    nav a,
    nav button {
      padding: 0.75rem 0.625rem;
      border-left: 0;
      border-bottom: 3px solid transparent;
      white-space: nowrap;
    }
    nav a.active {
      border-bottom-color: var(--accent);
    }
  }
  .dots {
    display: none;
  }
  /* where there are no keys nobody is told of them */
  @media (hover: none) and (pointer: coarse) {
    nav .keysOf {
      display: none;
    }
  }
  /* on a phone: the places in one row, and behind a button what else there is */
  @media (max-width: 600px) {
    .name,
    nav kbd {
      display: none;
    }
    nav {
      padding: 0;
    }
    nav a,
    nav button {
      flex: 1 0 auto;
      padding: 0.6875rem 0.25rem;
      justify-content: center;
      font-size: 0.875rem;
    }
    nav .dots {
      display: flex;
      min-width: 1.75rem;
    }
    .grow {
      display: none;
    }
    nav:not(.more) .dots ~ * {
      display: none;
    }
  }
  .lost {
    padding: 0.75rem 1.5rem;
    border-left: 3px solid var(--hard);
    background: var(--paper);
  }
  :global([data-reading]) nav {
    display: none;
  }
  :global([data-reading]) .frame {
    grid-template-columns: minmax(0, 1fr);
  }
  .unready {
    display: none;
  }
  @media print {
    /* an empty staff is handed out as if there were nothing to play */
    :global(:root:is([data-printable='no'], [data-drawing])) #main > :global(:not(.unready)) {
      display: none;
    }
    :global(:root:is([data-printable='no'], [data-drawing])) .unready {
      display: block;
      font-size: 1.5rem;
    }
    nav,
    .lost,
    .skip {
      display: none;
    }
    .frame {
      display: block;
      min-height: 0;
    }
  }
</style>
