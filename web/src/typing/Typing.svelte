<!-- Music that is typed as letters: engraved, fingered and heard while it grows, then put on the shelf. -->
<script lang="ts">
  import { Button, Checkbox, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { tick, untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { Kept, write } from '../lib/kept.svelte';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { Playback } from '../stand/playback.svelte';
  import { asTheyStand } from '../stand/timeline';
  import { putPage } from '../shelf/bring';
  import { ui } from '../words/ui';
  import { BeingRead } from './being-read.svelte';
  import BookPage from './BookPage.svelte';
  import Keys from './Keys.svelte';
  import Make from './Make.svelte';
  import { settings } from './letters';
  import { typedText } from './text';
  import Typed from './Typed.svelte';

  const address = new URLSearchParams(location.search);
  /** the piece on the shelf that is changed; none where a new one is typed */
  const piece = Number(address.get('piece') ?? 0);
  const of = piece ? `-${piece}` : '';
  /** what is typed is there again after the power went, until it is on the shelf */
  const text = typedText(of);
  const instrument = new Kept(`typed-instrument${of}`, 'flute');
  const key = new Kept(`typed-key${of}`, 'Bb');
  const meter = new Kept(`typed-meter${of}`, '4/4');
  const tempo = new Kept(`typed-tempo${of}`, '96');
  const book = new Kept(`typed-book${of}`, '');
  let title = $state('');
  let number = $state('');
  /** how the piece was before it was changed here */
  let was = $state.raw<Schemas['TypedPiece']>();
  let said = $state('');
  const changes = door();
  let area = $state<HTMLTextAreaElement>();
  let wide = $state(0);
  /** the piano keys are there from the start, until one prefers letters alone */
  const keys = new Kept('typed-keys', true);
  const bookPage = new BeingRead(of);
  let keepsPage = $state(false);
  let makes = $state(address.has('make'));

  const instruments = loaded<Schemas['InstrumentView'][]>();
  const page = loaded<Schemas['TypedTune'][]>();
  const kept = loaded<Schemas['TypedKept']>();
  const tunes = $derived(page.value ?? []);
  const play = new Playback();

  /** Keys by their major tonics, from seven flats to seven sharps. */
  const KEYS = 'Cb Gb Db Ab Eb Bb F C G D A E B F# C#'.split(' ');
  const METERS = ['4/4', '3/4', '2/4', 'C', 'C|', '2/2', '6/8', '9/8', '12/8', '3/8', '5/4'];
  /** so many bars stand on a line, by the room there is in px */
  const perLine = $derived(wide >= 1000 ? 4 : wide >= 700 ? 3 : wide >= 380 ? 2 : 1);

  const music = $derived({
    text: text.value,
    key: key.value,
    meter: meter.value,
    tempo: /^\d{1,3}$/.test(tempo.value) ? `1/4=${tempo.value}` : '',
    instrument: instrument.value,
    perLine
  });
  const player = $derived(instruments.value?.find((i) => i.id === instrument.value));

  $effect(() => {
    void instruments.ask(() => asked(api.GET('/api/instruments')));
  });
  let wanted: typeof music | undefined;
  let asking = false;
  /** Asks at once, and while an answer is on its way for what was typed last. */
  async function look(body: typeof music) {
    wanted = body;
    if (asking) return;
    asking = true;
    while (wanted) {
      const next: typeof music = wanted;
      wanted = undefined;
      await page.ask(() => asked(api.POST('/api/typed/look', { body: next })));
    }
    asking = false;
  }
  $effect(() => {
    const body = music;
    untrack(() => void look(body));
  });
  if (piece) {
    void kept.ask(
      () => asked(api.GET('/api/typed/{id}', { params: { path: { id: piece } } })),
      (k) => {
        const s = settings(k.text, KEYS, METERS);
        title = k.title;
        number = k.number;
        // what was being changed when the power went is gone on with
        if (!text.chosen) {
          book.value = k.book;
          text.value = s.text;
          if (k.instrument) instrument.value = k.instrument;
          if (s.key) key.value = s.key;
          if (s.meter) meter.value = s.meter;
          tempo.value = s.tempo ?? '';
        }
        if (k.page) void bookPage.fetch(`/api/pieces/${piece}/page`);
      }
    );
  }
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
  const body = () => ({ music, title, book: book.value, number });
  async function withPage(ids: number[]) {
    if (!keepsPage || !bookPage.file) return;
    for (const id of ids) await putPage(id, bookPage.file);
  }
  const keep = () =>
    changes.once(
      async () => {
        const ids = (await asked(api.POST('/api/typed', { body: body() }))).map((i) => i.id);
        await withPage(ids);
        return ids.length;
      },
      async (n) => {
        said = ui.typing.kept(n);
        if (piece) return forget();
        text.value = '';
        title = '';
        // the next exercise of the book has the next number
        number = /^\d+$/.test(number) ? String(Number(number) + 1) : '';
        await tick();
        area?.focus();
      }
    );
  /** Puts what is typed in the place of the piece, or what was there before back. */
  const change = (to: Schemas['TypedPiece']) =>
    changes.once(async () => {
      const k = await asked(api.GET('/api/typed/{id}', { params: { path: { id: piece } } }));
      const before = {
        music: { ...music, text: k.text, instrument: k.instrument || instrument.value },
        title: k.title,
        book: k.book,
        number: k.number
      };
      const path = { params: { path: { id: piece } }, body: to };
      const changed = await asked(api.PUT('/api/typed/{id}', path));
      await withPage([piece]);
      said = changed.sentence;
      was = before;
      if (to.music !== music) {
        const s = settings(to.music.text, KEYS, METERS);
        text.value = s.text;
        if (s.key) key.value = s.key;
        if (s.meter) meter.value = s.meter;
        tempo.value = s.tempo ?? '';
        instrument.value = to.music.instrument;
        title = to.title;
        number = to.number;
        book.value = to.book;
      }
      forget();
    });
  /** What is on the shelf need not be kept here; it is asked for anew another time. */
  function forget() {
    for (const k of [text, instrument, key, meter, tempo, book]) write(k.name, undefined);
  }

  /** Sets letters in where the typing is, in place of so many before; the browser can undo it. */
  function put(letters: string, instead = 0) {
    if (!area || (!letters && !instead)) return;
    const from = document.activeElement as HTMLElement | null;
    area.focus({ preventScroll: true });
    if (instead) area.setSelectionRange(area.selectionStart - instead, area.selectionEnd);
    // the one way that leaves the browser's own undo whole
    document.execCommand(letters ? 'insertText' : 'delete', false, letters);
    from?.focus({ preventScroll: true });
  }
  function undo() {
    const from = document.activeElement as HTMLElement | null;
    area?.focus({ preventScroll: true });
    document.execCommand('undo');
    from?.focus({ preventScroll: true });
  }
  /** What was made stands where what was typed last ends, or in the empty field. */
  function made(m: Schemas['MadeExercise']) {
    const both = `${text.value}\n${m.text}`;
    if (text.value.trim() && /^X:/m.test(both)) {
      changes.refuse(ui.typing.firstKeep);
      return;
    }
    said = m.told;
    if (m.instrument) instrument.value = m.instrument;
    const own = !text.value.trim();
    if (own) title = m.title;
    if (m.key && own) key.value = m.key;
    const behind = own ? '' : `${text.value.trimEnd()}\n\n`;
    // beside other music it says its key itself
    const says = m.key && !own ? `K:${m.key}\n` : '';
    area?.focus({ preventScroll: true });
    area?.select();
    document.execCommand('insertText', false, behind + says + m.text);
  }
  /** A written note sounds for a moment. */
  function sound(midi: number) {
    const tone = {
      id: '',
      at: 0,
      seconds: 0.35,
      writtenMidi: midi,
      soundingMidi: midi + (player?.sounds ?? 0)
    };
    play.start(asTheyStand([tone]), { speed: 1, metronome: false, written: false, loop: false });
  }
</script>

<svelte:head><title>{ui.typing.pageTitle}</title></svelte:head>

<div class="page">
  <header>
    <h1>{piece ? ui.typing.changes(kept.value?.title ?? '') : ui.typing.title}</h1>
    <Button
      size="small"
      disabled={changes.busy || !tunes.length}
      on:click={() => void (piece ? change(body()) : keep())}
      >{piece ? ui.typing.keepChange : ui.typing.keep} <kbd>Ctrl</kbd> <kbd>↵</kbd></Button
    >
    {#if piece}
      <Button
        size="small"
        kind="tertiary"
        disabled={changes.busy || !tunes.length}
        on:click={() => void keep()}>{ui.typing.keepBeside}</Button
      >
    {/if}
    <Button size="small" kind="tertiary" disabled={!tunes.length} on:click={hear}
      >{play.playing ? ui.stand.stop : ui.typing.hear}</Button
    >
    {#if piece}
      <a href="/shelf/{piece}">{ui.typing.toPiece}</a>
    {:else}
      <a href="/shelf">{ui.typing.toShelf}</a>
    {/if}
  </header>
  <p role="status" class="said">
    {said}
    {#if was}
      <button class="plain link" disabled={changes.busy} onclick={() => void change(was!)}
        >{ui.typing.asBefore}</button
      >
    {/if}
  </p>
  {#if kept.problem}<Trouble text={kept.problem} again={kept.again} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
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
  <div class="desk" class:two={bookPage.file}>
    {#if bookPage.file}
      <div class="beside">
        <BookPage page={bookPage.file} />
        <p class="small">
          <Checkbox labelText={ui.typing.keepPage} bind:checked={keepsPage} />
          <button class="plain link" onclick={() => bookPage.close()}>{ui.typing.closePage}</button>
        </p>
      </div>
    {/if}
    <div class="own" bind:clientWidth={wide}>
      <label class="text">
        <span class="bx--label">{ui.typing.text}</span>
        <textarea
          class="bx--text-area"
          rows="3"
          spellcheck="false"
          autocapitalize="off"
          autocomplete="off"
          inputmode={keys.value && keys.chosen ? 'none' : undefined}
          bind:this={area}
          bind:value={text.value}
          onkeydown={(e) => {
            if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
              e.preventDefault();
              void (piece ? change(body()) : keep());
            }
          }}></textarea>
      </label>
      <div class="ways">
        <button
          class="plain link"
          aria-expanded={keys.value}
          onclick={() => (keys.value = !keys.value)}
          >{keys.value ? ui.typing.noKeys : ui.typing.withKeys}</button
        >
        <button class="plain link" aria-expanded={makes} onclick={() => (makes = !makes)}
          >{makes ? ui.typing.noMaking : ui.typing.withMaking}</button
        >
        {#if !bookPage.file}
          <label class="link file">
            {ui.typing.openPage}
            <input
              type="file"
              accept="image/png,image/jpeg,image/webp,application/pdf"
              onchange={(e) => bookPage.open(e.currentTarget.files?.[0])}
            />
          </label>
        {/if}
      </div>
      {#if makes && player}
        <Make
          instrument={player.id}
          instrumentName={player.name}
          meter={meter.value}
          tempo={tempo.value}
          onmade={made}
        />
      {/if}
      {#if keys.value && player}
        <Keys
          range={player.notes}
          pageKey={key.value}
          at={() => ({ text: text.value, place: area?.selectionStart ?? text.value.length })}
          {put}
          {undo}
          {sound}
        />
      {/if}
      {#if !text.value.trim()}
        <p class="examples">
          {ui.typing.tryOne}
          {#each ui.typing.examples as e (e)}
            <button class="plain link" onclick={() => put(e)}><code>{e}</code></button>
          {/each}
        </p>
      {/if}
      <details class="small how">
        <summary>{ui.typing.signs}</summary>
        <dl>
          {#each ui.typing.allSigns as [sign, means] (sign)}
            <dt><code>{sign}</code></dt>
            <dd>{means}</dd>
          {/each}
        </dl>
      </details>
      {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
      {#each tunes as tune, i (i)}
        <Typed {tune} sounds={play.note} onproblem={goTo} />
      {/each}
    </div>
  </div>
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
    height: auto;
    field-sizing: content;
    min-height: 6.5rem;
    font-family: ui-monospace, 'DejaVu Sans Mono', monospace;
    font-size: 1.125rem;
    line-height: 1.6;
    resize: vertical;
  }
  .examples {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.25rem;
    margin-top: 0.75rem;
  }
  .examples .link {
    min-height: var(--target);
  }
  code {
    font-family: ui-monospace, 'DejaVu Sans Mono', monospace;
  }
  .how {
    margin-top: 0.5rem;
    max-width: 48rem;
  }
  .how summary {
    cursor: pointer;
    min-height: var(--target);
  }
  .how dl {
    display: grid;
    grid-template-columns: max-content minmax(0, 1fr);
    gap: 0.25rem 1rem;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.5rem;
    margin-top: 0.5rem;
  }
  .file {
    cursor: pointer;
    padding-block: max(0px, (var(--target) - 1lh) / 2);
  }
  .file input {
    position: absolute;
    opacity: 0;
    width: 1px;
  }
  .file:focus-within {
    outline: 2px solid var(--accent);
  }
  .own {
    min-width: 0;
  }
  .beside {
    height: 45vh;
    display: flex;
    flex-direction: column;
    margin-bottom: 0.75rem;
  }
  .beside p {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 1.5rem;
  }
  .beside p :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  @media (min-width: 60rem) {
    .two {
      display: grid;
      grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
      gap: 1.25rem;
      align-items: start;
    }
    .two .beside {
      position: sticky;
      top: 3.5rem;
      height: calc(100vh - 5rem);
    }
  }
</style>
