<!-- Groups and students: set up once. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText, TextInput } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Removal, { type Kind } from '../parts/Removal.svelte';
  import Sought from '../parts/Sought.svelte';
  import TakeBackMany from '../parts/TakeBackMany.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { ways } from '../ways.svelte';
  import GroupForm from './GroupForm.svelte';
  import Own from './Own.svelte';
  import StudentForm from './StudentForm.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { sections, withPart, type Order } from './order';
  import Parts from './Parts.svelte';
  import { taken } from './taken.svelte';
  import { ui, weekday } from '../words/ui';

  interface Page {
    people: Schemas['PeopleView'];
    instruments: Schemas['InstrumentView'][];
    styles: Record<string, Record<string, string>>;
    /** in what teachers differ whatever the instrument */
    general: Schemas['StyleView'][];
  }
  const page = loaded<Page>();
  const people = $derived(page.value?.people);
  const instruments = $derived(page.value?.instruments ?? []);
  const styles = $derived(page.value?.styles ?? {});
  const general = $derived(page.value?.general ?? []);
  const changes = door();
  /** the form of a new group has its own place for what goes wrong */
  const adding = door();
  let said = $state(taken.words);
  /** the list of students that was taken just now can be taken back where its students stand */
  const fromList = !!taken.words;
  taken.words = '';
  /** what the last change of style did to the parts that are assigned */
  let effects = $state.raw<Schemas['EffectView'][]>([]);
  let groupName = $state('');
  let editing = $state.raw<{ student?: Schemas['StudentView']; group?: number }>();
  let grouping = $state.raw<Schemas['GroupView']>();
  let parting = $state.raw<Schemas['GroupView']>();
  let removing = $state.raw<{ kind: Kind; id: number; name: string; more: string }>();

  onMount(() => void load());

  function load() {
    return page.ask(
      async () => {
        const [people, instruments, styles, general] = await Promise.all([
          asked(api.GET('/api/people')),
          asked(api.GET('/api/instruments')),
          asked(api.GET('/api/styles')),
          asked(api.GET('/api/ways'))
        ]);
        return { people, instruments, styles, general };
      },
      (a) => {
        if (a.styles.all) ways.house = a.styles.all;
      }
    );
  }

  /** How one looks for somebody; how they are listed stays as it is chosen here. */
  const order = new Kept<Order>('people-order', 'section');
  let typed = $state('');
  const score = $derived(instruments.map((i) => i.id));
  const listed = (g: Schemas['GroupView']) =>
    sections(
      g.students.flatMap((id) => byId.get(id) ?? []),
      typed,
      order.value,
      score
    );

  const byId = $derived(new Map(people?.students.map((s) => [s.id, s])));
  const played = $derived(new Set(people?.students.map((s) => s.instrument)));
  const inHand = $derived(instruments.filter((i) => i.styles.length && played.has(i.id)));
  const others = $derived(instruments.filter((i) => i.styles.length && !played.has(i.id)));
  const alone = $derived(people?.students.filter((s) => !s.groups.length) ?? []);

  /** What is played where the house has decided nothing. */
  const usual = (s: Schemas['StyleView']) =>
    s.schools.find((o) => o.value === s.standard)?.label ?? s.standard;

  function addGroup(e: SubmitEvent) {
    e.preventDefault();
    const name = groupName;
    const body = { name, stage: 'FIRST_YEARS' as const, year: '', days: [] };
    return adding.once(
      () => asked(api.POST('/api/groups', { body })),
      async () => {
        groupName = '';
        await load();
        said = ui.people.isSetUp(name);
      }
    );
  }

  const back = (s: Schemas['StudentView']) =>
    changes.change(
      () => {
        const path = { kind: 'STUDENT' as const, id: s.id };
        return asked(api.DELETE('/api/removals/{kind}/{id}', { params: { path } }));
      },
      async () => {
        await load();
        said = ui.people.isBack(s.name);
      }
    );

  const setStyle = (instrument: string, name: string, school: string) =>
    changes.change(
      () =>
        asked(
          api.PUT('/api/styles/{instrument}/{name}', {
            params: { path: { instrument, name } },
            body: { school }
          })
        ),
      async (answer) => {
        effects = answer;
        said =
          ui.people.styleChanged +
          (effects.length ? ui.people.thisOtherwise : ui.people.nothingOtherwise);
        await load();
      }
    );
</script>

<svelte:head><title>{ui.people.title}</title></svelte:head>

{#snippet row(s: Schemas['StudentView'])}
  <li>
    <a class="name" href="/people/{s.id}">{s.name}</a>
    <span class="quiet"
      >{withPart(s.instrumentName, s.part)}{s.others.length
        ? ui.people.also_(s.others.map((o) => o.playsInside).join(', '))
        : ''}</span
    >
    <span class="quiet small"
      >{ui.people.secureCount(
        s.secure,
        s.shaky ? ui.people.shakyCount(s.shaky) : '',
        s.avoidNames.length ? ui.people.noReach(s.avoidNames.join(', ')) : '',
        s.seat ? `; ${/^\d/.test(s.seat) ? ui.people.seatLead : ''}${s.seat}` : ''
      )}{#if s.unsure.length}
        <b>{ui.people.reachWhich}</b>{/if}</span
    >
    <button class="plain link small" onclick={() => (editing = { student: s })}
      >{ui.people.setUpLink}<span class="bx--visually-hidden"> {s.name}</span></button
    >
  </li>
{/snippet}

{#snippet stylesOf(list: Schemas['InstrumentView'][])}
  {#each list as i (i.id)}
    {#each i.styles as s (s.name)}
      <Select
        size="sm"
        labelText="{i.name}: {s.label}"
        selected={styles[i.id]?.[s.name] ?? ''}
        on:change={(e) => setStyle(i.id, s.name, String((e.target as HTMLSelectElement).value))}
      >
        <SelectItem value="" text={ui.people.usuallyThis(usual(s))} />
        {#each s.schools as o (o.value)}<SelectItem value={o.value} text={o.label} />{/each}
      </Select>
    {/each}
  {/each}
{/snippet}

<div class="page">
  <h1>{ui.app.people}</h1>
  <p class="said" role="status">{said}</p>
  {#if fromList}
    <TakeBackMany
      kind="ROSTER"
      most={1}
      ondone={(words) => {
        said = words;
        void load();
      }}
    />
  {/if}
  {#if page.problem}<Trouble text={page.problem} again={load} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {#if !people}
    <SkeletonText paragraph lines={8} />
  {:else}
    {#if people.students.length}
      <Sought
        find={ui.people.find}
        bind:typed
        by={ui.people.listBy}
        orders={ui.people.orders}
        bind:order={order.value}
      />
    {/if}
    {#each people.groups as g (g.id)}
      <section>
        <div class="head">
          <h2>{g.name}</h2>
          <span class="quiet small"
            >{g.stageWords}{g.year ? `, ${g.year}` : ''}{g.days.length
              ? `; ${g.days.map(weekday).join(', ')}`
              : ''}</span
          >
          <a class="small" href="/people/group/{g.id}"
            >{ui.people.whoHas}<span class="bx--visually-hidden">, {g.name}</span></a
          >
          <a class="small" href="/people/group/{g.id}/pieces"
            >{ui.people.whoCan}<span class="bx--visually-hidden">, {g.name}</span></a
          >
          <button class="plain link small" onclick={() => (grouping = g)}
            >{ui.people.setUpLink}<span class="bx--visually-hidden"> {g.name}</span></button
          >
          <button class="plain link small" onclick={() => (editing = { group: g.id })}
            >{ui.people.addStudent}<span class="bx--visually-hidden">
              {ui.people.toGroup(g.name)}</span
            ></button
          >
          {#if g.students.length}
            <button class="plain link small" onclick={() => (parting = g)}
              >{ui.people.partsLink}<span class="bx--visually-hidden">, {g.name}</span></button
            >
          {/if}
          <a class="small" href="/people/group/{g.id}/grades"
            >{ui.grades.title}<span class="bx--visually-hidden">, {g.name}</span></a
          >
          <a class="small" href="/people/group/{g.id}/plays"
            >{ui.people.playsLink}<span class="bx--visually-hidden">, {g.name}</span></a
          >
          <button
            class="plain link small"
            onclick={() =>
              (removing = {
                kind: 'GROUP',
                id: g.id,
                name: g.name,
                more: ui.people.studentsStay
              })}>{ui.all.removeDots}<span class="bx--visually-hidden"> {g.name}</span></button
          >
        </div>
        {#each listed(g) as part (part.heading)}
          {#if part.heading}<h3>
              {part.heading} <span class="quiet">{ui.people.playersIn(part.students.length)}</span>
            </h3>{/if}
          <ul>
            {#each part.students as s (s.id)}{@render row(s)}{/each}
          </ul>
        {:else}
          <p class="quiet">{g.students.length ? ui.people.nobodySo : ui.people.nobodyAdd}</p>
        {/each}
      </section>
    {:else}
      <p>{ui.people.noGroupYet}</p>
    {/each}
    {#if alone.length}
      <section>
        <h2>{ui.people.inNoGroup}</h2>
        <ul>
          {#each alone as s (s.id)}{@render row(s)}{/each}
        </ul>
      </section>
    {/if}
    {#if people.gone.length}
      <section>
        <h2>{ui.people.left}</h2>
        <p class="small quiet">{ui.people.leftKept}</p>
        <ul>
          {#each people.gone as s (s.id)}
            <li>
              <a class="name" href="/people/{s.id}">{s.name}</a>
              <span class="quiet">{withPart(s.instrumentName, s.part)}</span>
              <span class="quiet small">{ui.people.leftOn(s.left)}</span>
              <span class="two small">
                <button class="plain link" onclick={() => back(s)}
                  >{ui.people.isBackLink}<span class="bx--visually-hidden"> {s.name}</span></button
                >
                <button class="plain link" onclick={() => (editing = { student: s })}
                  >{ui.people.eraseDots}<span class="bx--visually-hidden"> {s.name}</span></button
                >
              </span>
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    <div class="many">
      <a href="/people/many">{ui.people.manyLink}</a> ·
      <a href="/people/auditions">{ui.audition.title}</a> ·
      <a href="/removed">{ui.all.whatWasRemoved}</a> ·
      <a href="/api/school.zip" download>{ui.people.allAsFiles}</a>
    </div>
    <form onsubmit={addGroup}>
      <TextInput
        size="sm"
        labelText={ui.people.newGroup}
        placeholder={ui.people.newGroupHint}
        bind:value={groupName}
        invalid={!!adding.problem}
        invalidText={adding.problem}
      />
      <Button size="small" type="submit" kind="tertiary">{ui.people.setItUp}</Button>
    </form>

    <section id="settings">
      <h2>{ui.people.houseStyle}</h2>
      <p class="small quiet">
        {ui.people.houseIntro}
      </p>
      {#if effects.length}
        <ul class="effects" aria-label={ui.people.otherwiseNow}>
          {#each effects as e (e.student.id + '/' + e.piece.id)}
            <li class="small">
              <a href="/stand/{e.student.id}/{e.piece.id}">{e.student.name}, {e.piece.title}</a>:
              {#each e.changes.slice(0, 4) as c, i (c.noteId)}{ui.people.barNote(
                  i ? '; ' : '',
                  c.barNumber,
                  c.shown,
                  c.label
                )} <span class="quiet">{ui.all.insteadOf(c.wasLabel)}</span>{/each}{e.changes
                .length > 4
                ? ui.all.andMore(e.changes.length - 4)
                : ''}
            </li>
          {/each}
        </ul>
      {/if}
      <div class="styles">
        <Own />
        {#each general as s (s.name)}
          <Select
            size="sm"
            labelText={ui.people.everyone(s.label)}
            selected={styles.all?.[s.name] ?? s.standard}
            on:change={(e) =>
              setStyle('all', s.name, String((e.target as HTMLSelectElement).value))}
          >
            {#each s.schools as o (o.value)}<SelectItem value={o.value} text={o.label} />{/each}
          </Select>
        {/each}
        {@render stylesOf(inHand)}
      </div>
      {#if others.length}
        <details>
          <summary class="small">{ui.people.nobodyPlays}</summary>
          <div class="styles">{@render stylesOf(others)}</div>
        </details>
      {/if}
    </section>
    <p class="small quiet privacy">
      {ui.people.privacy}
    </p>
  {/if}
</div>

{#if removing}
  <Removal
    {...removing}
    onclose={() => (removing = undefined)}
    ondone={async (words) => {
      removing = undefined;
      await load();
      said = words;
    }}
  />
{/if}

{#if grouping}
  <GroupForm
    group={grouping}
    onclose={() => (grouping = undefined)}
    ondone={async (words) => {
      grouping = undefined;
      await load();
      said = words;
    }}
  />
{/if}

{#if parting && people}
  <Parts
    group={parting}
    students={people.students.filter((s) => parting?.students.includes(s.id))}
    score={instruments.map((i) => i.id)}
    onclose={() => (parting = undefined)}
    ondone={async (words) => {
      parting = undefined;
      await load();
      said = words;
    }}
  />
{/if}

{#if editing && people}
  <StudentForm
    student={editing.student}
    group={editing.group}
    groups={people.groups}
    {instruments}
    {general}
    onclose={() => (editing = undefined)}
    onleave={(s) => {
      editing = undefined;
      removing = {
        kind: 'STUDENT',
        id: s.id,
        name: s.name,
        more: ui.people.keptUntil
      };
    }}
    ondone={async (words) => {
      editing = undefined;
      await load();
      said = words;
    }}
  />
{/if}

<style>
  h3 {
    font-size: 0.875rem;
    font-weight: 600;
    margin-top: 0.375rem;
  }
  h3 + ul {
    margin-top: 0.125rem;
  }
  section {
    margin-top: 1.5rem;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.875rem;
    align-items: baseline;
  }
  details {
    margin-top: 1rem;
  }
  summary {
    cursor: pointer;
  }
  .said {
    min-height: 1.4em;
    font-weight: 600;
  }
  ul {
    list-style: none;
    margin: 0.5rem 0 0;
    padding: 0;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  li {
    display: grid;
    grid-template-columns: 9rem 10rem 1fr auto;
    gap: 0.75rem;
    align-items: baseline;
    padding: 0.5rem 0.75rem;
    border-bottom: 1px solid var(--rule);
  }
  li:last-child {
    border-bottom: 0;
  }
  .name {
    font-weight: 600;
    color: var(--ink);
  }
  form {
    display: flex;
    gap: 0.5rem;
    align-items: flex-end;
    margin-top: 1.5rem;
    max-width: 28rem;
  }
  .effects {
    list-style: none;
    margin: 0.5rem 0 1rem;
    padding: 0.5rem 0.75rem;
    background: var(--accent-soft);
  }
  .many {
    margin: 1rem 0;
  }
  .two {
    display: flex;
    gap: 1rem;
  }
  .styles {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(20rem, 100%), 1fr));
    gap: 0.75rem;
    margin-top: 0.75rem;
  }
  .privacy {
    margin-top: 2rem;
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
