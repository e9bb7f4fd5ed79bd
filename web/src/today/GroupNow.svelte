<!-- One group on the first screen: what it plays, who is stuck on what, what to say to each. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import OpenCheck from '../parts/OpenCheck.svelte';
  import Mark from '../parts/Mark.svelte';
  import { MARKS } from '../words/standing';
  import { standOf } from '../drums/drums';
  import { ui } from '../words/ui';

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

  /** Those who are stuck come first. */
  const order = {
    ODD: 0,
    LACKS: 0,
    NONE: 1,
    SHAKY: 2,
    HARD: 3,
    FADED: 4,
    READY: 5,
    DRUMS: 5
  } as const;

  const first = $derived(group.next[0]);
  /** whoever has notes to learn in it; drums have none */
  const pitched = $derived(first?.players.filter((p) => !p.student.drums) ?? []);
  const drums = $derived(first?.players.filter((p) => p.state === 'DRUMS') ?? []);
  const partless = $derived(first?.players.filter((p) => p.state === 'NONE') ?? []);
  const lacking = $derived(first?.players.filter((p) => p.state === 'LACKS').length ?? 0);
  const odd = $derived(first?.players.filter((p) => p.state === 'ODD').length ?? 0);
  const rows = $derived(
    group.say
      .filter((s) => s.state !== 'READY')
      .map((s) => ({
        ...s,
        // what each has to play first, which may be given to one alone
        next: group.next.find((n) => n.assignmentId === s.assignmentId)!
      }))
      .sort(
        (a, b) => order[a.state] - order[b.state] || a.student.name.localeCompare(b.student.name)
      )
  );
  const having = $derived(
    group.say
      .filter((s) => s.state === 'READY')
      .map((s) => {
        const next = group.next.find((n) => n.assignmentId === s.assignmentId)!;
        const simpler = next.players.some((p) => p.student.id === s.student.id && p.simpler);
        return { student: s.student, piece: next.piece, simpler };
      })
  );
  /** ready is who has all notes as they are written; a simpler part counts apart */
  const ready = $derived(having.filter((h) => !h.simpler));
  const simpler = $derived(having.filter((h) => h.simpler));
  const stands = (next: Schemas['NextView'], student: number) =>
    next.players.find((p) => p.student.id === student)?.sentence ?? '';

  const verdict = $derived.by(() => {
    const many = pitched.length;
    if (!many) return drums.length ? '' : ui.today.nobody;
    if (odd) return odd === many ? ui.today.oddAll : ui.today.oddSome(odd);
    const easier = first?.players.filter((p) => p.simpler).length ?? 0;
    if (easier) return ui.today.withSimpler(easier, many - lacking, many) + '.';
    if (!lacking) return ui.today.everyone;
    if (lacking === many) return many === 1 ? ui.today.notAllThere : ui.today.nobodyHas;
    return ui.today.lackSome(lacking, many);
  });
  const sum = (n: Schemas['NextView']) => {
    const many = n.players.filter((p) => !p.student.drums).length;
    const lack = n.players.filter((p) => p.state === 'LACKS').length;
    const unclear = n.players.filter((p) => p.state === 'ODD');
    if (unclear.length) return unclear[0]!.sentence;
    const easier = n.players.filter((p) => p.simpler).length;
    if (easier) return ui.today.withSimpler(easier, many - lack, many);
    return lack ? ui.today.lack(lack, many) : ui.today.allHave;
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
        <a href="/ear/class/{group.id}">{ui.all.playingCheck}</a>
        <a href="/people/group/{group.id}/note/next">{ui.today.newNote}</a>
        {#if first}<a href="/parts/{first.assignmentId}">{ui.today.allParts}</a>{/if}
        <a href="/people/group/{group.id}/pieces">{ui.today.whoCan}</a>
      </span>
    {/if}
  </div>
  {#each group.open as c (c.id)}<p class="line"><OpenCheck check={c} /></p>{/each}
  {#if !group.students}
    <p>{ui.today.nobody} <a href="/people">{ui.today.setUpStudents}</a>.</p>
  {:else if !first}
    <p>{ui.today.nothingGiven} <a href="/shelf">{ui.today.choosePiece}</a>.</p>
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
        <table class="rows sheet stack">
          <thead class="bx--visually-hidden">
            <tr
              ><th scope="col">{ui.all.student}</th><th scope="col">{ui.today.howStands}</th><th
                scope="col">{ui.today.whatToSay}</th
              ><th scope="col">{ui.today.hearHead}</th></tr
            >
          </thead>
          <tbody>
            {#each all ? rows : rows.slice(0, MOST) as r (r.student.id)}
              <tr>
                <th scope="row">
                  <a href="/people/{r.student.id}">{r.student.name}</a>
                  <span class="quiet small">{r.student.plays}</span>
                </th>
                <td class="how">
                  <a href="/stand/{r.student.id}/{r.next.piece.id}">
                    {#if MARKS[r.state]}<Mark state={MARKS[r.state]!} label={false} />{/if}
                    <span
                      >{r.state === 'HARD'
                        ? ui.today.changeHard
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
                  ><a class="small" href="/ear/{r.student.id}/{r.next.piece.id}">{ui.today.hear}</a
                  ></td
                >
              </tr>
            {/each}
          </tbody>
        </table>
        {#if rows.length > MOST}
          <button class="plain link" onclick={() => (all = !all)}
            >{all ? ui.today.onlyFirst : ui.all.andMore(rows.length - MOST)}</button
          >
        {/if}
      {/if}
      {#if ready.length}
        <p class="line">
          <Mark state="SECURE" label={false} />
          {ui.today.ready}
          {#each ready as r, i (r.student.id)}{i ? ', ' : ''}<a
              href="/stand/{r.student.id}/{r.piece.id}">{r.student.name}</a
            >{/each}
        </p>
      {/if}
      {#if drums.length && first}
        <p class="line">
          {ui.today.drums}
          {#each drums as p, i (p.student.id)}{i ? ', ' : ''}<a
              href={standOf(p.student, first.piece.id)}>{p.student.name}</a
            >{/each}
        </p>
      {/if}
      {#if partless.length}
        <p class="line">
          {ui.today.partless}
          {partless.map((p) => p.student.name).join(', ')}
        </p>
      {/if}
      {#if simpler.length}
        <p class="line">
          <Mark state="SHAKY" label={false} />
          {ui.today.playSimpler}
          {#each simpler as r, i (r.student.id)}{i ? ', ' : ''}<a
              href="/simpler/{r.student.id}/{r.piece.id}">{r.student.name}</a
            >{/each}
        </p>
      {/if}
      {#if group.faded.length}
        <p class="line">
          <Mark state="FADED" label={false} />
          {ui.today.fadedAs}
          {#each group.faded as f, i (f.shown)}{i ? ' · ' : ''}<b>{f.shown}</b>
            {ui.today.of(
              f.students.slice(0, 4).join(', '),
              f.students.length > 4 ? ' ' + ui.all.andMore(f.students.length - 4) : ''
            )}{/each}
        </p>
      {/if}
      {#each group.next.slice(1, 4) as n (n.assignmentId)}
        <p class="line quiet">
          {ui.today.then} <a href="/parts/{n.assignmentId}">{n.piece.title}</a>
          {[n.givenTo, n.what, n.dueWords].filter(Boolean).join(' · ')}: {sum(n)}{n.message
            ? `. ${n.message}`
            : ''}
        </p>
      {/each}
      {#if group.next.length > 4}<p class="line quiet">
          {ui.all.andMore(group.next.length - 4)}
        </p>{/if}
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
    font: inherit;
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
    margin-top: 0.5rem;
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
    color: var(--accent);
  }
  @media (min-width: 701px) and (max-width: 1000px) {
    tbody th {
      width: 9rem;
    }
  }
  @media (max-width: 700px) {
    :is(th, .how, .say, .hear) {
      width: auto;
    }
  }
</style>
