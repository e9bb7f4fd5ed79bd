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
  let name = $state(by.name);
  let remark = $state('');
  const changes = door();
  const results = loaded<Schemas['ResultView']>();
  const result = $derived(results.value);
  let sheet = $state.raw<Sheet>();
  const given = $derived((view && sheet?.points(view)) || {});
  const all = $derived(!!view && Object.keys(given).length === view.points.length);
  const handedIn = $derived(!!view && !!sheet?.handedIn(view));
  const problem = $derived(
    sheet?.queue.refused.at(-1)?.because ||
      (sheet?.queue.problem && ui.ear.waits(sheet.queue.problem)) ||
      changes.problem ||
      results.problem
  );

  $effect(() => {
    const path = { mockId: id };
    if (!device.value) device.value = mark();
    untrack(() => {
      changes.next();
      results.put(undefined);
    });
    const own = new Sheet(path.mockId, device.value, (v) => page.put(v));
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
  /** The sheet is begun under a name; from then on what is touched is sent. */
  const begin = () =>
    changes.once(
      () =>
        asked(
          api.PUT('/api/mocks/{mockId}/sheet', {
            params,
            body: { judge: name, device: device.value, points: {}, handedIn: false } as never
          })
        ),
      (v) => page.put(v)
    );
  const leaveOut = (judge: string) =>
    changes.change(
      () =>
        asked(
          api.DELETE('/api/mocks/{mockId}/sheet', {
            params: { ...params, query: { judge, device: device.value } }
          })
        ),
      (v) => page.put(v)
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
      {#if view.judge}
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
                  disabled={handedIn}
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
            disabled={!all}
            on:click={() => sheet?.touch(view.judge, { remark, handedIn: true })}
            >{ui.mock.handIn}</Button
          >
        {/if}
      {:else}
        <form
          class="begin"
          onsubmit={(e) => {
            e.preventDefault();
            void begin();
          }}
        >
          <TextInput labelText={ui.mock.judge} maxlength={60} bind:value={name} />
          <Button size="field" type="submit">{ui.mock.begin}</Button>
        </form>
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
              {j.handedIn ? ui.mock.done : ui.mock.writes}
              {#if !j.handedIn}<button class="plain link" onclick={() => void leaveOut(j.judge)}
                  >{ui.mock.leaveOut(j.judge)}</button
                >{/if}
            </li>
          {/each}
        </ul>
        <Button size="small" kind="tertiary" on:click={showResult}>{ui.mock.showResult}</Button>
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
  .begin {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
    align-items: flex-end;
  }
  .begin :global(.bx--form-item) {
    flex: 0 1 16rem;
  }
  .total {
    font-size: 2.25rem;
    line-height: 1.2;
    font-weight: 600;
  }
</style>
