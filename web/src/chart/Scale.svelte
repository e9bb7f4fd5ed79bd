<!-- One concert scale for the whole band, on paper: what each instrument reads and fingers. -->
<script lang="ts">
  import { Button, Checkbox, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { pageKeys } from '../lib/keys.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { scrolls } from '../lib/scrolls';
  import { loaded } from '../lib/load.svelte';
  import { alone, asAlone, read, shown, tonics } from '../lib/pitch';
  import Hands from '../notes/Hands.svelte';
  import PageSize from '../paper/PageSize.svelte';
  import SheetWords from '../parts/SheetWords.svelte';
  import Staff from '../parts/Staff.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { ways } from '../ways.svelte';
  import { STAGES, type Stage } from '../words/standing';
  import { ui } from '../words/ui';

  type Kind = keyof typeof ui.scale.kinds;
  const KINDS = Object.keys(ui.scale.kinds) as Kind[];
  const asks = new URLSearchParams(location.search);
  const group = Number(asks.get('group') ?? 0);

  const concert = new Kept<string>('scale-key', 'Bb');
  const kind = new Kept<Kind>('scale-kind', 'MAJOR');
  const pictures = new Kept<boolean>('scale-pictures', true);
  let stage = $state<Stage | undefined>(group ? undefined : 'SCHOOL');

  const page = loaded<Schemas['ScaleView']>();
  $effect(() => {
    const query = {
      concert: concert.value,
      kind: kind.value,
      ...(stage ? { stage } : {}),
      ...(group ? { group } : {})
    };
    void page.ask(() => asked(api.GET('/api/scale', { params: { query } })));
  });

  const keys = $derived(
    kind.value === 'CHROMATIC'
      ? alone(ways.now.chromatic)
      : tonics(ways.now.chromatic, kind.value !== 'MAJOR')
  );
  /** the same key in another mode may have another name */
  $effect(() => {
    const at = alone('flats').indexOf(asAlone(concert.value, 'flats'));
    if (at >= 0 && !keys.includes(concert.value)) concert.value = keys[at]!;
  });
  const named = (pitch: string) => {
    const n = read(pitch);
    return n ? shown({ letter: n.letter, alter: n.alter }, ways.naming) : pitch;
  };
  const heading = $derived(ui.scale.heading(named(concert.value), ui.scale.kinds[kind.value]));
  const beyond = $derived(page.value?.rows.some((r) => r.notes.some((n) => n.beyond)));

  /** how wide a note is on the paper, which lies; in px */
  const each = $derived(kind.value === 'CHROMATIC' ? 60 : 92);
  const CLEF = 48;
  let middles = $state<Record<string, number[]>>({});
  /** Columns whose middles are the notes. */
  function columns(id: string, count: number) {
    const at = middles[id];
    if (at?.length !== count)
      return [CLEF, ...Array<number>(count).fill(each)].map((w) => `${w}px`).join(' ');
    const edges = at.map((x, i) => (i ? (at[i - 1]! + x) / 2 : x - each / 2));
    edges.push(at[count - 1]! + each / 2);
    return [edges[0]!, ...edges.slice(1).map((e, i) => e - edges[i]!)]
      .map((w) => `${w}px`)
      .join(' ');
  }
  const value = (e: Event) => (e.target as HTMLSelectElement).value;
  pageKeys(ui.scale.link, [
    { on: 'p', words: ui.paper.print, when: () => !!page.value, act: () => window.print() }
  ]);
</script>

<svelte:head><title>{ui.scale.title(heading)}</title></svelte:head>
<PageSize lies />

<div class="page">
  <header>
    <h1>{page.value?.group ? ui.scale.forGroup(heading, page.value.group) : heading}</h1>
    <Button size="small" on:click={() => window.print()}>{ui.paper.print} <kbd>p</kbd></Button>
  </header>
  <div class="settings">
    <Select
      size="sm"
      labelText={ui.scale.key}
      selected={concert.value}
      on:change={(e) => (concert.value = value(e))}
    >
      {#each keys as k (k)}<SelectItem value={k} text={named(k)} />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.scale.kind}
      selected={kind.value}
      on:change={(e) => (kind.value = value(e) as Kind)}
    >
      {#each KINDS as k (k)}<SelectItem value={k} text={ui.scale.kinds[k]} />{/each}
    </Select>
    {#if !group}
      <Select
        size="sm"
        labelText={ui.notes.playersOf}
        selected={stage}
        on:change={(e) => (stage = value(e) as Stage)}
      >
        {#each STAGES as s (s)}<SelectItem value={s} text={ui.stage[s]} />{/each}
      </Select>
    {/if}
    <SheetWords />
    <Checkbox
      labelText={ui.scale.pictures}
      checked={pictures.value}
      on:check={(e) => (pictures.value = e.detail)}
    />
  </div>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !page.value}
    {#if !page.problem}<SkeletonText paragraph lines={12} />{/if}
  {:else}
    <div class="beyond" {@attach scrolls}>
      <ul>
        {#each page.value.rows as r (r.id)}
          <li>
            <h2>
              <a href="/notes/{r.id}">{r.name}</a>
              <span>{ui.scale.reads(named(r.notes[0]!.written))}</span>
            </h2>
            <div>
              {#key each}
                <Staff
                  notes={r.notes.map((n) => ({ pitch: n.written, name: n.shown }))}
                  clef={r.clef}
                  label={ui.scale.notes(r.name, r.notes.map((n) => n.shown).join(', '))}
                  {each}
                  onplaced={(at) => (middles[r.id] = at)}
                />
              {/key}
              <ol style:grid-template-columns={columns(r.id, r.notes.length)}>
                {#each r.notes as n, i (i)}
                  <li style:grid-column={i + 2} class:later={n.beyond}>
                    <b>{n.beyond ? ui.scale.later(n.shown) : n.shown}</b>
                    {#if pictures.value && r.kind !== 'NONE'}
                      <div class="picture" class:low={r.kind !== 'HANDS'}>
                        <Hands
                          instrument={r.id}
                          keys={r.keys}
                          held={n.held}
                          kind={r.kind}
                          guides={r.slideGuides}
                          slideCm={n.slideCm}
                          label={n.label}
                          small
                        />
                      </div>
                    {/if}
                    <span>{n.label}</span>
                  </li>
                {/each}
              </ol>
            </div>
          </li>
        {/each}
      </ul>
    </div>
    {#if beyond}<p class="small">{ui.scale.beyondWhy}</p>{/if}
    {#if page.value.without.length}
      <p class="small">{ui.scale.without(page.value.without.join(', '))}</p>
    {/if}
  {/if}
</div>

<style>
  header,
  .settings {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem 1.5rem;
    align-items: end;
    margin-bottom: 1rem;
  }
  h1 {
    margin-right: auto;
  }
  .settings :global(.bx--form-item) {
    flex: none;
    min-width: 8rem;
  }
  ul,
  ol {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  ul > li {
    display: grid;
    grid-template-columns: 8.5rem max-content;
    gap: 0.5rem;
    padding: 0.5rem 0 0.75rem;
    border-top: 1px solid var(--rule);
    break-inside: avoid;
  }
  h2 {
    font-size: 1.0625rem;
    font-weight: 600;
    line-height: 1.2;
    padding-top: 0.75rem;
  }
  h2 a {
    color: var(--ink);
    text-decoration: none;
  }
  h2 span {
    display: block;
    font-weight: 400;
    font-size: 0.875rem;
    color: var(--ink-2);
  }
  ol {
    display: grid;
    line-height: 1.2;
  }
  ol > li {
    text-align: center;
    font-size: 0.8125rem;
    padding: 0 2px;
    overflow-wrap: break-word;
    hyphens: auto;
  }
  ol b {
    display: block;
    font-size: 1rem;
  }
  .picture {
    height: 24mm;
    margin: 1mm 0;
    display: flex;
    justify-content: center;
  }
  .picture.low {
    height: 11mm;
  }
  .picture :global(svg) {
    height: 100%;
    width: auto;
    max-width: 100%;
  }
  @media print {
    header :global(button),
    .settings {
      display: none;
    }
    ul > li {
      border-color: #777;
    }
    ol > li,
    h2 span {
      font-size: 9pt;
    }
  }
</style>
