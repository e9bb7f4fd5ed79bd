<!-- One player's part as it is handed out: a heading, the music, and each fingering that has to be told, with its picture. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schemas } from '../api/client';
  import Hands from '../notes/Hands.svelte';
  import { fits, scrolls } from '../lib/scrolls';
  import Missing from '../parts/Missing.svelte';
  import TrillsTold from '../parts/TrillsTold.svelte';
  import type { Language } from '../words/language';
  import { fullDay, wordsOf } from '../words/ui';
  import { roomiest } from './layout';
  import { settings, unattended } from './settings.svelte';
  import Staves from './Staves.svelte';

  let {
    view,
    sheet,
    due = '',
    message = '',
    what = '',
    bars,
    onready = () => {}
  }: {
    view: Schemas['StandView'];
    sheet: Schemas['SheetView'];
    /** the day for which it is given */
    due?: string;
    /** the teacher's sentence */
    message?: string;
    /** bars and tempo that are given, in words */
    what?: string;
    /** the first and the last of them, where not all are */
    bars?: [number, number] | undefined;
    /** whether it stands there as it will be printed */
    onready?: (is: boolean) => void;
  } = $props();

  /** a sheet is in the language that its student reads */
  const language = $derived(view.language.toLowerCase() as Language);
  const words = $derived(wordsOf(language));
  const inside = $derived(
    view.plan.notes.filter((n) => !bars || (n.bar >= bars[0] && n.bar <= bars[1]))
  );
  /** of drums every hand is told: without it the rhythm alone would stand there */
  const shown = $derived(
    view.student.drums && settings.fingerings === 'new' ? 'all' : settings.fingerings
  );
  const told = $derived(settings.fingerings === 'none' ? [] : sheet.told);
  const trills = $derived(inside.some((n) => n.trill.length));
  /** the marks that are on this sheet, with what they mean */
  const legend = $derived.by(() => {
    // marks stand in the whole part, also where it is not given; names are there without fingerings
    const marked = settings.fingerings === 'none' && sheet.kind !== 'NONE' ? [] : view.plan.notes;
    return [
      ...(marked.some((n) => n.isNew || n.unlearned) ? [words.paper.boxed] : []),
      ...(marked.some((n) => !n.usual) ? [words.paper.underlined] : []),
      ...(marked.some((n) => n.locked) ? [words.paper.lined] : []),
      ...(view.xml.includes('<breath-mark') ? [words.paper.breath] : []),
      ...(bars ? [words.paper.bracketed] : []),
      ...(view.plan.missing.length ? [words.paper.without(words.stand.noneWord)] : [])
    ];
  });

  /** px of the screen in a mm */
  const PX = 96 / 25.4;
  const room = $derived(settings.room);
  let head = $state(0);
  let foot = $state(0);
  let music = $state(0);
  let sheets = $state(1);
  /** a smaller staff, and how far apart the notes are: what fills the sheet and fits on it */
  let small = $state(false);
  let spread = $state(0);
  let widest = $state(2);
  /** whether size and spread are found */
  let found = $state(false);
  /** counts what was asked for, so that each time it is measured */
  let round = $state(0);
  const staff = $derived(small ? Math.min(7, settings.staff) : settings.staff);
  /** what of the paper would stay empty */
  const spare = $derived(room.height - head / PX - foot / PX - music - 4);
  /** … is put between the lines and into the pictures, as far as it does the eye good */
  const gap = $derived(sheets === 1 ? Math.max(0, Math.min(7, spare / 14)) : 0);
  /** pictures, in mm; many are small, so that all stand beside one another */
  const many = $derived(told.length > 4);
  const high = $derived(sheet.kind === 'HANDS' ? (many ? 24 : 36) : many ? 11 : 14);

  $effect(() => {
    // another choice is tried in its own size first
    void [view, settings.staff, settings.paper, settings.fingerings, settings.names];
    small = false;
    widest = 2;
    spread = untrack(() =>
      roomiest(view.plan.notes.length, told.length / (many ? 3 : 2), high, room, settings.staff)
    );
    untrack(() => {
      found = false;
      round++;
      onready(false);
    });
  });

  function measured(height: number, pages: number) {
    music = height;
    sheets = pages;
    const over = head / PX + foot / PX + height - room.height;
    if (over > 0 && spread > 0) {
      widest = --spread;
    } else if (over > 0 && over < room.height * 0.2 && !small && staff > 7) {
      // a little too long for one sheet: a smaller staff may do
      small = true;
    } else if (over < -room.height * 0.3 && spread < widest && !small) {
      spread++;
    } else {
      found = true;
      onready(true);
    }
  }
</script>

<div class="beyond" class:unseen={unattended} {@attach scrolls} {@attach fits}>
  <article
    class="on-paper"
    aria-label="{view.student.name}, {view.student.plays}"
    style:width="{room.width}mm"
    style:--height="{room.height}mm"
  >
    <header bind:clientHeight={head}>
      <!-- the heading is the bookmark in a file of the whole class: whose it is stands in it -->
      <h2>
        <span>{view.piece.title}</span>
        <span class="who"><b>{view.student.name}</b><br />{view.student.playsInside}</span>
      </h2>
      <p class="when">
        {[due && words.shelf.forDay(fullDay(due, language)), what, view.piece.source]
          .filter(Boolean)
          .join(' · ')}{view.simpler ? words.shelf.simplerPart : ''}
      </p>
      {#if message}<p class="sentence">{message}</p>{/if}
      {#if sheet.remark}<p class="remark">{sheet.remark}</p>{/if}
    </header>
    <div class="music" style:--gap="{gap}mm">
      <Staves
        xml={view.xml}
        plan={view.plan}
        {bars}
        {staff}
        {spread}
        {round}
        hold={unattended && !found}
        width={room.width}
        first={room.height - head / PX - 2}
        room={room.height - 2}
        fingerings={shown}
        names={settings.names}
        none={words.stand.noneWord}
        ondrawn={measured}
      />
    </div>
    <footer bind:clientHeight={foot}>
      {#if told.length}
        <ul class="told" class:many>
          {#each told as t (t.written + t.fingering)}
            <li>
              {#if sheet.kind !== 'NONE'}
                <div class="picture" style:--high="{high}mm">
                  <Hands
                    instrument={sheet.instrument}
                    keys={sheet.keys}
                    held={t.held}
                    kind={sheet.kind}
                    guides={sheet.guides}
                    slideCm={t.slideCm}
                    label={t.label}
                    small
                  />
                </div>
              {/if}
              <div>
                <p>
                  <b class="note">{t.shown}</b>
                  {words.paper.why[t.why]}<br />
                  <b>{t.label}</b>, {words.all.barsList(t.bars)}
                </p>
                {#if t.sentence}<p>{t.sentence}</p>{/if}
              </div>
            </li>
          {/each}
        </ul>
      {/if}
      {#if trills || view.plan.missing.length}
        <ul class="more">
          <TrillsTold notes={inside} {words} />
          <Missing missing={view.plan.missing} {words} />
        </ul>
      {/if}
      {#if legend.length}<p class="legend">{legend.join(' · ')}</p>{/if}
    </footer>
  </article>
</div>

<style>
  article {
    box-sizing: content-box;
    min-height: var(--height);
    margin: 1.5rem 0 0;
    padding: 12mm;
    background: #fff;
    color: #000;
    font-size: 11pt;
    line-height: 1.3;
    box-shadow: 0 1px 4px rgb(0 0 0 / 0.25);
  }
  h2 {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 1rem;
    font-size: 20pt;
    font-weight: 600;
    line-height: 1.1;
  }
  .who {
    text-align: right;
    flex: none;
    font-size: 11pt;
    font-weight: 400;
    line-height: 1.3;
  }
  .sentence {
    font-size: 12pt;
    font-style: italic;
  }
  .music {
    margin-top: 3mm;
  }
  .music :global(.line) {
    padding-bottom: var(--gap);
  }
  .told {
    list-style: none;
    margin: 4mm 0 0;
    padding: 0;
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 4mm 8mm;
  }
  .told.many {
    grid-template-columns: repeat(3, 1fr);
    gap: 3mm 5mm;
    font-size: 10pt;
  }
  .many li {
    gap: 2.5mm;
  }
  .told li {
    display: flex;
    gap: 4mm;
    align-items: center;
    break-inside: avoid;
  }
  .picture {
    flex: none;
    height: var(--high);
    max-width: 45%;
  }
  .picture :global(svg) {
    height: 100%;
    width: auto;
  }
  .note {
    font-size: 14pt;
  }
  .more {
    margin: 3mm 0 0;
    padding-left: 5mm;
    list-style: disc;
  }
  .legend {
    margin-top: 3mm;
    font-size: 9pt;
  }
  /* nobody looks at it before it is printed: it need not be painted */
  @media screen {
    .unseen {
      visibility: hidden;
    }
  }
  @media print {
    article {
      padding: 0;
      margin: 0;
      min-height: 0;
      box-shadow: none;
    }
    .beyond + :global(.beyond) {
      break-before: page;
    }
  }
</style>
