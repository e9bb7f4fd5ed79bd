<!-- One group on the first screen: what it plays, who is stuck on what, what to say to each. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import OpenCheck from '../parts/OpenCheck.svelte';
  import Mark from '../parts/Mark.svelte';

  let {
    group,
    chosen,
    open,
    onchoose
  }: {
    group: Schemas['GroupToday'];
    chosen: boolean;
    /** whether all of it is seen at once */
    open: boolean;
    onchoose: () => void;
  } = $props();

  const MOST = 6;
  /** whether the teacher wants to see more, or less, than there is at first */
  let wanted = $state<boolean>();
  let all = $state(false);
  const shown = $derived(wanted ?? open);

  const marks = {
    ready: 'secure',
    shaky: 'shaky',
    hard: 'shaky',
    faded: 'not heard for long',
    lacks: 'not yet',
    none: 'not yet',
    odd: 'not yet'
  } as const;
  /** Those who are stuck come first. */
  const order = { odd: 0, lacks: 0, none: 1, shaky: 2, hard: 3, faded: 4, ready: 5 } as const;
  type State = keyof typeof order;

  const first = $derived(group.next[0]);
  const lacking = $derived(first?.players.filter((p) => p.state === 'lacks').length ?? 0);
  const odd = $derived(first?.players.filter((p) => p.state === 'odd').length ?? 0);
  const rows = $derived(
    group.say
      .filter((s) => s.state !== 'ready')
      .map((s) => ({
        ...s,
        // what each has to play first, which may be given to one alone
        next: group.next.find((n) => n.assignmentId === s.assignmentId)!
      }))
      .sort(
        (a, b) =>
          order[a.state as State] - order[b.state as State] ||
          a.student.name.localeCompare(b.student.name)
      )
  );
  const ready = $derived(
    group.say
      .filter((s) => s.state === 'ready')
      .map((s) => ({
        student: s.student,
        piece: group.next.find((n) => n.assignmentId === s.assignmentId)!.piece
      }))
  );
  const stands = (next: Schemas['NextView'], student: number) =>
    next.players.find((p) => p.student.id === student)?.sentence ?? '';

  const verdict = $derived.by(() => {
    const many = first?.players.length ?? 0;
    if (!many) return 'Nobody is in this group yet.';
    if (odd) return `It can't be worked out for ${odd === many ? 'anyone' : odd}.`;
    if (!lacking) return 'Everyone has all the notes.';
    if (lacking === many)
      return many === 1 ? 'The notes are not all there yet.' : 'Nobody has all the notes yet.';
    return `${lacking} of ${many} ${lacking === 1 ? 'lacks' : 'lack'} notes.`;
  });
  const sum = (n: Schemas['NextView']) => {
    const lack = n.players.filter((p) => p.state === 'lacks').length;
    const unclear = n.players.filter((p) => p.state === 'odd');
    if (unclear.length) return unclear[0]!.sentence;
    return lack ? `${lack} of ${n.players.length} lack notes` : 'all have the notes';
  };
</script>

<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<section id="group-{group.id}" class:chosen aria-label={group.name} onclick={onchoose}>
  <div class="head">
    <h2>
      <button class="plain" aria-expanded={shown} onclick={() => (wanted = !shown)}
        >{group.name}</button
      >
    </h2>
    {#if !group.today}<span class="quiet">{group.when}</span>{/if}
    {#if group.students && group.id}
      <span class="acts">
        <a href="/ear/class/{group.id}">Playing check</a>
        <a href="/people/group/{group.id}/note/next">New note</a>
        {#if first}<a href="/parts/{first.assignmentId}">All parts</a>{/if}
        <a href="/people/group/{group.id}/pieces">Who can play what</a>
      </span>
    {/if}
  </div>
  {#each group.open as c (c.id)}<p class="line"><OpenCheck check={c} /></p>{/each}
  {#if !group.students}
    <p>Nobody is in this group yet. <a href="/people">Set up its students</a>.</p>
  {:else if !first}
    <p>Nothing is given to this group. <a href="/shelf">Choose a piece on the shelf</a>.</p>
  {:else}
    <p class="play">
      <b>{first.piece.title}</b>
      <span class="quiet"
        >{[first.piece.source, first.givenTo, first.what, first.dueWords]
          .filter(Boolean)
          .join(' · ')}</span
      >
      <b class="verdict">{verdict}</b>
    </p>
    {#if shown}
      {#if first.message}<p class="sentence">{first.message}</p>{/if}
      {#if rows.length}
        <table>
          <thead class="bx--visually-hidden">
            <tr
              ><th scope="col">Student</th><th scope="col">How it stands</th><th scope="col"
                >What to say</th
              ><th scope="col">Hear</th></tr
            >
          </thead>
          <tbody>
            {#each all ? rows : rows.slice(0, MOST) as r (r.student.id)}
              <tr>
                <th scope="row">
                  <a href="/people/{r.student.id}">{r.student.name}</a>
                  <span class="quiet small">{r.student.instrumentName}</span>
                </th>
                <td class="how">
                  <a href="/stand/{r.student.id}/{r.next.piece.id}">
                    <Mark state={marks[r.state as State]} label={false} />
                    <span
                      >{r.state === 'hard'
                        ? 'has the notes; a change is hard'
                        : stands(r.next, r.student.id)}{r.next === first
                        ? ''
                        : ` (${r.next.piece.title})`}</span
                    >
                  </a>
                </td>
                <td class="say">
                  {#if r.shown}{r.lead} <b>{r.shown}</b>. {r.sentence}{/if}
                </td>
                <td class="hear"
                  ><a class="small" href="/ear/{r.student.id}/{r.next.piece.id}">hear</a></td
                >
              </tr>
            {/each}
          </tbody>
        </table>
        {#if rows.length > MOST}
          <button class="plain link" onclick={() => (all = !all)}
            >{all ? 'only the first' : `and ${rows.length - MOST} more`}</button
          >
        {/if}
      {/if}
      {#if ready.length}
        <p class="line">
          <Mark state="secure" label={false} /> Ready:
          {#each ready as r, i (r.student.id)}{i ? ', ' : ''}<a
              href="/stand/{r.student.id}/{r.piece.id}">{r.student.name}</a
            >{/each}
        </p>
      {/if}
      {#if group.faded.length}
        <p class="line">
          <Mark state="not heard for long" label={false} /> Not heard for long, as it sounds:
          {#each group.faded as f, i (f.shown)}{i ? ' · ' : ''}<b>{f.shown}</b>
            of {f.students.slice(0, 4).join(', ')}{f.students.length > 4
              ? ` and ${f.students.length - 4} more`
              : ''}{/each}
        </p>
      {/if}
      {#each group.next.slice(1, 4) as n (n.assignmentId)}
        <p class="line quiet">
          Then <a href="/parts/{n.assignmentId}">{n.piece.title}</a>
          {[n.givenTo, n.what, n.dueWords].filter(Boolean).join(' · ')}: {sum(n)}{n.message
            ? `. ${n.message}`
            : ''}
        </p>
      {/each}
      {#if group.next.length > 4}<p class="line quiet">and {group.next.length - 4} more</p>{/if}
    {/if}
  {/if}
</section>

<style>
  section {
    margin: 1.125rem 0 0 -1.25rem;
    padding: 0 0 0 1.125rem;
    border-left: 2px solid transparent;
    scroll-margin: 1rem;
  }
  section.chosen {
    border-left-color: var(--accent);
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.25rem 1rem;
  }
  h2 button {
    font: inherit !important;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1.25rem;
    margin-left: auto;
  }
  .verdict {
    margin-left: 0.75rem;
  }
  .sentence {
    font-style: italic;
  }
  table {
    width: 100%;
    margin-top: 0.5rem;
    border-collapse: collapse;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  tbody th,
  td {
    text-align: left;
    vertical-align: baseline;
    font-weight: 400;
    padding: 0.3rem 0.75rem;
    border-bottom: 1px solid var(--rule);
  }
  tbody th {
    width: 14.5rem;
  }
  th a {
    font-weight: 600;
    color: var(--ink);
    text-decoration: none;
  }
  th a:hover {
    text-decoration: underline;
  }
  th .quiet {
    margin-left: 0.25rem;
  }
  .how {
    width: 24%;
  }
  .how a {
    display: flex;
    align-items: baseline;
    gap: 0.5rem;
    color: var(--ink);
    text-decoration: none;
  }
  .how :global(svg) {
    align-self: baseline;
    transform: translateY(2px);
  }
  .how a:hover span {
    text-decoration: underline;
  }
  .hear {
    width: 3.5rem;
  }
  .line {
    margin-top: 0.375rem;
  }
  .link {
    margin-top: 0.25rem;
    text-decoration: underline;
    color: var(--accent) !important;
  }
  @media (max-width: 860px) {
    tbody th {
      width: 9rem;
    }
  }
</style>
