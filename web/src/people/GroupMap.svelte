<!-- How many of a group have which note: by sound, or one section by its page. -->
<script lang="ts">
  import { Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { loaded } from '../lib/load.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import NoteMap from './NoteMap.svelte';
  import Weeks from './Weeks.svelte';
  import { ui } from '../words/ui';

  const group = $derived(Number(route.params.group));
  const page = loaded<Schemas['MapView']>();
  const map = $derived(page.value);
  let section = $state('');
  let sounding = $state(false);

  $effect(() => {
    const [id, instrument] = [group, section];
    void page.ask(() =>
      asked(api.GET('/api/groups/{id}/map', { params: { path: { id }, query: { instrument } } }))
    );
  });
  const growth = loaded<Schemas['Together']>();
  $effect(() => {
    const params = { path: { id: group }, query: { instrument: section } };
    void growth.ask(() => asked(api.GET('/api/groups/{id}/growth', { params })));
  });
  const fewest = $derived(
    [...(map?.notes ?? [])].filter((n) => n.next).sort((a, b) => a.has / a.of - b.has / b.of)
  );
</script>

<svelte:head><title>{ui.people.whoTitle(map ? `: ${map.title}` : '')}</title></svelte:head>

<div class="page">
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if !map}
    <SkeletonText heading /><SkeletonText paragraph lines={6} />
  {:else}
    <h1>{ui.people.who(map.title)}</h1>
    <div class="how">
      <Select size="sm" labelText={ui.people.whose} bind:selected={section}>
        <SelectItem value="" text={ui.people.byWhatSounds} />
        {#each map.sections as s (s.instrument)}
          <SelectItem value={s.instrument} text={`${s.name} (${s.players})`} />
        {/each}
      </Select>
      {#if map.instrument}
        <Select
          size="sm"
          labelText={ui.people.names}
          selected={sounding ? 'sounding' : 'written'}
          on:change={(e) => (sounding = (e.target as HTMLSelectElement).value === 'sounding')}
        >
          <SelectItem value="written" text={ui.people.asWritten} />
          <SelectItem value="sounding" text={ui.people.asTheySound} />
        </Select>
      {/if}
      <a href="/ear/class/{group}">{ui.all.playingCheck}</a>
      <a href="/people/group/{group}/grid">{ui.people.gridLink}</a>
      <a href="/scale?group={group}">{ui.scale.link}</a>
      {#if map.instrument}
        <a href="/chart/{map.instrument}?group={group}">{ui.chart.link}</a>
      {/if}
    </div>
    {#if map.notes.length}
      {#key map.instrument}
        <NoteMap {map} sounding={sounding && !!map.instrument} />
      {/key}
      {#if fewest.length}
        <h2>{ui.all.neededNext}</h2>
        <ul>
          {#each fewest as n (n.midi)}
            <li>
              <b
                >{#if map.instrument}{n.shown}{:else}<a
                    href="/people/group/{group}/note/{encodeURIComponent(n.sounding)}">{n.shown}</a
                  >{/if}</b
              >
              {#if map.instrument}
                {ui.people.have(n.has, n.of) + (n.lacking ? ui.people.notYet(n.lacking) : '')}
              {:else}
                {ui.people.haveSome(n.has, n.of) +
                  (n.newFor ? ui.people.newFor(n.newFor) : '') +
                  (n.otherOctave ? ui.people.otherOctave(n.otherOctave) : '')}
              {/if}
            </li>
          {/each}
        </ul>
      {/if}
      {#if growth.value && growth.value.weeks.length > 1}
        <h2>{ui.people.overTheWeeks}</h2>
        <Weeks weeks={growth.value.weeks} players={growth.value.players} />
      {/if}
    {:else}
      <p>{ui.all.nobodyYet} <a href="/people">{ui.all.setUpStudents}</a>.</p>
    {/if}
  {/if}
</div>

<style>
  .how {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.25rem;
    align-items: flex-end;
    margin: 1rem 0;
  }
  .how :global(.bx--form-item) {
    flex: 0 1 20rem;
  }
  .how a {
    white-space: nowrap;
  }
  h2 {
    margin: 1.5rem 0 0.25rem;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    padding: 0.2rem 0;
  }
</style>
