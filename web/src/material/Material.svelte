<!-- Exercises that were made from a student's part: one is open, what is ticked goes on a sheet. -->
<script lang="ts">
  import { Checkbox, SkeletonText } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import type { Schemas } from '../api/client';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import PieceHead from '../practice/PieceHead.svelte';
  import { visit, route } from '../router';
  import { ui } from '../words/ui';
  import { choose, chosen, fetched, GROUPS, under } from './material';
  import Open from './Open.svelte';

  const student = $derived(Number(route.params.student));
  const piece = $derived(Number(route.params.piece));
  const page = loaded<Schemas['MaterialView']>();
  const view = $derived(page.value);
  const studies = $derived(view?.studies ?? []);
  let bit = $state(0);
  let open = $state('');
  let sheet = $state<string[]>([]);

  $effect(() => {
    const [who, what] = [student, piece];
    const asked = Number(new URLSearchParams(location.search).get('bit') ?? 0);
    void page.ask(
      () => fetched(who, what),
      (m) => {
        const there = new Set(m.studies.map((s) => s.id));
        sheet = chosen(who, what).filter((id) => there.has(id));
        bit = asked || (m.bits.find((b) => b.catches) ?? m.bits[0])?.number || 0;
        const first = m.studies.find((s) => (asked ? s.bit === asked : true));
        open = first?.id ?? '';
        if (asked) void show(open);
      }
    );
  });

  const shown = $derived(GROUPS.flatMap((g) => under(studies, g, bit)));

  async function show(id: string) {
    await tick();
    document.getElementById(`study-${id}`)?.scrollIntoView({ block: 'nearest' });
  }
  function turn(id: string) {
    open = open === id ? '' : id;
    if (open) void show(open);
  }
  function put(id: string) {
    sheet = sheet.includes(id) ? sheet.filter((s) => s !== id) : [...sheet, id];
    choose(student, piece, sheet);
  }
  function next(by: number) {
    const at = shown.findIndex((s) => s.id === open);
    const to = shown[at < 0 ? 0 : at + by];
    if (to) {
      open = to.id;
      void show(open);
    }
  }
  function print() {
    if (sheet.length) void visit(`/practice/${student}/${piece}/material/paper`);
  }

  pageKeys(ui.material.title, [
    {
      on: ['ArrowUp', 'ArrowDown'],
      words: ui.material.keyStudy,
      when: () => shown.length > 0,
      act: (key) => next(key === 'ArrowDown' ? 1 : -1)
    },
    { on: 'x', words: ui.material.keySheet, when: () => !!open, act: () => put(open) },
    { on: 'p', words: ui.material.keyPaper, when: () => sheet.length > 0, act: print },
    {
      on: ['b', 'Escape'],
      words: ui.material.back,
      act: () => visit(`/practice/${student}/${piece}`)
    }
  ]);
</script>

<svelte:head
  ><title>{ui.material.page(view ? `: ${view.piece.title}, ${view.student.name}` : '')}</title
  ></svelte:head
>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view}
    <PieceHead
      title={ui.material.of(view.piece.title)}
      student={view.student}
      instrument={view.student.playsInside}
    >
      <a href="/practice/{student}/{piece}">{ui.material.back} <kbd>b</kbd></a>
      {#if sheet.length}
        <a href="/practice/{student}/{piece}/material/paper"
          >{ui.material.paper(sheet.length)} <kbd>p</kbd></a
        >
      {/if}
    </PieceHead>
    {#if studies.length}
      <p class="lead">{ui.material.lead(view.low, view.high)}</p>
      {#each GROUPS as g (g)}
        {#if studies.some((s) => s.group === g)}
          <section aria-labelledby="group-{g}">
            <h2 id="group-{g}">{ui.material.group[g]}</h2>
            <p class="quiet small">{ui.material.groupWhat[g]}</p>
            {#if g === 'TONE'}
              {#if view.caution}<p class="caution">{view.caution}</p>{/if}
              <a href="/tools">{ui.tools.title}</a>
            {/if}
            {#if g === 'PASSAGES'}
              <div class="numbers" role="group" aria-label={ui.material.bits}>
                {#each view.bits as b (b.number)}
                  <button
                    class="plain"
                    aria-pressed={b.number === bit}
                    onclick={() => (bit = b.number)}
                    ><b>{b.number}</b> {ui.practice.bars(b.fromBar, b.toBar)}</button
                  >
                {/each}
              </div>
              {#if !under(studies, g, bit).length}<p class="small">{ui.material.noOther}</p>{/if}
            {/if}
            <ul>
              {#each under(studies, g, bit) as s (s.id)}
                <li id="study-{s.id}" class:open={s.id === open}>
                  <div class="row">
                    <Checkbox
                      labelText={ui.material.onSheet(s.title)}
                      hideLabel
                      checked={sheet.includes(s.id)}
                      on:change={() => put(s.id)}
                    />
                    <button
                      class="plain head"
                      aria-expanded={s.id === open}
                      onclick={() => turn(s.id)}
                    >
                      <span>{s.title}</span>
                      {#if s.why}<span class="quiet small">{s.why}</span>{/if}
                    </button>
                  </div>
                  {#if s.id === open}<Open {student} {piece} study={s} />{/if}
                </li>
              {/each}
            </ul>
          </section>
        {/if}
      {/each}
    {:else}
      <p>{ui.practice.nothing}</p>
    {/if}
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  .lead {
    max-width: 46rem;
  }
  section {
    margin-top: 1.25rem;
    max-width: 60rem;
  }
  h2 {
    font-size: 1.125rem;
  }
  ul {
    list-style: none;
    margin: 0.25rem 0 0;
    padding: 0;
  }
  li {
    border-top: 1px solid var(--rule);
  }
  li.open {
    background: var(--paper);
    padding: 0 0.75rem;
    margin: 0 -0.75rem;
  }
  .row {
    display: flex;
    align-items: center;
    gap: 0.25rem;
  }
  .row :global(.bx--form-item) {
    flex: 0 0 auto;
  }
  .row :global(.bx--checkbox-label) {
    width: var(--target);
    padding-left: var(--target);
  }
  .head {
    flex: 1;
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.75rem;
    min-height: var(--target);
    padding: 0.25rem 0.25rem;
    text-align: left;
  }
  li.open .head > span:first-child {
    font-weight: 600;
  }
  .numbers {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
    margin-top: 0.25rem;
  }
  .numbers button {
    min-height: var(--target);
    padding: 0 0.625rem;
    color: var(--accent);
  }
  .numbers button[aria-pressed='true'] {
    background: var(--accent-soft);
    color: var(--ink);
  }
  .caution {
    margin: 0.25rem 0;
    max-width: 46rem;
  }
</style>
