<!-- Music that is typed as letters: engraved, fingered and heard while it grows, then put on the shelf. -->
<script lang="ts">
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { Kept } from '../lib/kept.svelte';
  import { loaded, sentence } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { Playback } from '../stand/playback.svelte';
  import { asTheyStand } from '../stand/timeline';
  import { ui } from '../words/ui';
  import Typed from './Typed.svelte';

  /** what is typed is there again after the power went, until it is on the shelf */
  const text = new Kept('typed-text', '');
  const instrument = new Kept('typed-instrument', 'flute');
  const key = new Kept('typed-key', 'Bb');
  const meter = new Kept('typed-meter', '4/4');
  const tempo = new Kept('typed-tempo', '96');
  const book = new Kept('typed-book', '');
  const address = new URLSearchParams(location.search);
  let title = $state(address.get('title') ?? '');
  let number = $state(address.get('number') ?? '');
  let said = $state('');
  let failed = $state('');
  let keeping = $state(false);
  let area = $state<HTMLTextAreaElement>();

  const instruments = loaded<Schemas['InstrumentView'][]>();
  const page = loaded<Schemas['TypedTune'][]>();
  const tunes = $derived(page.value ?? []);
  const play = new Playback();

  /** Keys by their major tonics, from seven flats to seven sharps. */
  const KEYS = 'Cb Gb Db Ab Eb Bb F C G D A E B F# C#'.split(' ');
  const METERS = ['4/4', '3/4', '2/4', 'C', 'C|', '2/2', '6/8', '9/8', '12/8', '3/8', '5/4'];
  /** so long nothing is asked while more is typed */
  const PAUSE = 60;

  const music = $derived({
    text: text.value,
    key: key.value,
    meter: meter.value,
    tempo: /^\d{1,3}$/.test(tempo.value) ? `1/4=${tempo.value}` : '',
    instrument: instrument.value
  });

  $effect(() => {
    void instruments.ask(() => asked(api.GET('/api/instruments')));
  });
  $effect(() => {
    const body = music;
    const timer = setTimeout(
      () => untrack(() => void page.ask(() => asked(api.POST('/api/typed/look', { body })))),
      PAUSE
    );
    return () => clearTimeout(timer);
  });
  $effect(() => () => play.stop());

  function goTo({ line, column }: Schemas['TypedProblem']) {
    if (!area) return;
    const before = text.value.split('\n').slice(0, line - 1);
    const at = before.reduce((sum, l) => sum + l.length + 1, 0) + column - 1;
    area.focus();
    area.setSelectionRange(at, at + 1);
  }
  function hear() {
    if (play.playing) return play.stop();
    const notes = tunes.flatMap((t, i) => {
      const before = tunes
        .slice(0, i)
        .reduce((sum, b) => sum + Math.max(0, ...b.notes.map((n) => n.at + n.seconds)), 0);
      return t.notes.map((n) => ({ ...n, at: n.at + before }));
    });
    play.start(asTheyStand(notes), { speed: 1, metronome: false, written: false, loop: false });
  }
  async function keep() {
    failed = '';
    keeping = true;
    try {
      const body = { music, title, book: book.value, number };
      const ids = await asked(api.POST('/api/typed', { body }));
      said = ui.typing.kept(ids.length);
      text.value = '';
      title = '';
      // the next exercise of the book has the next number
      number = /^\d+$/.test(number) ? String(Number(number) + 1) : '';
      await tick();
      area?.focus();
    } catch (e) {
      failed = sentence(e);
    } finally {
      keeping = false;
    }
  }
</script>

<svelte:head><title>{ui.typing.pageTitle}</title></svelte:head>

<div class="page">
  <header>
    <h1>{ui.typing.title}</h1>
    <Button size="small" disabled={keeping || !tunes.length} on:click={() => void keep()}
      >{ui.typing.keep} <kbd>Ctrl</kbd> <kbd>↵</kbd></Button
    >
    <Button size="small" kind="tertiary" disabled={!tunes.length} on:click={hear}
      >{play.playing ? ui.stand.stop : ui.typing.hear}</Button
    >
    <a href="/shelf">{ui.typing.toShelf}</a>
  </header>
  <p role="status" class="said">{said}</p>
  {#if failed}<Trouble text={failed} />{/if}
  <div class="settings">
    <Select
      size="sm"
      labelText={ui.typing.for}
      selected={instrument.value}
      on:change={(e) => (instrument.value = (e.target as HTMLSelectElement).value)}
    >
      {#each instruments.value ?? [] as i (i.id)}<SelectItem value={i.id} text={i.name} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.typing.key}
      selected={key.value}
      on:change={(e) => (key.value = (e.target as HTMLSelectElement).value)}
    >
      {#each KEYS as k, i (k)}<SelectItem value={k} text={ui.typing.signature(i - 7)} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.typing.meter}
      selected={meter.value}
      on:change={(e) => (meter.value = (e.target as HTMLSelectElement).value)}
    >
      {#each METERS as m (m)}<SelectItem value={m} text={m} />{/each}
    </Select>
    <TextInput size="sm" labelText={ui.typing.tempo} bind:value={tempo.value} />
    <TextInput size="sm" labelText={ui.typing.pieceTitle} bind:value={title} />
    <TextInput size="sm" labelText={ui.typing.book} bind:value={book.value} />
    <TextInput size="sm" labelText={ui.typing.number} bind:value={number} />
  </div>
  <label class="text">
    <span class="bx--label">{ui.typing.text}</span>
    <textarea
      class="bx--text-area"
      rows="5"
      spellcheck="false"
      autocapitalize="off"
      autocomplete="off"
      placeholder={ui.typing.example}
      bind:this={area}
      bind:value={text.value}
      onkeydown={(e) => {
        if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
          e.preventDefault();
          void keep();
        }
      }}></textarea>
  </label>
  <p class="small quiet how">{ui.typing.how}</p>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#each tunes as tune, i (i)}
    <Typed {tune} sounds={play.note} onproblem={goTo} />
  {/each}
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1.25rem;
    align-items: center;
  }
  header h1 {
    margin-right: auto;
  }
  .said {
    min-height: 1.4em;
    font-weight: 600;
  }
  .settings {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(8rem, 1fr));
    gap: 0.75rem 1rem;
    margin-bottom: 0.75rem;
  }
  textarea {
    display: block;
    width: 100%;
    font-family: ui-monospace, 'DejaVu Sans Mono', monospace;
    font-size: 1.125rem;
    line-height: 1.6;
    resize: vertical;
  }
  .how {
    margin-top: 0.5rem;
    max-width: 60rem;
  }
</style>
