<!-- Music with its fingerings as a file for other programs: which, how they are written, and with what else. -->
<script lang="ts">
  import { Checkbox, Select, SelectItem } from 'carbon-components-svelte';
  import { Kept } from '../lib/kept.svelte';
  import { ui } from '../words/ui';

  let {
    part,
    everyone = ''
  }: {
    /** where the file of one part, or the archive of all, is had */
    part: string;
    /** where the score with everybody's fingerings is had, where there are several */
    everyone?: string;
  } = $props();

  const which = new Kept<'changed' | 'all'>('save-which', 'changed');
  const as = new Kept<'words' | 'marks'>('save-as', 'words');
  const of = new Kept<'part' | 'score'>('save-of', 'part');
  const query = $derived(`which=${which.value}&as=${as.value}`);
  /** asked for each time: a file name goes wherever the file goes */
  let named = $state(false);
</script>

<div class="save">
  <Select size="sm" labelText={ui.music.which} bind:selected={which.value}>
    <SelectItem value="changed" text={ui.music.changed} />
    <SelectItem value="all" text={ui.music.all} />
  </Select>
  <Select
    size="sm"
    labelText={ui.music.as}
    helperText={as.value === 'words' ? ui.music.ofWords : ui.music.ofMarks}
    bind:selected={as.value}
  >
    <SelectItem value="words" text={ui.music.words} />
    <SelectItem value="marks" text={ui.music.marks} />
  </Select>
  <Select size="sm" labelText={ui.music.of} bind:selected={of.value}>
    <SelectItem value="part" text={ui.music.part} />
    <SelectItem value="score" text={ui.music.score} />
  </Select>
  <Checkbox labelText={everyone ? ui.music.namedEach : ui.music.named} bind:checked={named} />
  <a class="link" download href="{part}?{query}&score={of.value === 'score'}&named={named}"
    >{everyone ? ui.music.saveEach : ui.music.save}</a
  >
  {#if everyone}
    <a class="link" download href="{everyone}?{query}">{ui.music.saveEveryone}</a>
  {/if}
</div>

<style>
  .save:not(:first-child) {
    border-top: 1px solid var(--rule);
    padding-top: 0.875rem;
  }
  .save {
    display: flex;
    flex-direction: column;
    gap: 0.75rem;
  }
  .link {
    display: inline-block;
    padding-block: max(0.125rem, (var(--target) - 1lh) / 2);
  }
</style>
