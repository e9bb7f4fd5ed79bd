<!-- What do we play, who can't yet, and what do I tell them? -->
<script lang="ts">
  import { Button, SkeletonText } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { warmUp } from '../engrave/engrave';
  import Mark from '../parts/Mark.svelte';
  import Trouble from '../parts/Trouble.svelte';

  let today = $state.raw<Schemas['Today']>();
  let problem = $state('');

  onMount(() => {
    void load();
    // the engraver starts while the teacher reads, so that a part opens at once
    warmUp();
  });

  async function load() {
    problem = '';
    try {
      today = await asked(api.GET('/api/today'));
    } catch (e) {
      problem = sentence(e);
    }
  }

  const date = $derived(
    today
      ? new Date(today.date + 'T12:00').toLocaleDateString('en-GB', {
          weekday: 'long',
          day: 'numeric',
          month: 'long'
        })
      : ''
  );
  const marks = {
    ready: 'secure',
    shaky: 'shaky',
    faded: 'not heard for long',
    lacks: 'not yet',
    none: 'not yet'
  } as const;

  const names = (list: Schemas['ReadyView'][]) => {
    const n = list.map((p) => p.student.name);
    return n.length < 2 ? n.join('') : `${n.slice(0, -1).join(', ')} and ${n[n.length - 1]}`;
  };

  /** One sentence for the whole group. */
  function stuck(next: Schemas['NextView']): string {
    const lacking = next.players.filter((p) => p.state === 'lacks');
    if (!next.players.length) return 'Nobody is in this group yet.';
    if (!lacking.length) return 'Everyone has all the notes.';
    if (lacking.length === next.players.length) return 'Nobody has all the notes yet.';
    return `${names(lacking)} ${lacking.length === 1 ? 'lacks' : 'lack'} notes; ${
      next.players.length - lacking.length
    } of ${next.players.length} can play it.`;
  }

  /** Those who are stuck come first. */
  const order = { lacks: 0, none: 1, shaky: 2, faded: 3, ready: 4 } as const;
  function rows(group: Schemas['GroupToday']) {
    const first = group.next[0];
    if (!first) return [];
    return [...first.players]
      .sort(
        (a, b) =>
          order[a.state as keyof typeof order] - order[b.state as keyof typeof order] ||
          a.student.name.localeCompare(b.student.name)
      )
      .map((p) => ({
        student: p.student,
        cells: group.next.map((n) => ({
          piece: n.piece,
          ready: n.players.find((q) => q.student.id === p.student.id)!
        }))
      }));
  }
</script>

<div class="page">
  {#if problem}
    <Trouble text={problem} again={load} />
  {:else if !today}
    <SkeletonText heading /><SkeletonText paragraph lines={10} />
  {:else}
    <h1>{date}</h1>
    {#each today.groups as group (group.id)}
      <section>
        <div class="head">
          <h2>{group.name}</h2>
          {#if group.next[0]}
            <p>
              {group.next[0].piece.title}, {group.next[0].dueWords}: <b>{stuck(group.next[0])}</b>
            </p>
          {/if}
          {#if group.students}<span class="check"
              ><a href="/people/group/{group.id}/pieces">Who can play what</a> ·
              <a href="/people/group/{group.id}/note/next">A new note</a> ·
              <a href="/ear/class/{group.id}">Playing check</a></span
            >{/if}
        </div>
        {#if group.next.length && group.students}
          <table>
            <thead>
              <tr>
                <th scope="col" class="who"><span class="bx--visually-hidden">Student</span></th>
                {#each group.next as n (n.assignmentId)}
                  <th scope="col">
                    <span class="title">{n.piece.title}</span>
                    <span class="quiet small">{n.piece.source} · {n.dueWords}</span>
                    {#if n.sentence}<span class="say small">{n.sentence}</span>{/if}
                  </th>
                {/each}
              </tr>
            </thead>
            <tbody>
              {#each rows(group) as row (row.student.id)}
                <tr>
                  <th scope="row" class="who">
                    <a href="/people/{row.student.id}">{row.student.name}</a>
                    <span class="quiet small">{row.student.instrumentName}</span>
                  </th>
                  {#each row.cells as c (c.piece.id)}
                    <td>
                      <div class="cell">
                        <a class="to" href="/stand/{row.student.id}/{c.piece.id}">
                          <Mark state={marks[c.ready.state as keyof typeof marks]} label={false} />
                          <span>{c.ready.sentence}</span>
                        </a>
                        <a class="hear small" href="/ear/{row.student.id}/{c.piece.id}">hear</a>
                      </div>
                    </td>
                  {/each}
                </tr>
              {/each}
            </tbody>
          </table>
        {:else if !group.students}
          <p class="empty">
            Nobody is in this group yet. <a href="/people">Set up its students</a>.
          </p>
        {:else}
          <p class="empty">
            Nothing is given to this group. <a href="/shelf">Choose a piece on the shelf</a>.
          </p>
        {/if}
      </section>
    {:else}
      <div class="empty first">
        <p>Set up a group and its students; then bring in a piece and give it to them.</p>
        <div class="row">
          <Button size="small" href="/people">Set up a group</Button>
          <Button size="small" kind="tertiary" href="/shelf">Bring in a piece</Button>
        </div>
      </div>
    {/each}
    {#if today.groups.length}
      <p class="legend small quiet">
        <span><Mark state="secure" label={false} /> has all the notes</span>
        <span><Mark state="shaky" label={false} /> some are shaky</span>
        <span><Mark state="not heard for long" label={false} /> not heard for long</span>
        <span><Mark state="not yet" label={false} /> lacks notes</span>
      </p>
    {/if}
  {/if}
</div>

<style>
  .check {
    margin-left: auto;
    white-space: nowrap;
  }
  section {
    margin-top: 1.5rem;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.25rem 1.25rem;
    margin-bottom: 0.5rem;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    table-layout: fixed;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    font-weight: 400;
    padding: 0.5rem 0.75rem;
    border-bottom: 1px solid var(--rule);
  }
  tbody th,
  tbody td {
    padding-block: 0.375rem;
  }
  thead span {
    display: block;
  }
  .title {
    font-weight: 600;
  }
  .say {
    font-style: italic;
  }
  .who {
    width: 15rem;
  }
  .who a {
    font-weight: 600;
    color: var(--ink);
    text-decoration: none;
  }
  .who a:hover {
    text-decoration: underline;
  }
  .who .quiet {
    margin-left: 0.375rem;
  }
  .cell {
    display: flex;
    gap: 0.75rem;
    justify-content: space-between;
    align-items: baseline;
  }
  .to {
    display: flex;
    gap: 0.5rem;
    color: var(--ink);
    text-decoration: none;
  }
  .to :global(svg) {
    margin-top: 0.25rem;
  }
  .to:hover span {
    text-decoration: underline;
  }
  .empty {
    padding: 1rem 0;
  }
  .first {
    margin-top: 2rem;
    max-width: 34rem;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    margin-top: 1rem;
  }
  .legend {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.5rem;
    margin-top: 1rem;
  }
  @media (max-width: 700px) {
    .who {
      width: 7rem;
    }
  }
</style>
