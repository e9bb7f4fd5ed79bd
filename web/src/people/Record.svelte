<!-- One student: how every note stands, and everything that was heard. -->
<script lang="ts">
  import { Button, Select, SelectItem, SkeletonText } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import { loaded } from '../lib/load.svelte';
  import Mark from '../parts/Mark.svelte';
  import NoteMap from './NoteMap.svelte';
  import Rudiments from '../drums/Rudiments.svelte';
  import Weeks from './Weeks.svelte';
  import TakeAway from '../parts/TakeAway.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../router';
  import { short } from '../stand/lanes';
  import { Marks } from '../ear/pending';
  import { GRADES, type Grade, type Standing } from '../words/standing';
  import { ui } from '../words/ui';

  const student = $derived(Number(route.params.student));
  const heard = loaded<Schemas['RecordView']>();
  const record = $derived(heard.value);
  const mapped = loaded<Schemas['MapView']>();
  const map = $derived(mapped.value);
  const ahead = loaded<{
    next: Schemas['NextNoteView'][];
    pieces: Schemas['ShelfPiece'][];
    teach: Schemas['TeachView'][];
  }>();
  const teach = $derived(ahead.value?.teach ?? []);
  const next = $derived(ahead.value?.next ?? []);
  const pieces = $derived(ahead.value?.pieces ?? []);
  const growth = loaded<Schemas['Growth'][]>();
  let goal = $state('');
  const inSixWeeks = new Date(Date.now() + 42 * 86_400_000).toISOString().slice(0, 10);
  let by = $state(inSixWeeks);
  const ways = loaded<Schemas['WayToView']>();
  const way = $derived(ways.value);

  function lead() {
    if (!goal || !by) return;
    const [studentId, pieceId, day] = [student, Number(goal), by];
    void ways.ask(() =>
      asked(
        api.GET('/api/students/{studentId}/way/{pieceId}', {
          params: { path: { studentId, pieceId }, query: { by: day } }
        })
      )
    );
  }
  let sounding = $state(false);
  const changes = door();
  const problem = $derived(heard.problem || mapped.problem || ahead.problem || ways.problem);

  $effect(() => {
    const id = student;
    untrack(() => {
      changes.next();
      void load(id);
    });
  });

  async function load(id: number) {
    const params = { path: { studentId: id } };
    if (record?.student.id !== id)
      [heard, mapped, ahead, ways, growth].forEach((l) => l.put(undefined));
    await Promise.all([
      growth.ask(() => asked(api.GET('/api/students/{studentId}/growth', { params }))),
      heard.ask(() => asked(api.GET('/api/students/{studentId}/heard', { params }))),
      mapped.ask(() => asked(api.GET('/api/students/{id}/map', { params: { path: { id } } }))),
      ahead.ask(async () => {
        const [next, pieces, teach] = await Promise.all([
          asked(api.GET('/api/students/{studentId}/next', { params })),
          asked(api.GET('/api/pieces')),
          asked(api.GET('/api/students/{studentId}/teach', { params }))
        ]);
        return { next, pieces, teach };
      })
    ]);
  }

  function takeBack(id: number) {
    const params = { path: { studentId: student } };
    return changes.change(
      () =>
        asked(api.POST('/api/students/{studentId}/heard/undo', { params, body: { ids: [id] } })),
      () => load(params.path.studentId)
    );
  }

  /** the note with a fingering whose history is shown */
  let opened = $state('');
  const keyOf = (m: { written: string; fingering: string }) => `${m.written} ${m.fingering}`;
  const history = $derived(record?.heard.filter((h) => keyOf(h) === opened) ?? []);

  const presses = new Marks();

  /** A further entry: nothing that was heard is ever changed. */
  async function hear(m: Schemas['MarkView'], grade: Grade) {
    const params = { path: { studentId: student } };
    const press = `${student} ${keyOf(m)} ${grade}`;
    const { written, fingering } = m;
    const one = { written, fingering, grade, pieceId: 0, bars: '', remark: '' };
    await changes.change(
      () =>
        asked(
          api.POST('/api/students/{studentId}/heard', {
            params,
            body: [{ ...one, mark: presses.of(press) }]
          })
        ),
      () => {
        presses.written(press);
        return load(params.path.studentId);
      }
    );
  }

  /** Everything that was heard, in words. */
  const lines = () => [
    [
      ui.people.when,
      ui.people.note,
      ui.people.fingering,
      ui.people.how,
      ui.people.in,
      ui.people.remarkWord
    ],
    ...record!.heard
      .filter((h) => !h.undone)
      .map((h) => [
        h.date,
        h.shown,
        short(h.fingering).join(' '),
        ui.standing[h.grade],
        h.piece + (h.bars ? ui.people.atBar(h.bars) : ''),
        h.remark
      ])
  ];
  const standing = (m: Schemas['MarkView']): Standing =>
    m.faded && m.grade === 'SECURE' ? 'FADED' : m.grade;
</script>

<svelte:head
  ><title>{ui.people.recordTitle(record ? record.student.name : ui.all.student)}</title
  ></svelte:head
>

<div class="page">
  {#if problem}<Trouble text={problem} again={() => load(student)} />{/if}
  {#if changes.problem}<Trouble text={changes.problem} />{/if}
  {#if !record}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {:else}
    <h1>{record.student.name}</h1>
    <p class="quiet">{record.student.plays}</p>
    {#if record.student.drums}
      <p>{ui.drums.both}</p>
      <div class="names small screen">
        <a href="/people/{student}/report">{ui.people.reportLink}</a>
        · <a href="/api/students/{student}/everything.txt" download>{ui.people.everything}</a>
      </div>
      <Rudiments {student} />
    {:else}
      {#if map?.notes.length}
        <div class="names small screen">
          <button class="plain link" onclick={() => (sounding = !sounding)}
            >{sounding ? ui.notes.soundingNames : ui.notes.writtenNames}</button
          >
          · <a href="/chart/{record.student.instrument}?student={student}">{ui.chart.link}</a>
          · <a href="/people/{student}/agenda">{ui.agenda.title}</a>
          · <a href="/people/{student}/sight">{ui.sight.title}</a>
          · <a href="/people/{student}/report">{ui.people.reportLink}</a>
          · <a href="/api/students/{student}/everything.txt" download>{ui.people.everything}</a>
        </div>
        <NoteMap {map} {sounding} />
      {/if}
      {#if next.length}
        <h2>{ui.people.nextNotes}</h2>
        <p>
          {#each next as n, i (n.written)}{i ? '; ' : ''}<b>{n.shown}</b>
            <span class="small"
              >{ui.people.for}
              {#each n.pieces as p, k (p.id)}{k ? ', ' : ''}<a href="/stand/{student}/{p.id}"
                  >{p.title}</a
                >{/each}</span
            >{/each}
        </p>
      {/if}
      <h2 class:screen={!way}>{ui.people.theWay}</h2>
      <form
        class="way screen"
        onsubmit={(e) => {
          e.preventDefault();
          void lead();
        }}
      >
        <Select size="sm" labelText={ui.people.pieceWord} bind:selected={goal}>
          <SelectItem value="" text={ui.all.choosePiece} />
          {#each pieces as p (p.piece.id)}
            <SelectItem
              value={String(p.piece.id)}
              text={p.piece.number ? `${p.piece.number}  ${p.piece.title}` : p.piece.title}
            />
          {/each}
        </Select>
        <label class="small">
          {ui.people.by} <input type="date" bind:value={by} />
        </label>
        <Button size="small" kind="tertiary" type="submit">{ui.people.showWay}</Button>
      </form>
      {#if way}
        <ol class="steps" aria-label={ui.people.wayTo(way.goal.title)}>
          {#each way.steps as s, i (i)}
            <li>
              {s.by}: <b>{s.shown}</b>
              {#each s.piece as p (p.id)}{ui.people.with}
                <a href="/stand/{student}/{p.id}">{p.title}</a>{:else}{ui.people.byItself}{/each}
            </li>
          {/each}
          <li>{way.sentence}</li>
        </ol>
      {/if}
      {#if teach.length}
        <h2>{ui.all.worthTeaching}</h2>
        <ul class="teach">
          {#each teach as t (t.shown + t.fingering)}
            <li>
              <b>{t.shown}</b>
              <span>{t.label} <span class="quiet">{short(t.fingering).join(' · ')}</span></span>
              <span class="small">
                {#each t.pieces as p, i (p.piece.id)}{i ? '; ' : ''}<a
                    href="/stand/{student}/{p.piece.id}">{p.piece.title}</a
                  >, {ui.all.barsList(p.bars)}{/each}
              </span>
            </li>
          {/each}
        </ul>
      {/if}
      <h2>{ui.app.notes}</h2>
      <p class="small quiet rule">{record.rule}</p>
      {#if record.marks.length}
        <ul class="marks">
          {#each record.marks as m (m.written + m.fingering)}
            <li class:open={keyOf(m) === opened}>
              <button
                class="plain row"
                aria-expanded={keyOf(m) === opened}
                onclick={() => (opened = keyOf(m) === opened ? '' : keyOf(m))}
              >
                <Mark state={standing(m)} label={false} />
                <b>{m.shown}</b>
                <span class="small">{m.label}</span>
                <span class="small quiet">{ui.standing[standing(m)]}, {m.when}</span>
              </button>
              {#if keyOf(m) === opened}
                <ol class="history small" aria-label={ui.people.heardOf(m.shown)}>
                  {#each history as h (h.id)}
                    <li class:undone={h.undone}>
                      <b>{h.date}</b>{`: ${ui.standing[h.grade]}` +
                        (h.piece
                          ? ui.people.inPiece(h.piece) + (h.bars ? ui.people.atBar(h.bars) : '')
                          : '') +
                        ui.people.byWhom(h.by === 'teacher' ? ui.people.theTeacher : h.by) +
                        (h.remark ? `: ${h.remark}` : '') +
                        (h.undone ? ui.people.undone : '')}
                    </li>
                  {/each}
                </ol>
                <p class="small now">
                  {ui.people.heardNow}
                  {#each GRADES as g (g)}
                    <button class="plain link" onclick={() => hear(m, g)}>{ui.standing[g]}</button>
                  {/each}
                </p>
              {/if}
            </li>
          {/each}
        </ul>
      {:else}
        <p>
          {ui.people.nothingHeard} <a href="/">{ui.app.today}</a>
          {ui.people.andPress} <kbd>h</kbd>{ui.people.orSay} <a href="/people">{ui.app.people}</a>
          {ui.people.whatPlays}
        </p>
      {/if}
      {#if (growth.value?.length ?? 0) > 1}
        <h2>{ui.people.overTheWeeks}</h2>
        <Weeks weeks={growth.value!} />
      {/if}
      {#if record.heard.length}
        <h2>{ui.people.heard}</h2>
        <TakeAway name={record.student.name} rows={lines} />
        <table class="rows stack">
          <thead>
            <tr
              ><th scope="col">{ui.people.when}</th><th scope="col">{ui.people.note}</th><th
                scope="col">{ui.people.fingering}</th
              ><th scope="col">{ui.people.how}</th><th scope="col">{ui.people.in}</th><th
                scope="col">{ui.people.remarkWord}</th
              ><th scope="col"><span class="bx--visually-hidden">{ui.people.takeBackWord}</span></th
              ></tr
            >
          </thead>
          <tbody>
            {#each record.heard as h (h.id)}
              <tr class:undone={h.undone}>
                <td>{h.at}</td>
                <td><b>{h.shown}</b></td>
                <td>{short(h.fingering).join(' · ')}</td>
                <td>{ui.standing[h.grade]}</td>
                <td>{h.piece}{h.bars ? ui.people.atBar(h.bars) : ''}</td>
                <td>{h.remark}</td>
                <td>
                  {#if h.undone}<span class="quiet small">{ui.people.takenBackSmall}</span>{:else}
                    <button class="plain link small" onclick={() => takeBack(h.id)}
                      >{ui.all.takeBack}<span class="bx--visually-hidden">
                        {h.shown}, {h.at}</span
                      ></button
                    >
                  {/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
    {/if}
  {/if}
</div>

<style>
  h2 {
    margin: 1.75rem 0 0.5rem;
  }
  .names {
    margin: 0.75rem 0 0.25rem;
  }
  .way {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    align-items: flex-end;
  }
  .way :global(.bx--form-item) {
    flex: 0 1 18rem;
  }
  .way label {
    display: flex;
    flex-direction: column;
    gap: 0.25rem;
    color: var(--ink-2);
  }
  .way input {
    font: inherit;
    color: var(--ink);
    padding: 0.25rem 0.5rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .steps {
    list-style: decimal;
    margin: 0.75rem 0 0;
    padding-left: 1.5rem;
  }
  .teach {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .teach li {
    display: grid;
    grid-template-columns: 2.75rem minmax(12rem, 1fr) 2fr;
    gap: 0.5rem;
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .marks {
    list-style: none;
    margin: 0;
    padding: 0;
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(19rem, 100%), 1fr));
    gap: 0 1.5rem;
  }
  .rule {
    margin-bottom: 0.5rem;
  }
  .marks > li {
    border-bottom: 1px solid var(--rule);
  }
  .marks > li.open {
    background: var(--paper);
  }
  .history {
    list-style: none;
    margin: 0.25rem 0;
    padding-left: 1.5rem;
  }
  .history .undone {
    text-decoration: line-through;
  }
  .now {
    padding: 0 0 0.5rem 1.5rem;
    display: flex;
    gap: 0.75rem;
  }
  .row {
    width: 100%;
    text-align: left;
    display: grid;
    grid-template-columns: 1rem 2.75rem 1fr auto;
    gap: 0.5rem;
    align-items: baseline;
    padding: 0.25rem 0;
  }
  .undone td:not(:last-child) {
    text-decoration: line-through;
    color: var(--ink-2);
  }
</style>
