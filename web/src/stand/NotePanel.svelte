<!-- The chosen note: its fingering, why, what else there is and what that would cost. -->
<script lang="ts">
  import { Button, Checkbox, Select, SelectItem } from 'carbon-components-svelte';
  import Mark from '../parts/Mark.svelte';
  import Trill from '../parts/Trill.svelte';
  import type { Schemas } from '../api/client';
  import Bars from '../notes/Bars.svelte';
  import Change from './Change.svelte';
  import { BY_NAME, short, type Lane, type Note, type Where } from './lanes';
  import { ui } from '../words/ui';

  let {
    note,
    breath,
    notes,
    moves,
    lanes,
    same,
    others,
    where = $bindable(),
    section = $bindable(),
    looked,
    all = $bindable(),
    sending,
    onlook,
    ontake,
    onkeep
  }: {
    note: Note;
    /** what a breath is taken at behind it, where one is marked */
    breath: Schemas['BreathView']['where'] | undefined;
    notes: Note[];
    /** the changes to it, and those over a sign from it */
    moves: Schemas['MoveView'][];
    lanes: Lane[];
    /** how many notes of the part have this pitch */
    same: number;
    /** who else reads this page on this instrument */
    others: string[];
    /** for which notes a choice counts */
    where: Where;
    /** whether it counts for the others too */
    section: boolean;
    looked: number;
    /** whether what nobody would want here is shown too */
    all: boolean;
    /** whether what stands here was pressed and is on its way */
    sending: boolean;
    onlook: (i: number) => void;
    ontake: (i: number) => void;
    onkeep: () => void;
  } = $props();

  const price = (extra: number) =>
    extra <= -0.05
      ? ui.stand.easier
      : extra < 0.05
        ? ui.stand.noMore
        : extra < 1
          ? ui.stand.littleMore
          : extra < 4
            ? ui.stand.moreEffort
            : extra < 15
              ? ui.stand.muchMore
              : ui.stand.notHere;
  /** found by its name: there is nothing to finger, to keep or to take instead */
  const byName = $derived(note.fingering === BY_NAME);
  const offered = $derived(note.alternatives.filter((a) => all || !a.farOff));
  const far = $derived(note.alternatives.filter((a) => a.farOff).length);
  const standing = $derived(
    note.isNew
      ? ui.stand.isNew
      : note.unlearned
        ? ui.stand.otherFingering
        : note.standing === 'SHAKY'
          ? ui.stand.wasShaky
          : note.faded
            ? ui.standing.FADED
            : note.standing === 'NOT_YET'
              ? ui.stand.wasNotYet
              : ui.stand.wasSecure
  );
  const mark = $derived(
    note.isNew || note.unlearned || note.standing === 'NOT_YET'
      ? ('NOT_YET' as const)
      : note.standing === 'SHAKY'
        ? ('SHAKY' as const)
        : note.faded
          ? ('FADED' as const)
          : ('SECURE' as const)
  );
</script>

<div class="panel" aria-live="polite">
  <div class="head">
    <span class="pitch">{note.shown}</span>
    <span class="quiet small"
      >{ui.stand.barBeat(note.barNumber, Math.round(note.beat * 100) / 100)}</span
    >
  </div>
  <p class="standing small"><Mark state={mark} label={false} /> {standing}</p>

  <h2>{note.label}</h2>
  {#if byName}
    <Bars midi={note.writtenMidi} label={note.label} />
  {:else}
    <p class="notation">{short(note.fingering).join(' · ')}</p>
  {/if}
  {#if sending}
    <p class="small quiet">{ui.stand.replanning}</p>
  {:else}
    {#each note.reasons as r (r.text)}
      <p class="why">{r.text}</p>
    {/each}
    {#each note.kept as k (k)}
      <p class="small">{k}</p>
    {/each}
  {/if}
  {#if breath}<p class="small">{ui.stand.breath[breath]}</p>{/if}
  {#if note.trill[0]}
    <section class="trill">
      <h3>{ui.trill.between(note.trill[0].lower.shown, note.trill[0].upper.shown)}</h3>
      <Trill trill={note.trill[0]} />
    </section>
  {:else if note.ornament}<p class="small">{note.ornament}</p>{/if}
  {#if note.printed}<p class="small quiet">{ui.stand.fileSays(note.printed)}</p>{/if}
  {#if note.caution}<p class="small caution"><b>{ui.all.care}</b> {note.caution}</p>{/if}
  {#if !byName}
    <div class="keep">
      <Button size="small" kind={note.locked ? 'secondary' : 'tertiary'} on:click={onkeep}>
        {note.locked ? ui.stand.letGo : ui.stand.keepIt} <kbd>k</kbd>
      </Button>
    </div>
    {#if same > 1 || others.length}
      <div class="reach">
        {#if same > 1}
          <Select size="sm" labelText={ui.stand.counts} bind:selected={where}>
            <SelectItem value="NOTE" text={ui.stand.thisNote} />
            <SelectItem value="PITCH" text={ui.stand.everyNote(note.shown, same)} />
            {#if note.figure > 1}
              <SelectItem value="FIGURE" text={ui.stand.thisFigure(note.figure)} />
            {/if}
          </Select>
        {/if}
        {#if others.length}
          <Checkbox labelText={ui.stand.andFor(others.join(', '))} bind:checked={section} />
        {/if}
      </div>
    {/if}

    <h3>{ui.stand.instead}</h3>
    {#if note.alternatives.length}
      <ul>
        {#each offered as a, i (a.fingering)}
          <li class:looked={i === looked}>
            <button class="plain" onmouseenter={() => onlook(i)} onclick={() => ontake(i)}>
              <span class="label">{a.label}</span>
              <span class="notation">{short(a.fingering).join(' · ')}</span>
              <span class="small quiet">{price(a.extra)}{a.learned ? '' : ui.stand.notLearned}</span
              >
              <span class="small">{a.text}</span>
              {#if i === looked}<span class="small take"><kbd>Enter</kbd> {ui.stand.takesIt}</span
                >{/if}
            </button>
          </li>
        {/each}
      </ul>
      {#if !all && far}
        <button class="plain link small" onclick={() => (all = true)}>
          {ui.stand.farMore(far)}
        </button>
      {/if}
    {:else}
      <p class="small quiet">{ui.stand.noOther}</p>
    {/if}
  {/if}
  {#each byName ? [] : moves as m (m.fromId + m.toId)}
    {@const from = notes.find((n) => n.id === m.fromId)}
    {@const to = notes.find((n) => n.id === m.toId)}
    {#if from && to}
      <h3>
        {m.way === 'ON'
          ? ui.stand.comingHere
          : m.toId === note.id
            ? ui.stand.comingOver[m.way](from.barNumber)
            : ui.stand.goingOver[m.way](to.barNumber)}
      </h3>
      <Change move={m} {from} {to} {lanes} />
    {/if}
  {/each}
</div>

<style>
  .panel {
    display: flex;
    flex-direction: column;
    gap: 0.5rem;
  }
  .head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
  }
  .pitch {
    font-size: 2.25rem;
    font-weight: 300;
    line-height: 1;
  }
  h2::first-letter {
    text-transform: uppercase;
  }
  .notation {
    letter-spacing: 0.04em;
    color: var(--ink-2);
  }
  .why {
    border-left: 3px solid var(--accent);
    padding-left: 0.625rem;
  }
  .caution {
    padding: 0.5rem 0.625rem;
    border: 1px solid var(--hard);
    border-radius: 4px;
  }
  .reach {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
    margin-bottom: 0.25rem;
  }
  .keep {
    margin: 0.25rem 0 0.5rem;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    border-top: 1px solid var(--rule);
  }
  li.looked {
    background: var(--accent-soft);
  }
  li button {
    display: flex;
    flex-wrap: wrap;
    column-gap: 0.625rem;
    width: 100%;
    padding: 0.5rem 0.375rem;
  }
  li .label {
    font-weight: 600;
  }
  li .label::first-letter {
    text-transform: uppercase;
  }
  .link {
    text-align: left;
    text-decoration: underline;
    color: var(--accent);
  }
  li .small:not(.quiet) {
    flex-basis: 100%;
  }
  .standing {
    display: flex;
    gap: 0.375rem;
    align-items: center;
  }
</style>
