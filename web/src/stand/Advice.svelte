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
    onchoose,
    ontake
  }: {
    student: number;
    piece: number;
    /** asked anew whenever it changes */
    plan: Schemas['PlanView'];
    advice: Schemas['AdviceView'] | undefined;
    onchoose: (id: string) => void;
    ontake: (changes: Schemas['ChangeView'][]) => void;
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

  const bars = (list: string[]) =>
    list.length === 1 ? `bar ${list[0]}` : `bars ${list.slice(0, 6).join(', ')}`;
  const more = (extra: number) =>
    extra < 0.05
      ? 'just as easy'
      : extra < 1
        ? 'a little more effort'
        : extra < 4
          ? 'more effort'
          : 'much more effort';
</script>

<section>
  {#if problem}<p class="small" role="alert">{problem}</p>{/if}
  {#if advice}
    {#if advice.hardest.length}
      <h3>Hardest changes</h3>
      <ol>
        {#each advice.hardest as h (h.to)}
          <li>
            <button class="plain" onclick={() => onchoose(h.to)}>
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
    {#if advice.others.length}
      <h3>Other ways through</h3>
      <ul>
        {#each advice.others as o, i (i)}
          <li>
            <p class="small quiet">{more(o.extra)}{o.extra >= 0.05 ? ` (+${o.extra})` : ''}</p>
            {#each o.changes as c (c.noteId)}
              <p class="small">
                <button class="plain link" onclick={() => onchoose(c.noteId)}
                  >bar {c.barNumber}, {c.shown}</button
                >: {c.label}
              </p>
            {/each}
            <Button size="small" kind="ghost" on:click={() => ontake(o.changes)}>Take it</Button>
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
  li p button.plain {
    width: auto;
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
