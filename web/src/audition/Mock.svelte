<!-- A mock audition: what is heard, one judge's sheet, and what all say together. -->
<script lang="ts">
  import { Button, SkeletonText, TextArea, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, asked, type Schemas } from '../api/client';
  import { by } from '../by.svelte';
  import { mark } from '../ear/pending';
  import { door } from '../lib/door.svelte';
  import { Kept } from '../lib/kept.svelte';
  import { pageKeys } from '../lib/keys.svelte';
  import { loaded } from '../lib/load.svelte';
  import { scrolls } from '../lib/scrolls';
  import Trouble from '../parts/Trouble.svelte';
  import { visit, route } from '../router';
  import { number, ui } from '../words/ui';
  import { Sheet } from './sheet.svelte';

  type View = Schemas['MockView'];
  const POINTS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

  const id = $derived(Number(route.params.mock));
  const page = loaded<View>();
  const view = $derived(page.value);
  /** names this device, so that no other one sees the sheet */
  const device = new Kept('device', '');
  /** who judges, with commas between; whoever has begun stays */
  let names = $state('');
  let editing = $state(false);
  let remark = $state('');
  const changes = door();
  const results = loaded<Schemas['ResultView']>();
  const result = $derived(results.value);
  let sheet = $state.raw<Sheet>();
  const given = $derived((view && sheet?.points(view)) || {});
  const all = $derived(!!view && Object.keys(given).length === view.points.length);
  const handedIn = $derived(!!view?.handedIn);
  const handingIn = $derived(!handedIn && !!sheet?.handingIn);
  const waitingFor = $derived(view?.judges.filter((j) => !j.begun && !j.leftOut) ?? []);
  const problem = $derived(
    sheet?.queue.refused.at(-1)?.because ||
      (sheet?.queue.problem && ui.ear.waits(sheet.queue.problem)) ||
      changes.problem ||
      results.problem
  );

  $effect(() => {
    if (view && !view.judges.length && !names) names = untrack(() => by.name);
  });
  $effect(() => {
    const path = { mockId: id };
    if (!device.value) device.value = mark();
    untrack(() => {
      changes.next();
      results.put(undefined);
    });
    const own = new Sheet(path.mockId, (v) => page.put(v));
    sheet = own;
    void page.ask(
      () =>
        asked(
          api.GET('/api/mocks/{mockId}', { params: { path, query: { device: device.value } } })
        ),
      (v) => {
        remark = own.remark ?? v.remark;
      }
    );
    return () => own.queue.stop();
  });
  const params = $derived({ path: { mockId: id } });
  const edit = () => {
    names = view?.judges.map((j) => j.judge).join(', ') || by.name;
    editing = true;
  };
  /** Who is expected is said before anybody begins: the result is there when all have handed in. */
  const expect = () =>
    changes.once(
      () =>
        asked(
          api.PUT('/api/mocks/{mockId}/judges', {
            params,
            body: {
              judges: names
                .split(/[,\n]/)
                .map((n) => n.trim())
                .filter(Boolean),
              device: device.value
            }
          })
        ),
      (v) => {
        page.put(v);
        editing = false;
      }
    );
  /** The sheet of one who is expected is begun on this device; from then on what is touched is sent. */
  const begin = (judge: string) =>
    changes.once(
      () =>
        asked(
          api.PUT('/api/mocks/{mockId}/sheet', {
            params,
            body: { judge, device: device.value, points: {}, handedIn: false } as never
          })
        ),
      (v) => page.put(v)
    );
  const leaveOut = (judge: string, leftOut: boolean) =>
    changes.change(
      () =>
        asked(
          api.PUT('/api/mocks/{mockId}/left-out', {
            params,
            body: { judge, device: device.value, leftOut }
          })
        ),
      (v) => {
        page.put(v);
        if (result) void showResult();
      }
    );
  async function showResult() {
    const own = params;
    await results.ask(() => asked(api.GET('/api/mocks/{mockId}/result', { params: own })));
    if (results.problem) void page.again();
  }
  const tenth = (n: number) => number(n, 1);

  pageKeys(ui.audition.mocks, [
    {
      on: 'Escape',
      words: ui.audition.backTo,
      act: () => view && visit(`/people/audition/${view.audition.id}`)
    }
  ]);
</script>

<svelte:head
  ><title>{ui.audition.page(view ? ui.audition.mockOf(view.student.name) : '')}</title></svelte:head
>

<div class="page">
  <header class="titled">
    <h1>{view ? ui.audition.mockOf(view.student.name) : ui.audition.mocks}</h1>
    {#if view}
      <a href="/people/audition/{view.audition.id}">{view.audition.name}</a>
      <span class="quiet">{view.day}, {ui.audition.number(String(view.seed))}</span>
    {/if}
  </header>
  {#if page.problem}<Trouble text={page.problem} again={page.again} />{/if}
  {#if view}
    <p class="told-first">{ui.mock.lead}</p>
    <section>
      <h2>{ui.mock.heard}</h2>
      <ol>
        {#each view.heard as h (h.what)}
          <li>
            {#if h.link}<a href={h.link}>{h.what}</a>{:else}{h.what}{/if}
          </li>
        {/each}
      </ol>
    </section>
    <section>
      {#if editing || !view.judges.length}
        <h2>{ui.mock.judges}</h2>
        <form
          class="begin"
          onsubmit={(e) => {
            e.preventDefault();
            void expect();
          }}
        >
          <TextInput
            labelText={ui.mock.names}
            helperText={ui.mock.namesHelp}
            maxlength={600}
            bind:value={names}
          />
          <Button size="field" type="submit" disabled={changes.busy}>{ui.mock.setJudges}</Button>
        </form>
      {:else if view.judge}
        <h2>{ui.mock.sheet(view.judge)}</h2>
        <p class="small quiet">{ui.mock.points}</p>
        {#each view.points as p (p.criterion)}
          <div class="given" role="group" aria-label={ui.mock.criterion[p.criterion]}>
            <span class="what"
              >{ui.mock.criterion[p.criterion]}
              <span class="small quiet">{ui.mock.weighs(p.weight)}</span></span
            >
            <span class="points">
              {#each POINTS as n (n)}
                <button
                  class="plain go"
                  aria-pressed={given[p.criterion] === n}
                  disabled={handedIn || handingIn}
                  onclick={() => sheet?.touch(view.judge, { points: { [p.criterion]: n } })}
                  >{n}</button
                >
              {/each}
            </span>
          </div>
        {/each}
        {#if handedIn}
          {#if view.remark}<p class="remark">{view.remark}</p>{/if}
          <p role="status"><b>{ui.mock.handedIn}</b></p>
        {:else}
          <div class="remark">
            <TextArea
              labelText={ui.mock.remark}
              rows={3}
              maxlength={1000}
              bind:value={remark}
              on:change={() => sheet?.touch(view.judge, { remark })}
            />
          </div>
          <Button
            size="small"
            disabled={!all || handingIn}
            on:click={() => sheet?.touch(view.judge, { remark, handedIn: true })}
            >{ui.mock.handIn}</Button
          >
          {#if handingIn}<p role="status">{ui.mock.handingIn}</p>{/if}
        {/if}
      {:else if waitingFor.length}
        <h2>{ui.mock.who}</h2>
        <div class="begin">
          {#each waitingFor as j (j.judge)}
            <Button size="field" disabled={changes.busy} on:click={() => void begin(j.judge)}
              >{ui.mock.begin(j.judge)}</Button
            >
          {/each}
        </div>
      {/if}
      {#if problem}<Trouble text={problem} />{/if}
    </section>
    {#if view.judges.length}
      <section>
        <h2>{ui.mock.judges}</h2>
        <ul>
          {#each view.judges as j (j.judge)}
            <li>
              <b>{j.judge}</b>
              {j.handedIn ? ui.mock.done : j.begun ? ui.mock.writes : ui.mock.expected}{j.leftOut
                ? `, ${ui.mock.isOut}`
                : ''}
              <button
                class="plain link"
                disabled={changes.busy}
                onclick={() => void leaveOut(j.judge, !j.leftOut)}
                >{j.leftOut ? ui.mock.count(j.judge) : ui.mock.leaveOut(j.judge)}</button
              >
            </li>
          {/each}
        </ul>
        <div class="begin">
          <Button size="small" kind="tertiary" on:click={showResult}>{ui.mock.showResult}</Button>
          {#if !editing && !view.judges.every((j) => j.handedIn)}
            <button class="plain link" onclick={edit}>{ui.mock.editJudges}</button>
          {/if}
        </div>
      </section>
    {/if}
    {#if result}
      {@const worst = result.lines[0]}
      <section aria-label={ui.mock.result}>
        <h2>{ui.mock.result}</h2>
        <p class="total">{ui.mock.percent(tenth(result.mean))}</p>
        {#if result.judges.length > 1}<p>{ui.mock.spread(tenth(result.spread))}</p>{/if}
        {#if worst && worst.cost > 0}<p>
            {ui.mock.costMost(ui.mock.criterion[worst.criterion], tenth(worst.cost))}
          </p>{/if}
        <div {@attach scrolls}>
          <table class="rows">
            <thead>
              <tr>
                <th>{ui.mock.what}</th><th>{ui.mock.mean}</th><th>{ui.mock.between}</th><th
                  >{ui.mock.cost}</th
                >
              </tr>
            </thead>
            <tbody>
              {#each result.lines as l (l.criterion)}
                <tr>
                  <td>{ui.mock.criterion[l.criterion]}</td>
                  <td>{tenth(l.mean)}</td>
                  <td>{l.least === l.most ? l.least : `${l.least} – ${l.most}`}</td>
                  <td>{ui.mock.percent(tenth(l.cost))}</td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
        {#if result.leftOut.length}<p>{ui.mock.leftOut(result.leftOut.join(', '))}</p>{/if}
        {#each result.judges as j (j.judge)}
          <p><b>{ui.mock.total(j.judge, tenth(j.total))}</b> {j.remark}</p>
        {/each}
      </section>
    {/if}
  {:else if !page.problem}
    <SkeletonText heading /><SkeletonText paragraph lines={8} />
  {/if}
</div>

<style>
  ol a {
    display: inline-block;
    min-height: var(--target);
  }
  section {
    margin-top: 1.25rem;
    max-width: 56rem;
  }
  ol {
    padding-inline-start: 1.25rem;
    list-style: decimal;
  }
  ul {
    list-style: none;
    padding: 0;
    margin-bottom: 0.5rem;
  }
  .given {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1rem;
    align-items: center;
    padding: 0.25rem 0;
    border-top: 1px solid var(--rule);
  }
  .what {
    width: 12rem;
  }
  .points {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
  }
  .points button {
    min-width: 2.25rem;
    text-align: center;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .points [aria-pressed='true'] {
    background: var(--accent);
    color: var(--paper);
  }
  .remark {
    margin: 0.75rem 0;
  }
  h2 {
    margin-bottom: 0.375rem;
  }
  .begin {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    align-items: flex-end;
  }
  .begin :global(.bx--form-item) {
    flex: 0 1 24rem;
  }
  .total {
    font-size: 2.25rem;
    line-height: 1.2;
    font-weight: 600;
  }
</style>
