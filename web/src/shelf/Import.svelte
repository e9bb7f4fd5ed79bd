<!-- A MusicXML file by drop or by a field; shown before it is kept. -->
<script lang="ts">
  import { Button, ProgressBar, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { Problem, sentence, type Schemas } from '../api/client';
  import { door } from '../lib/door.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { visit } from '../router';
  import { hand } from '../typing/being-read.svelte';
  import { typedText } from '../typing/text';
  import Beginning from './Beginning.svelte';
  import { language } from '../words/language';
  import { ui } from '../words/ui';

  let {
    onkept,
    onmany
  }: {
    onkept: (title: string, id: number) => void;
    /** several files, or an archive of them */
    onmany: (files: File[]) => void;
  } = $props();

  const MOST = 24 * 1024 * 1024;
  let file = $state.raw<File>();
  let look = $state.raw<Schemas['LookView']>();
  let over = $state(false);
  let progress = $state(-1);
  let doing = $state('');
  let problem = $state('');
  let title = $state('');
  let book = $state('');
  let number = $state('');
  let page = $state('');
  type Pages = Schemas['LookView']['meant'];
  let pages = $state<Pages>('AS_SAID');
  const answers = [
    ['CONCERT', ui.shelf.allConcert, 'moved'],
    ['AS_WRITTEN', ui.shelf.asStands, 'asWritten']
  ] as const;
  let field: HTMLInputElement;
  const changes = door();
  /** what can be shown beside the field where one types */
  const PAGE = /\.(pdf|png|jpe?g|webp)$/i;
  /** Sends a form with progress, which fetch does not tell. */
  function send<T>(address: string, form: FormData): Promise<T> {
    return new Promise((done, fail) => {
      const request = new XMLHttpRequest();
      request.open('POST', address);
      request.responseType = 'json';
      request.setRequestHeader('Sempre-Language', language);
      request.upload.onprogress = (e) => {
        if (e.lengthComputable) progress = Math.round((100 * e.loaded) / e.total);
      };
      request.onload = () => {
        if (request.status < 300) done(request.response as T);
        else
          fail(
            new Problem(
              (request.response as { detail?: string } | null)?.detail ??
                ui.all.answered(request.status)
            )
          );
      };
      request.onerror = () => fail(new Problem(ui.all.noAnswerShort));
      request.send(form);
    });
  }

  /** Puts a text where one types, unless something stands there that would be lost. */
  function typeable(text: string) {
    const typed = typedText();
    problem = typed.value.trim() ? ui.typing.firstKeep : '';
    if (!problem) typed.value = text;
    return !problem;
  }

  /** What sounds is brought onto a page where it can be put right. */
  async function openMidi(f: File) {
    const form = new FormData();
    form.append('file', f);
    problem = '';
    progress = 0;
    doing = ui.shelf.reading(f.name);
    try {
      const { text } = await send<Schemas['TypedText']>('/api/typed/midi', form);
      if (!typeable(text)) return;
      return visit('/shelf/typed');
    } catch (e) {
      problem = `${f.name}: ${sentence(e)}`;
    } finally {
      progress = -1;
      field.value = '';
    }
  }

  async function open(f: File | undefined | null) {
    if (!f) return;
    if (/\.abc$/i.test(f.name)) {
      // tunes as letters are looked at where they can be put right
      if (!typeable(await f.text())) return;
      return visit('/shelf/typed');
    }
    // a picture of music holds no notes for a program: one types from it at once
    if (PAGE.test(f.name) && f.size <= MOST) {
      hand(f);
      return visit('/shelf/typed');
    }
    // whatever it is called: a MIDI file says so at its beginning
    if (/\.midi?$/i.test(f.name) || (await f.slice(0, 4).text()) === 'MThd') return openMidi(f);
    problem = '';
    look = undefined;
    file = f;
    if (f.size > MOST) {
      problem = ui.shelf.tooLarge(f.name);
      return;
    }
    progress = 0;
    doing = ui.shelf.reading(f.name);
    const form = new FormData();
    form.append('file', f);
    try {
      look = await send<Schemas['LookView']>('/api/pieces/look', form);
      // what is asked is answered with what is likely, until the teacher says otherwise
      pages = look.asked && look.meant === 'AS_SAID' ? 'AS_WRITTEN' : look.meant;
      await tick();
      document.getElementById('keep-piece')?.focus();
      title = look.title || f.name.replace(/\.(musicxml|xml|mxl)$/i, '');
    } catch (e) {
      problem = `${f.name}: ${sentence(e)}`;
    } finally {
      progress = -1;
      field.value = '';
    }
  }

  async function keep() {
    if (!file) return;
    if (!title.trim()) {
      problem = ui.shelf.giveTitle;
      return;
    }
    problem = '';
    progress = 0;
    doing = ui.shelf.putting;
    const form = new FormData();
    form.append('file', file);
    form.append('title', title);
    form.append('book', book);
    form.append('number', number);
    form.append('page', page);
    form.append('pages', pages);
    await changes.once(
      () => send<Schemas['Id']>('/api/pieces', form),
      (kept) => {
        onkept(title, kept.id);
        look = undefined;
        file = undefined;
        number = '';
        page = '';
      }
    );
    progress = -1;
  }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div
  class="drop screen"
  class:over
  ondragover={(e) => {
    e.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={(e) => {
    e.preventDefault();
    over = false;
    const files = [...(e.dataTransfer?.files ?? [])];
    if (files.length > 1 || /\.zip$/i.test(files[0]?.name ?? '')) onmany(files);
    else void open(files[0]);
  }}
>
  <label for="piece-file"><b>{ui.shelf.bringIn}</b> {ui.shelf.dropHere}</label>
  <input
    bind:this={field}
    id="piece-file"
    type="file"
    accept=".musicxml,.xml,.mxl,.abc,.mid,.midi,.pdf,.png,.jpg,.jpeg,.webp"
    onchange={(e) => open(e.currentTarget.files?.[0])}
  />
</div>
{#if progress >= 0}
  <ProgressBar labelText={doing} value={progress < 100 ? progress : undefined} size="sm" />
{/if}
{#if problem || changes.problem}
  <Trouble text={problem || changes.problem} />
{/if}

{#if look}
  <section class="look" aria-label={ui.shelf.fileHolds}>
    <h2>{ui.shelf.holds(file?.name ?? '', look.bars)}</h2>
    <table class="rows">
      <thead>
        <tr
          ><th scope="col">{ui.shelf.part}</th><th scope="col">{ui.shelf.key}</th><th scope="col"
            >{ui.shelf.range}</th
          ><th scope="col">{ui.shelf.notes}</th><th scope="col">{ui.shelf.page}</th><th scope="col"
            >{ui.shelf.readBy}</th
          ></tr
        >
      </thead>
      <tbody>
        {#each look.parts as p (p.id)}
          <tr>
            <td><b>{p.name}</b></td>
            <td>{p.key}</td>
            <td>{p.range || ui.shelf.noPitches}</td>
            <td>{p.notes}{p.voices > 1 ? ui.shelf.voices(p.voices) : ''}</td>
            <td>{p.transposition}</td>
            <td>{p.notes ? p.readBy.join(', ') || ui.shelf.others : ui.shelf.nobody}</td>
          </tr>
          {#each p.remarks as r (r)}
            <tr class="remark"><td></td><td colspan="5" class="small quiet">{r}</td></tr>
          {/each}
        {/each}
      </tbody>
    </table>
    {#each look.remarks.filter((r) => r !== look?.asked) as r (r)}<p class="small quiet">
        {r}
      </p>{/each}
    {#if look.asked}
      <fieldset>
        <legend>{ui.shelf.askPages}</legend>
        <p>{look.asked}</p>
        <div class="two">
          {#each answers as [value, text, which] (value)}
            <div class:said={pages === value}>
              <label class="answer"
                ><input type="radio" name="pages" {value} bind:group={pages} /> {text}</label
              >
              {#each look.beginnings as b (b.instrument)}
                <p class="small quiet">{b.instrument}</p>
                <Beginning xml={b[which]} label="{b.instrument}: {text}" />
              {/each}
            </div>
          {/each}
        </div>
      </fieldset>
    {/if}
    <div class="form">
      <TextInput size="sm" labelText={ui.shelf.title} bind:value={title} />
      <TextInput size="sm" labelText={ui.shelf.book} bind:value={book} />
      <TextInput size="sm" labelText={ui.shelf.number} bind:value={number} />
      <TextInput size="sm" labelText={ui.book.pageField} bind:value={page} />
      <Select
        size="sm"
        labelText={ui.shelf.pagesMeant}
        selected={pages}
        on:change={(e) => (pages = (e.target as HTMLSelectElement).value as Pages)}
      >
        <SelectItem value="AS_SAID" text={ui.shelf.asSaid} />
        <SelectItem value="CONCERT" text={ui.shelf.allConcert} />
        <SelectItem value="AS_WRITTEN" text={ui.shelf.asStands} />
      </Select>
    </div>
    <div class="row">
      <Button id="keep-piece" size="small" on:click={keep}>{ui.shelf.keepOnShelf}</Button>
      <Button size="small" kind="ghost" on:click={() => (look = undefined)}>{ui.all.cancel}</Button>
    </div>
  </section>
{/if}

<style>
  .drop {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.75rem;
    margin-top: 1.25rem;
    padding: 0.875rem 1rem;
    border: 1.5px dashed var(--ink-2);
    border-radius: 4px;
  }
  .drop.over {
    background: var(--accent-soft);
    border-color: var(--accent);
  }
  .look {
    margin-top: 1rem;
    padding: 1rem;
    background: var(--paper);
    border: 1px solid var(--rule);
  }
  table {
    margin: 0.5rem 0;
  }
  tr:has(+ .remark) td {
    border-bottom: 0;
  }
  .form {
    display: grid;
    grid-template-columns: 2fr 1.5fr 0.75fr 0.75fr 1.5fr;
    gap: 0.75rem;
    margin-top: 1rem;
  }
  fieldset {
    margin-top: 1rem;
    padding: 0.75rem 1rem 1rem;
    border: 1px solid var(--accent);
  }
  legend {
    padding: 0 0.375rem;
    font-weight: 600;
  }
  .two {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(18rem, 100%), 1fr));
    gap: 1rem;
    margin-top: 0.75rem;
  }
  .two > div {
    padding: 0.5rem 0.75rem;
    border: 1px solid var(--rule);
  }
  .two .said {
    border-color: var(--accent);
    background: var(--accent-soft);
  }
  .answer {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: var(--target);
    font-weight: 600;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    margin-top: 1rem;
  }
  @media (max-width: 1000px) {
    .form {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
