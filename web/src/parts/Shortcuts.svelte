<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  let { open = $bindable(false) }: { open: boolean } = $props();

  const groups: [string, [string, string][]][] = [
    [
      'Everywhere',
      [
        ['/', 'find a student, a piece or a note by name'],
        ['g then t s e l n p', 'go to Today, Stand, Ear, Shelf, Notes, People'],
        ['?', 'this list']
      ]
    ],
    [
      'Today',
      [
        ['↑ ↓', 'the group before, the next group'],
        ['c n', 'a playing check of it, a new note'],
        ['a w', 'all parts of its piece, who can play what']
      ]
    ],
    [
      'Shelf, and what is given',
      [
        ['↑ ↓ Enter', 'choose a piece, and give it'],
        ['p v', 'print all parts, see them on the page']
      ]
    ],
    [
      'A simpler part',
      [
        ['← →', 'note before, next note; with shift the next changed one'],
        ['↑ ↓ Enter', 'what may be played, and take it'],
        ['space k', 'play both, keep it']
      ]
    ],
    [
      'Stand',
      [
        ['← →', 'note before, next note'],
        ['↑ ↓', 'look through the other fingerings of the note'],
        ['Enter', 'take the one looked at, and keep it'],
        ['k', 'keep the fingering as it is, or let it go'],
        ['space', 'play the part, and stop'],
        ['shift ← →', 'choose bars to play, one more or one less; Esc: all'],
        ['e', 'explain the bar, and back to the note'],
        ['+ − 0', 'larger, smaller, as it was'],
        ['u r', 'undo the last choice, and redo it'],
        ['h', 'hear this part']
      ]
    ],
    [
      'Ear',
      [
        ['← →', 'note before, next note'],
        ['1 2 3', 'secure, shaky, not yet; goes on to the next'],
        ['a', 'all that are left are secure'],
        ['r', 'write a remark with the next grade'],
        ['u', 'take the last grade back'],
        ['Enter', 'finish and see the summary']
      ]
    ],
    [
      'A class check',
      [
        ['1 2 3', 'marks it secure, shaky or not yet, and goes on'],
        ['then 1 … 9, Enter', 'of several notes: those that were not secure'],
        ['a', 'the rest of this student, or of this note, is secure'],
        ['x', 'absent, and here again'],
        ['u', 'take the last mark back'],
        ['o', 'student by student, or note by note'],
        ['← → ↑ ↓', 'go to another mark'],
        ['r', 'write a remark with the next mark'],
        ['Enter', 'finish, and go on']
      ]
    ],
    [
      'Notes',
      [
        ['← →', 'note below, note above'],
        ['↑ ↓', 'the other fingerings of the note'],
        ['c', 'compare from this fingering'],
        ['w', 'written or sounding names'],
        ['f', 'as the player sees it, or facing the player'],
        ['a', 'add a fingering of your own']
      ]
    ]
  ];
</script>

<Modal bind:open passiveModal modalHeading="Keys" size="sm">
  {#each groups as [name, keys] (name)}
    <h3>{name}</h3>
    <dl>
      {#each keys as [key, what] (key)}
        <dt><kbd>{key}</kbd></dt>
        <dd>{what}</dd>
      {/each}
    </dl>
  {/each}
</Modal>

<style>
  h3 {
    margin-top: 0.75rem;
  }
  dl {
    display: grid;
    grid-template-columns: 9rem 1fr;
    gap: 0.375rem 0.75rem;
    margin: 0.375rem 0 0.75rem;
  }
  dd {
    margin: 0;
  }
</style>
