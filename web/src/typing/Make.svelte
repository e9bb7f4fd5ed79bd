<!-- A scale or a broken chord is made: for who plays an instrument, for one student, for a group. -->
<script lang="ts">
  import { Button, Select, SelectItem } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { shown } from '../lib/pitch';
  import { ui } from '../words/ui';
  import { ways } from '../ways.svelte';

  let {
    instrument,
    instrumentName,
    meter,
    tempo,
    onmade
  }: {
    /** the page's own */
    instrument: string;
    instrumentName: string;
    meter: string;
    tempo: string;
    onmade: (made: Schemas['MadeExercise']) => void;
  } = $props();

  const choices = loaded<Schemas['MakingChoices']>();
  const people = loaded<Schemas['PeopleView']>();
  let whom = $state('');
  /** what was made last is likely what is made next */
  const how = new Kept('made-how', {
    tonic: 'Bb',
    mode: 'MAJOR' as Schemas['FigureBody']['mode'],
    figure: 'STEPS' as Schemas['FigureBody']['figure'],
    rhythm: 'EIGHTHS' as Schemas['FigureBody']['rhythm'],
    articulation: 'TONGUED' as Schemas['FigureBody']['articulation'],
    octaves: 1,
    stage: ''
  });
  const set = (part: Partial<typeof how.value>) => (how.value = { ...how.value, ...part });

  /** Tonics in the order of fifths, from six flats to six sharps and beyond for minor. */
  const TONICS = 'Gb Db Ab Eb Bb F C G D A E B F# C# G# D#'.split(' ');
  const named = (t: string) =>
    shown({ letter: t[0]!, alter: t.endsWith('b') ? -1 : t.endsWith('#') ? 1 : 0 }, ways.naming);
  const group = $derived(whom.startsWith('group'));

  $effect(() => {
    void choices.ask(() => asked(api.GET('/api/making')));
    void people.ask(() => asked(api.GET('/api/people')));
  });

  const changes = door();
  function make() {
    const { tonic, stage, ...figure } = how.value;
    return changes.once(
      () =>
        asked(
          api.POST('/api/making', {
            body: {
              whom: {
                kind: group ? 'GROUP' : whom ? 'STUDENT' : 'INSTRUMENT',
                id: whom.split(' ')[1] ?? instrument,
                stage
              },
              how: figure,
              tonic,
              meter,
              tempo: /^\d{1,3}$/.test(tempo) ? tempo : ''
            }
          })
        ),
      (made) => onmade(made)
    );
  }
  const value = (e: Event) => (e.target as HTMLSelectElement).value;
</script>

{#if choices.problem}<Trouble text={choices.problem} again={choices.again} />{/if}
{#if choices.value}
  {@const c = choices.value}
  <form
    aria-label={ui.typing.makes}
    onsubmit={(e) => {
      e.preventDefault();
      void make();
    }}
  >
    <Select
      size="sm"
      labelText={ui.typing.makeFor}
      selected={whom}
      on:change={(e) => (whom = value(e))}
    >
      <SelectItem value="" text={instrumentName} />
      {#each people.value?.groups ?? [] as g (g.id)}
        <SelectItem value="group {g.id}" text={ui.typing.everyone(g.name)} />
      {/each}
      {#each people.value?.students ?? [] as s (s.id)}
        <SelectItem value="student {s.id}" text="{s.name} · {s.instrumentName}" />
      {/each}
    </Select>
    <Select
      size="sm"
      labelText={group ? ui.typing.concertTonic : ui.typing.tonic}
      selected={how.value.tonic}
      on:change={(e) => set({ tonic: value(e) })}
    >
      {#each TONICS as t (t)}<SelectItem value={t} text={named(t)} />{/each}
    </Select>
    {#each [['mode', c.modes, ui.typing.mode], ['figure', c.figures, ui.typing.figure], ['rhythm', c.rhythms, ui.typing.rhythm], ['articulation', c.articulations, ui.typing.articulation]] as const as [name, list, label] (name)}
      <Select
        size="sm"
        labelText={label}
        selected={how.value[name]}
        on:change={(e) => set({ [name]: value(e) })}
      >
        {#each list as x (x.id)}<SelectItem value={x.id} text={x.words} />{/each}
      </Select>
    {/each}
    <Select
      size="sm"
      labelText={ui.typing.span}
      selected={String(how.value.octaves)}
      on:change={(e) => set({ octaves: Number(value(e)) })}
    >
      {#each [1, 2, 3, 0] as n (n)}<SelectItem
          value={String(n)}
          text={ui.typing.octaves(n)}
        />{/each}
    </Select>
    <Select
      size="sm"
      labelText={ui.typing.inside}
      selected={how.value.stage || (group ? '' : 'SCHOOL')}
      on:change={(e) => set({ stage: value(e) })}
    >
      {#if group}<SelectItem value="" text={ui.typing.ownStage} />{/if}
      {#each c.stages as s (s.id)}<SelectItem value={s.id} text={s.words} />{/each}
    </Select>
    <Button size="small" kind="tertiary" type="submit">{ui.typing.make}</Button>
  </form>
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
{/if}

<style>
  form {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
    gap: 0.75rem 1rem;
    align-items: end;
    margin-top: 0.75rem;
    padding: 0.75rem;
    border: 1px solid var(--rule);
    background: var(--paper);
  }
</style>
