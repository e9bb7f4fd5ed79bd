<!--
  A fingering chart on paper: of an instrument up to a stage, of a section, or of what one student
  has and what comes next; as a page, as a poster, or as cards to cut out.
-->
<script lang="ts">
  import { Button, Checkbox, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { onDestroy, tick } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { drawing, engrave, type Line } from '../engrave/engrave';
  import { notesXml } from '../engrave/notes';
  import { pageKeys } from '../lib/keys.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { fits, scrolls } from '../lib/scrolls';
  import { loaded } from '../lib/load.svelte';
  import Hands from '../notes/Hands.svelte';
  import PageSize from '../paper/PageSize.svelte';
  import { MARGIN, printable, settings, type Paper } from '../paper/settings.svelte';
  import Mark from '../parts/Mark.svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import Wall from '../parts/Wall.svelte';
  import { ofTable } from '../parts/wall';
  import { route } from '../router';
  import { STAGES, STANDINGS } from '../words/standing';
  import { ui } from '../words/ui';
  import { cells, type Cell, type Extent } from './cells';

  type Format = 'page' | 'poster' | 'cards';
  /** How many stand in a row, how high a picture is, in mm; the width of what they stand on. */
  const FORMATS: Record<Format, { across: number; high: number; low: number }> = {
    page: { across: 7, high: 24, low: 11 },
    poster: { across: 11, high: 30, low: 14 },
    cards: { across: 3, high: 42, low: 20 }
  };
  const POSTER = { width: 297 - 2 * MARGIN, height: 420 - 2 * MARGIN };
  /** A chart that is a little too long is made so much smaller at most. */
  const LEAST = { page: 0.84, poster: 0.7, cards: 1 };
  const PX = 96 / 25.4;

  const asks = new URLSearchParams(location.search);
  const student = Number(asks.get('student') ?? 0);
  const group = Number(asks.get('group') ?? 0);
  const instrument = $derived(String(route.params.instrument));
  let extent = $state<Extent>(
    student ? 'OWN' : (STAGES.find((s) => s === asks.get('stage')) ?? 'SCHOOL')
  );
  const format = new Kept<Format>('chart-format', 'page');
  const alternates = new Kept<boolean>('chart-alternates', true);

  interface Loaded {
    table: Schemas['TableView'];
    map?: Schemas['MapView'];
  }
  const page = loaded<Loaded>();
  const table = $derived(page.value?.table);
  const map = $derived(page.value?.map);

  $effect(() => {
    const of = instrument;
    printable(false);
    void page.ask(async () => {
      const people = student ? await asked(api.GET('/api/people')) : undefined;
      const own = people?.students.find((s) => s.id === student);
      const set = Object.entries(own?.options ?? {}).map(([k, v]) => `${k}=${v}`);
      const table = asked(
        api.GET('/api/notes/{instrument}', {
          params: { path: { instrument: of }, query: { set } }
        })
      );
      if (student) {
        const path = { id: student };
        const map = await asked(api.GET('/api/students/{id}/map', { params: { path } }));
        return { table: await table, map };
      }
      if (group) {
        const params = { path: { id: group }, query: { instrument: of } };
        return {
          table: await table,
          map: await asked(api.GET('/api/groups/{id}/map', { params }))
        };
      }
      return { table: await table };
    });
  });
  onDestroy(() => delete document.documentElement.dataset.printable);

  const all = $derived(table ? cells(table, extent, alternates.value, map) : []);
  const how = $derived(FORMATS[format.value]);
  const room = $derived(format.value === 'poster' ? POSTER : settings.room);
  let wall = $state(false);
  const slides = $derived(table ? ofTable(table, all) : []);
  const title = $derived(
    table &&
      ui.chart.heading(
        table.name,
        [map?.title, extent === 'OWN' ? '' : ui.chart.upTo(ui.stage[extent])]
          .filter(Boolean)
          .join(', ')
      )
  );

  /** each note on a staff of its own */
  let staves = $state.raw(new Map<number, { svg: string; info: Line }>());
  const STAFF_PX = 66;
  const xml = $derived(
    table && all.length
      ? notesXml(
          all.map((c) => ({ id: 'c' + c.note.midi, pitch: c.note.written })),
          table.clef,
          1
        )
      : ''
  );
  $effect(() => {
    const [music, notes] = [xml, all.map((c) => c.note.midi)];
    if (!music) return;
    let lines: string[] = [];
    return engrave({ xml: music, widthPx: STAFF_PX, scale: 30, wide: false, paper: 0 }, (reply) => {
      lines = reply.first ? reply.lines : [...lines, ...reply.lines];
      if (!reply.done) return;
      staves = new Map(
        lines.flatMap((svg, i) =>
          notes[i] === undefined ? [] : [[notes[i]!, { svg, info: drawing(svg).info }]]
        )
      );
    });
  });

  let sheet = $state<HTMLElement>();
  let small = $state(1);
  /** what is a little too long for one sheet is made to fit on it */
  $effect(() => {
    void [staves, all, how, room];
    small = 1;
    void tick().then(() => {
      if (!sheet || !staves.size) return;
      const style = getComputedStyle(sheet);
      const high =
        sheet.offsetHeight - parseFloat(style.paddingTop) - parseFloat(style.paddingBottom);
      const ratio = ((room.height - 2) * PX) / high;
      small = ratio < 1 && ratio >= LEAST[format.value] ? Math.floor(ratio * 100) / 100 : 1;
      printable(true);
    });
  });
  const put = (svg: string) => (el: HTMLElement) => el.replaceChildren(drawing(svg).svg);

  const shown = (c: Cell) => STANDINGS[c.mark?.state ?? 'OPEN'];
  const legend = $derived([...new Set(all.map(shown).filter((s) => s !== undefined))]);
  const value = (e: Event) => (e.target as HTMLSelectElement).value;
  pageKeys(ui.chart.title(''), [
    { on: 'p', words: ui.paper.print, when: () => all.length > 0, act: () => window.print() },
    {
      on: 'v',
      words: ui.wall.open,
      when: () => all.length > 0,
      act: () => {
        wall = true;
      }
    }
  ]);
</script>

<svelte:head><title>{ui.chart.title(table ? `: ${table.name}` : '')}</title></svelte:head>
<PageSize poster={format.value === 'poster'} />

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !table}
    {#if !page.problem}<SkeletonText heading /><SkeletonText paragraph lines={8} />{/if}
  {:else}
    <header class="screen">
      <h1>{title}</h1>
      <Button size="small" on:click={() => window.print()}>{ui.paper.print} <kbd>p</kbd></Button>
      <a href="/notes/{table.id}">{ui.chart.toNotes}</a>
    </header>
    <div class="settings screen">
      <Select
        size="sm"
        labelText={ui.chart.which}
        selected={extent}
        on:change={(e) => (extent = value(e) as Extent)}
      >
        {#if student}<SelectItem value="OWN" text={ui.chart.own} />{/if}
        {#each table.stages as s (s.stage)}
          <SelectItem value={s.stage} text={ui.chart.upTo(s.words)} />
        {/each}
      </Select>
      <Select
        size="sm"
        labelText={ui.chart.format}
        selected={format.value}
        on:change={(e) => (format.value = value(e) as Format)}
      >
        {#each ['page', 'poster', 'cards'] as const as f (f)}
          <SelectItem value={f} text={ui.chart.formats[f]} />
        {/each}
      </Select>
      {#if format.value !== 'poster'}
        <Select
          size="sm"
          labelText={ui.paper.paper}
          selected={settings.paper}
          on:change={(e) => (settings.paper = value(e) as Paper)}
        >
          <SelectItem value="A4" text="A4" />
          <SelectItem value="LETTER" text={ui.paper.letter} />
        </Select>
      {/if}
      <button class="plain link" onclick={() => (wall = true)} disabled={!all.length}
        >{ui.wall.open} <kbd>v</kbd></button
      >
      <SheetWords />
      <Checkbox
        labelText={ui.chart.alternates}
        checked={alternates.value}
        on:check={(e) => (alternates.value = e.detail)}
      />
    </div>
    <div class="beyond" {@attach scrolls} {@attach fits}>
      <article
        class="on-paper {format.value}"
        style:width="{room.width}mm"
        style:--small={small}
        bind:this={sheet}
        style:--across={how.across}
        style:--high="{table.kind === 'HANDS' ? how.high : how.low}mm"
      >
        {#if format.value !== 'cards'}
          <h2>{title}</h2>
          <p class="about">{table.transposition}</p>
        {/if}
        <ul class="cells">
          {#each all as c (c.note.midi)}
            {@const staff = staves.get(c.note.midi)}
            {@const standing = shown(c)}
            <li>
              <div class="staff">
                {#if staff}<div {@attach put(staff.svg)}></div>{/if}
              </div>
              <p class="name">
                <b>{c.note.shown}</b>
                {#if standing}<Mark state={standing} />{/if}
                {#if c.mark?.of}<span class="count">{ui.chart.of(c.mark.has, c.mark.of)}</span>{/if}
                {#if c.mark?.next}<span class="next">{ui.people.nextWord}</span>{/if}
              </p>
              {#if table.kind !== 'NONE'}
                <div class="picture">
                  <Hands
                    instrument={table.id}
                    keys={table.keys}
                    held={c.way.held.filter((h) => !h.free)}
                    kind={table.kind}
                    guides={table.slideGuides}
                    slideCm={c.way.slideCm}
                    label={c.way.label}
                    small
                  />
                </div>
              {/if}
              <p class="label">{c.way.label}</p>
              {#if c.others.length}
                <ul class="others">
                  {#each c.others as o (o.fingering + o.requires)}
                    <li>
                      {#if table.kind !== 'NONE'}
                        <div class="picture">
                          <Hands
                            instrument={table.id}
                            keys={table.keys}
                            held={o.held.filter((h) => !h.free)}
                            kind={table.kind}
                            guides={table.slideGuides}
                            slideCm={o.slideCm}
                            label={o.label}
                            small
                          />
                        </div>
                      {/if}
                      <p class="label">{o.label}</p>
                    </li>
                  {/each}
                </ul>
              {/if}
            </li>
          {:else}
            <li class="none">{ui.chart.nothing}</li>
          {/each}
        </ul>
        {#if legend.length && format.value !== 'cards'}
          <p class="legend">
            {#each legend as s (s)}<span><Mark state={s} label={false} /> {ui.standing[s]}</span
              >{/each}
          </p>
        {/if}
      </article>
    </div>
  {/if}
</div>

{#if wall}<Wall {slides} onclose={() => (wall = false)} />{/if}

<style>
  header,
  .settings {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1.5rem;
    align-items: end;
    margin-bottom: 1rem;
  }
  header {
    align-items: center;
  }
  header h1 {
    margin-right: auto;
  }
  .settings :global(.bx--form-item) {
    flex: 0 1 auto;
    min-width: min(9rem, 100%);
    max-width: 100%;
  }
  article {
    zoom: calc(var(--small) * var(--fit, 1));
    box-sizing: content-box;
    padding: 12mm;
    background: #fff;
    color: #000;
    font-size: 9.5pt;
    line-height: 1.25;
    box-shadow: 0 1px 4px rgb(0 0 0 / 0.25);
  }
  .poster {
    font-size: 11pt;
  }
  h2 {
    font-size: 18pt;
    line-height: 1.1;
  }
  .about {
    padding-bottom: 2mm;
    border-bottom: 0.3mm solid #000;
  }
  .about::first-letter {
    text-transform: uppercase;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .cells {
    display: grid;
    grid-template-columns: repeat(var(--across), minmax(0, 1fr));
    padding-left: 0.3mm;
  }
  .cells > li {
    padding: 1.5mm 1.5mm 2mm;
    margin-left: -0.3mm;
    border: solid #b5b5b5;
    border-width: 0 0.3mm 0.3mm;
    text-align: center;
    break-inside: avoid;
  }
  .cards .cells {
    gap: 0;
    margin: 0;
    border: 0;
  }
  .cards .cells > li {
    border: 0.3mm dashed #777;
    border-width: 0 0.3mm 0.3mm;
    padding: 4mm 3mm;
    font-size: 11pt;
  }
  .none {
    grid-column: 1 / -1;
  }
  .staff {
    width: 16mm;
    min-height: 12mm;
    margin: 0 auto;
    display: flex;
    align-items: center;
  }
  .staff > div {
    width: 100%;
  }
  .staff :global(.mNum) {
    display: none;
  }
  .poster .staff {
    width: 22mm;
  }
  .cards .staff {
    width: 26mm;
  }
  .name {
    display: flex;
    justify-content: center;
    align-items: center;
    gap: 1mm;
    font-size: 1.35em;
  }
  .count,
  .next {
    font-size: 9pt;
  }
  .next {
    border: 0.3mm solid #000;
    border-radius: 1mm;
    padding: 0 1mm;
  }
  .picture {
    height: var(--high);
    margin: 1mm auto;
    display: flex;
    justify-content: center;
  }
  .picture :global(svg) {
    height: 100%;
    width: auto;
    max-width: 100%;
  }
  .others {
    margin-top: 1mm;
    padding-top: 1mm;
    border-top: 0.2mm dotted #777;
  }
  .others .picture {
    height: calc(var(--high) * 0.72);
  }
  .label {
    hyphens: auto;
    overflow-wrap: break-word;
  }
  .legend {
    display: flex;
    gap: 5mm;
    margin-top: 3mm;
  }
  @media print {
    article {
      zoom: var(--small);
    }
    .screen {
      display: none;
    }
    article {
      padding: 0;
      box-shadow: none;
    }
  }
</style>
