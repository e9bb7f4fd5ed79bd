<!-- Notes by clicking the instrument's range, by the computer's keys as a piano, or by a MIDI keyboard. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { read, shown } from '../lib/pitch';
  import { scrolls } from '../lib/scrolls';
  import { ui } from '../words/ui';
  import { ways } from '../ways.svelte';
  import { here, lastOne, letters, midiOf, named, withLength } from './letters';
  import { MidiKeyboard } from './midi.svelte';

  let {
    range,
    pageKey,
    at,
    put,
    undo,
    sound
  }: {
    /** the notes the instrument has, from low to high, as written */
    range: Schemas['NoteName'][];
    pageKey: string;
    /** the text, and the place in it where a note comes */
    at: () => { text: string; place: number };
    /** sets letters in, in place of so many before */
    put: (letters: string, instead?: number) => void;
    undo: () => void;
    /** lets a written note sound */
    sound: (midi: number) => void;
  } = $props();

  const LENGTHS = ['1', '2', '4', '8', '16'] as const;
  /** The computer's keys in two rows, from C: where they lie, whatever letters are on them. */
  const NATURALS = 'KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote'.split(' ');
  const BETWEEN = ' KeyW KeyE  KeyT KeyY KeyU  KeyO KeyP '.split(' ');
  const STEPS = [0, 2, 4, 5, 7, 9, 11];
  const codes = new Map<string, number>([
    ...NATURALS.map((c, i) => [c, 12 * Math.floor(i / 7) + STEPS[i % 7]!] as const),
    // a key between two naturals is a half step above the lower one
    ...BETWEEN.flatMap((c, i) =>
      c ? [[c, 12 * Math.floor((i - 1) / 7) + STEPS[(i - 1) % 7]! + 1] as const] : []
    )
  ]);
  const letterOn = new Map([...codes].map(([c, s]) => [s, c.startsWith('Key') ? c.slice(3) : '']));

  let length = $state<(typeof LENGTHS)[number]>('4');
  let dotted = $state(false);
  let moved = $state(0);

  const midis = $derived(range.map((n) => midiOf(read(n.written)!)));
  const low = $derived(midis[0] ?? 60);
  const high = $derived(midis.at(-1) ?? 72);
  /** the C from which the computer's keys go up */
  const from = $derived(
    Math.min(
      Math.max(Math.ceil(low / 12) * 12 + 12 * moved, Math.floor(low / 12) * 12),
      Math.floor(high / 12) * 12
    )
  );
  const isBlack = (midi: number) => [1, 3, 6, 8, 10].includes(midi % 12);
  const keys = $derived(
    midis.map((midi) => ({ midi, black: isBlack(midi), key: letterOn.get(midi - from) ?? '' }))
  );
  const midi = new MidiKeyboard(enter);
  $effect(() => () => midi.close());

  const lengthNow = () => length + (dotted ? '.' : '');
  /** the name that a key has where the next note comes */
  const name = (m: number) => {
    const { text, place } = at();
    return named(m, here(text, place, pageKey).fifths);
  };
  function set(what: (h: ReturnType<typeof here>) => string) {
    const { text, place } = at();
    const h = here(text, place, pageKey);
    put(withLength(what(h), lengthNow(), h, text.slice(0, place)));
  }
  function enter(m: number) {
    sound(m);
    set((h) => letters(named(m, h.fifths), h, ways.naming === 'german'));
  }
  const rest = () => set((h) => (h.abc ? 'z' : 'r'));
  function back() {
    const { text, place } = at();
    put('', lastOne(text.slice(0, place)));
  }
  function pressed(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) {
      if (e.code === 'KeyZ' && (e.ctrlKey || e.metaKey)) {
        e.preventDefault();
        undo();
      }
      return;
    }
    const step = codes.get(e.code);
    const digit = LENGTHS.find((l) => (l === '16' ? e.key === '6' : e.key === l));
    if (step !== undefined) enter(from + step);
    else if (digit) length = digit;
    else if (e.key === '.') dotted = !dotted;
    else if (e.key === '0') rest();
    else if (e.key === '-') put('-');
    else if (e.key === '|') put(' | ');
    else if (e.key === 'Backspace') back();
    else if (e.key === 'ArrowLeft') moved = Math.max(-1, moved - 1);
    else if (e.key === 'ArrowRight') moved = Math.min(4, moved + 1);
    else return;
    e.preventDefault();
  }
  /** What is clicked leaves the keys where they are. */
  const stay = (e: PointerEvent) => e.preventDefault();
  let all: HTMLElement;
  /**
   * The computer's keys play the piano as soon as it is shown, unless the teacher is typing already:
   * the range comes from the server, perhaps late.
   */
  const focused = (el: HTMLElement) => {
    all = el;
    if (!document.activeElement?.matches('input, textarea, select'))
      el.focus({ preventScroll: true });
  };
  /** The link goes when it is pressed; the keys go on. */
  function useMidi() {
    all.focus({ preventScroll: true });
    void midi.open();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<section
  class="keys"
  role="group"
  aria-label={ui.typing.keys}
  tabindex="0"
  onkeydown={pressed}
  {@attach focused}
>
  <div class="bar">
    <fieldset>
      <legend class="bx--visually-hidden">{ui.typing.length}</legend>
      {#each LENGTHS as l (l)}
        <button
          class="choice"
          aria-pressed={length === l}
          onpointerdown={stay}
          onclick={() => (length = l)}
          >{ui.typing.lengths[l]} <kbd>{l === '16' ? '6' : l}</kbd></button
        >
      {/each}
      <button
        class="choice"
        aria-pressed={dotted}
        onpointerdown={stay}
        onclick={() => (dotted = !dotted)}>{ui.typing.dotted} <kbd>.</kbd></button
      >
    </fieldset>
    <button class="choice" onpointerdown={stay} onclick={rest}>{ui.typing.rest} <kbd>0</kbd></button
    >
    <button class="choice" onpointerdown={stay} onclick={() => put('-')}
      >{ui.typing.tie} <kbd>-</kbd></button
    >
    <button class="choice" onpointerdown={stay} onclick={() => put(' (')}
      >{ui.typing.slurBegins}</button
    >
    <button class="choice" onpointerdown={stay} onclick={() => put(')')}
      >{ui.typing.slurEnds}</button
    >
    <button class="choice" onpointerdown={stay} onclick={() => put(' | ')}
      >{ui.typing.barLine} <kbd>|</kbd></button
    >
    <button class="choice" onpointerdown={stay} onclick={back}
      >{ui.typing.takeBack} <kbd>⌫</kbd></button
    >
    <button class="choice" onpointerdown={stay} onclick={undo}
      >{ui.typing.undo} <kbd>Ctrl</kbd> <kbd>Z</kbd></button
    >
  </div>
  <div class="beyond" {@attach scrolls}>
    <div class="piano">
      {#each keys as k (k.midi)}
        <button
          class="key"
          class:black={k.black}
          tabindex="-1"
          onpointerdown={stay}
          onclick={() => enter(k.midi)}
          aria-label="{k.key} {shown(name(k.midi), ways.naming)}"
        >
          {#if k.key}<kbd>{k.key}</kbd>{/if}
          <span>{k.black ? '' : shown(name(k.midi), ways.naming)}</span>
        </button>
      {/each}
    </div>
  </div>
  <p class="small quiet">
    <span class="hints">{ui.typing.keysHow}</span>
    {#if MidiKeyboard.possible && !midi.says}
      <button class="plain link" onclick={useMidi}>{ui.typing.midi}</button>
    {:else}
      <span role="status">{midi.says}</span>
    {/if}
  </p>
</section>

<style>
  .keys {
    margin-top: 0.75rem;
    padding: 0.5rem;
    border: 1px solid var(--rule);
    background: var(--paper);
  }
  .keys:focus {
    outline: 2px solid var(--accent);
    outline-offset: -1px;
  }
  .bar,
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
  }
  .bar {
    gap: 0.25rem 0.75rem;
    margin-bottom: 0.5rem;
  }
  .choice {
    padding: 0.25rem 0.5rem;
    min-height: var(--target);
    border: 1px solid var(--rule);
    background: transparent;
    color: inherit;
    cursor: pointer;
  }
  .choice[aria-pressed='true'] {
    background: var(--accent);
    border-color: var(--accent);
    color: var(--paper);
  }
  .choice[aria-pressed='true'] kbd {
    color: var(--accent);
  }
  .link {
    min-height: var(--target);
  }
  .piano {
    display: flex;
    height: 7.5rem;
    min-width: max-content;
    isolation: isolate;
  }
  .key {
    display: flex;
    flex-direction: column;
    justify-content: flex-end;
    align-items: center;
    gap: 0.25rem;
    flex: 1 0 2.75rem;
    max-width: 3.5rem;
    padding: 0 0 0.375rem;
    border: 1px solid var(--rule);
    border-radius: 0 0 3px 3px;
    background: var(--paper);
    color: inherit;
    font-size: 0.8125rem;
    cursor: pointer;
  }
  .key:hover {
    background: var(--accent-soft);
  }
  .black {
    flex: 0 0 1.75rem;
    height: 62%;
    margin-inline: -0.875rem;
    z-index: 1;
    background: #26292a;
    border-color: #26292a;
    color: #fff;
  }
  .black:hover {
    background: var(--accent);
  }
  p {
    margin-top: 0.5rem;
  }
</style>
