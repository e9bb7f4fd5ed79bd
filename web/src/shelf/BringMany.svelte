<!-- A whole book at once: a folder, an archive or many files, one after the other, with a report. -->
<script lang="ts">
  import { Button, ProgressBar, TextInput } from 'carbon-components-svelte';
  import { unzip, type Unzipped } from 'fflate';
  import { onDestroy, untrack } from 'svelte';
  import { sentence, type Schemas } from '../api/client';
  import Trouble from '../parts/Trouble.svelte';
  import { ui } from '../words/ui';
  import { bringOne, byName, ofArchive, sorted, type Found, type Item } from './bring';

  let { given, onbrought }: { given: File[]; onbrought: () => void } = $props();

  interface Row {
    name: string;
    pieces: Schemas['BroughtView'][];
    problem: string;
  }

  /** So many files are on their way at once. */
  const AT_ONCE = 3;
  let found = $state.raw<Found>();
  let book = $state('');
  let rows = $state.raw<Row[]>([]);
  let running = $state(false);
  let stopped = $state(false);
  let done = $state(false);
  let problem = $state('');
  onDestroy(() => (stopped = true));

  const unpacked = async (f: File) => {
    const bytes = new Uint8Array(await f.arrayBuffer());
    return new Promise<Unzipped>((ok, fail) =>
      unzip(bytes, (e, entries) => (e ? fail(e) : ok(entries)))
    );
  };

  async function look(list: Iterable<File> | null) {
    const files = [...(list ?? [])];
    if (!files.length || running) return;
    problem = '';
    rows = [];
    done = false;
    try {
      const [first] = files;
      if (files.length === 1 && /\.zip$/i.test(first!.name)) {
        found = ofArchive(first!.name, await unpacked(first!));
      } else {
        const items = files.map((file): Item => ({
          name: file.webkitRelativePath || file.name,
          file
        }));
        const folder = first!.webkitRelativePath.split('/')[0] ?? '';
        found = { book: folder, ...sorted(items) };
      }
      book ||= found.book;
    } catch {
      problem = ui.book.badArchive(files[0]!.name);
      found = undefined;
    }
  }

  $effect(() => {
    const files = given;
    untrack(() => void look(files));
  });

  async function bring() {
    if (!found) return;
    if (!book.trim()) {
      problem = ui.book.nameIt;
      return;
    }
    problem = '';
    running = true;
    stopped = false;
    rows = [];
    const waiting = [...found.items];
    const worker = async () => {
      for (let item = waiting.shift(); item && !stopped; item = waiting.shift()) {
        let row: Row;
        try {
          row = { name: item.name, pieces: await bringOne(item, book), problem: '' };
        } catch (e) {
          row = { name: item.name, pieces: [], problem: sentence(e) };
        }
        rows = [...rows, row];
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, worker));
    running = false;
    done = true;
    onbrought();
  }

  const pieces = $derived(rows.flatMap((r) => r.pieces));
  const report = $derived(
    ui.book.report(
      pieces.filter((p) => !p.again).length,
      pieces.filter((p) => p.again).length,
      rows.filter((r) => r.problem).length,
      (found?.items.length ?? 0) - rows.length
    )
  );
  /** What has to be looked at comes first; what went well needs no line. */
  const noted = $derived(
    [...rows]
      .filter((r) => r.problem || r.pieces.some((p) => p.told.length))
      .sort((a, b) => +!a.problem - +!b.problem || byName(a.name, b.name))
  );
</script>

<section aria-label={ui.book.bring}>
  <p class="small quiet">{ui.book.bringHow}</p>
  <div class="fields">
    <label
      >{ui.book.files}
      <input
        type="file"
        multiple
        accept=".zip,.musicxml,.xml,.mxl,.abc,.mid,.midi"
        disabled={running}
        onchange={(e) => void look(e.currentTarget.files)}
      /></label
    >
    <label
      >{ui.book.folder}
      <input
        type="file"
        webkitdirectory
        disabled={running}
        onchange={(e) => void look(e.currentTarget.files)}
      /></label
    >
  </div>
  {#if problem}<Trouble text={problem} />{/if}
  {#if found}
    <p role="status"><b>{ui.book.found(found.items.length, found.others.length)}</b></p>
    {#if found.others.length}
      <p class="small quiet">
        {found.others.slice(0, 6).join(', ')}{found.others.length > 6 ? ' …' : ''}
      </p>
    {/if}
    {#if !done && found.items.length}
      <div class="start">
        <TextInput size="sm" labelText={ui.book.name} bind:value={book} readonly={running} />
        {#if running}
          <Button size="small" kind="tertiary" on:click={() => (stopped = true)}
            >{ui.all.cancel}</Button
          >
        {:else}
          <Button size="small" on:click={() => void bring()}
            >{ui.book.bringThem(found.items.length)}</Button
          >
        {/if}
      </div>
    {/if}
    {#if running}
      <ProgressBar
        size="sm"
        labelText={ui.book.bringing(rows.length, found.items.length)}
        helperText={found.items[rows.length]?.name ?? ''}
        value={(100 * rows.length) / found.items.length}
      />
    {/if}
    {#if done}
      <p role="status"><b>{report}</b></p>
      {#if pieces.length}
        <p>
          <a href="/shelf/book/{encodeURIComponent(book.trim())}">{ui.book.toBook(book.trim())}</a>
        </p>
      {/if}
      {#if noted.length}
        <table class="rows stack">
          <thead>
            <tr><th scope="col">{ui.book.file}</th><th scope="col">{ui.book.whatIs}</th></tr>
          </thead>
          <tbody>
            {#each noted as r (r.name)}
              <tr>
                <td data-label={ui.book.file}>{r.name}</td>
                <td data-label={ui.book.whatIs}
                  >{#if r.problem}<b>{r.problem}</b>{:else}{r.pieces
                      .flatMap((p) => p.told)
                      .join(' ')}{/if}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
    {/if}
  {/if}
</section>

<style>
  section {
    margin-top: 0.75rem;
    padding: 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem 2rem;
    margin: 0.75rem 0;
  }
  label {
    display: grid;
    gap: 0.25rem;
    font-weight: 600;
  }
  input {
    min-height: var(--target);
    font-weight: 400;
    max-width: 100%;
  }
  .start {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    align-items: end;
    margin: 0.75rem 0;
  }
  .start > :global(:first-child) {
    flex: 0 1 20rem;
  }
</style>
