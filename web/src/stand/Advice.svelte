<!-- What there is to say of the whole part: where it is hard, what to teach next, how else it goes. -->
<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { api, asked, sentence, type Schemas } from '../api/client';
  import { short } from './lanes';

  let {
    student,
    piece,
    plan,
    advice = $bindable(),
    against,
    onchoose,
    onagainst,
    ontake,
    onstyle
  }: {
    student: number;
    piece: number;
    /** asked anew whenever it changes */
    plan: Schemas['PlanView'];
    advice: Schemas['AdviceView'] | undefined;
    onchoose: (id: string) => void;
    /** what the page is compared with */
    against: Schemas['OtherView'] | undefined;
    onagainst: (other: Schemas['OtherView'] | undefined) => void;
    ontake: (changes: Schemas['ChangeView'][]) => void;
    /** a school of a style, for this student or for the house */
    onstyle: (name: string, school: string, house: boolean) => void;
  } = $props();

  let problem = $state('');

  $effect(() => {
    const path = { studentId: student, pieceId: piece };
    if (!plan.notes.length) return;
    let gone = false;
    asked(api.GET('/api/stand/{studentId}/{pieceId}/advice', { params: { path } }))
      .then((a) => {
        if (!gone) {
          advice = a;
          problem = '';
        }
      })
      .catch((e) => {
        if (!gone) problem = sentence(e);
      });
    return () => {
      gone = true;
    };
  });

  /** as many are named; the page shows all */
  const MOST = 5;
  const bars = (list: string[]) =>
    list.length === 1 ? `bar ${list[0]}` : `bars ${list.slice(0, 6).join(', ')}`;
  const more = (extra: number) =>
    extra <= -0.05
      ? `easier (−${(-extra).toFixed(1)})`
      : extra < 0.05
        ? 'just as easy'
        : extra < 1
          ? 'a little more effort'
          : extra < 4
            ? 'more effort'
            : 'much more effort';
</script>

{#snippet other(o: Schemas['OtherView'])}
  <p class="small quiet">{more(o.extra)}{o.extra >= 0.05 ? ` (+${o.extra.toFixed(1)})` : ''}</p>
  {#each o.changes.slice(0, MOST) as c (c.noteId)}
    <p class="small">
      <button class="plain link" onclick={() => onchoose(c.noteId)}
        >bar {c.barNumber}, {c.shown}</button
      >: {c.label} <span class="quiet">instead of {c.wasLabel}</span>
    </p>
  {/each}
  {#if o.changes.length > MOST}
    <p class="small quiet">and {o.changes.length - MOST} more</p>
  {/if}
  {#if o.changes.length}
    <button
      class="plain link small"
      aria-pressed={against === o}
      onclick={() => onagainst(against === o ? undefined : o)}
      >{against === o ? 'Leave the comparison' : 'Compare on the page'}</button
    >
  {/if}
{/snippet}

{#snippet votes(list: Schemas['OutvotedView'][])}
  {#if list.length}
    <p class="small">
      {list.length === 1 ? 'At one note' : `At ${list.length} notes`} it gives way:
    </p>
    {#each list.slice(0, MOST) as o (o.noteId)}
      <p class="small">
        <button class="plain link" onclick={() => onchoose(o.noteId)}
          >bar {o.barNumber}, {o.shown}</button
        >
        stays {o.label}. <span class="quiet">{o.why}</span>
      </p>
    {/each}
    {#if list.length > MOST}<p class="small quiet">and {list.length - MOST} more</p>{/if}
  {/if}
{/snippet}

<section>
  {#if problem}<p class="small" role="alert">{problem}</p>{/if}
  {#if advice}
    {#if advice.hardest.length}
      <h3>Hardest changes</h3>
      <ol>
        {#each advice.hardest as h (h.toId)}
          <li>
            <button class="plain" onclick={() => onchoose(h.toId)}>
              <b>{h.shown}</b> <span class="small quiet">bar {h.barNumber}</span>
              <span class="how" style:--w="{Math.round(h.difficulty * 100)}%"></span>
            </button>
            <p class="small">{h.sentence}</p>
            <p class="small quiet">{h.practise}</p>
          </li>
        {/each}
      </ol>
    {/if}
    {#if advice.worth.length}
      <h3>Worth teaching next</h3>
      <ul>
        {#each advice.worth as w (w.shown + w.fingering)}
          <li>
            <button class="plain" onclick={() => onchoose(w.noteId)}>
              <b>{w.shown}</b>
              {w.label} <span class="small quiet">{short(w.fingering).join(' · ')}</span>
            </button>
            <p class="small">
              {w.needed ? 'This part needs it' : 'It would make this part easier'}
              {w.times === 1 ? 'once' : `${w.times} times`}, in {bars(w.bars)}.
            </p>
          </li>
        {/each}
      </ul>
    {/if}
    {#if advice.learned.length}
      <h3>With everything learned</h3>
      <ul>
        {#each advice.learned as o (o.title)}<li>{@render other(o)}</li>{/each}
      </ul>
    {/if}
    {#if advice.others.length}
      <h3>Other ways through</h3>
      <ul>
        {#each advice.others as o, i (i)}
          <li>
            {@render other(o)}
            <Button size="small" kind="ghost" on:click={() => ontake(o.changes)}>Take it</Button>
          </li>
        {/each}
      </ul>
    {/if}
    {#if advice.styles.length}
      <h3>Ways of playing</h3>
      <ul>
        {#each advice.styles as s (s.name)}
          <li>
            <p><b>{s.label}</b>: {s.chosen}</p>
            <p class="small quiet">{s.own ? 'this student’s own way' : 'the house style'}</p>
            {@render votes(s.outvoted)}
            {#each s.others as school (school.value)}
              <details>
                <summary class="small"
                  >or {school.other.title}: {school.other.changes.length === 0
                    ? 'nothing changes here'
                    : school.other.changes.length === 1
                      ? 'one note changes'
                      : `${school.other.changes.length} notes change`}</summary
                >
                {@render votes(school.outvoted)}
                {#if school.other.changes.length}{@render other(school.other)}{/if}
                <Button
                  size="small"
                  kind="ghost"
                  on:click={() => onstyle(s.name, school.value, false)}>For this student</Button
                >
                <Button
                  size="small"
                  kind="ghost"
                  on:click={() => onstyle(s.name, school.value, true)}>As the house style</Button
                >
              </details>
            {/each}
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
</section>

<style>
  section {
    margin-top: 1.5rem;
    border-top: 1px solid var(--rule);
    padding-top: 1rem;
  }
  h3 {
    margin-top: 1rem;
  }
  h3:first-child {
    margin-top: 0;
  }
  ol,
  ul {
    list-style: none;
    margin: 0.25rem 0 0;
    padding: 0;
  }
  li {
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--rule);
  }
  li button.plain {
    width: 100%;
  }
  li p button.plain,
  li button.link {
    width: auto;
    font-size: 0.8125rem !important;
  }
  summary {
    cursor: pointer;
    padding: 0.25rem 0;
  }
  .how {
    display: block;
    height: 4px;
    margin: 0.25rem 0;
    background: linear-gradient(to right, var(--hard) var(--w), var(--rule) var(--w));
  }
  .link {
    text-decoration: underline;
    color: var(--accent);
  }
</style>
