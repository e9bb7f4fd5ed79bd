<script lang="ts">
  import { Modal } from 'carbon-components-svelte';
  import { ui } from '../words/ui';
  let { open = $bindable(false) }: { open: boolean } = $props();

  const groups: [string, [string, string][]][] = [
    [
      ui.keys.everywhere,
      [
        ['/', ui.keys.find],
        [ui.keys.gThen, ui.keys.goTo],
        ['?', ui.keys.thisList]
      ]
    ],
    [
      ui.app.today,
      [
        ['↑ ↓', ui.keys.groups],
        ['c n', ui.keys.groupActs],
        ['a w', ui.keys.groupParts]
      ]
    ],
    [
      ui.keys.shelf,
      [
        ['↑ ↓ Enter', ui.keys.choosePiece],
        ['p v', ui.keys.printParts]
      ]
    ],
    [
      ui.keys.simpler,
      [
        ['← →', ui.keys.simplerNotes],
        ['↑ ↓ Enter', ui.keys.simplerTake],
        [ui.keys.spaceK, ui.keys.simplerPlay]
      ]
    ],
    [
      ui.app.stand,
      [
        ['← →', ui.keys.noteNext],
        ['↑ ↓', ui.keys.lookOthers],
        ['Enter', ui.keys.takeLooked],
        ['k', ui.keys.keepOrNot],
        [ui.keys.space, ui.keys.playStop],
        [ui.keys.shiftArrows, ui.keys.chooseBars],
        ['e', ui.keys.explain],
        ['+ − 0', ui.keys.zoom],
        ['u r', ui.keys.undoRedo],
        ['h', ui.keys.hear]
      ]
    ],
    [
      ui.app.ear,
      [
        ['← →', ui.keys.noteNext],
        ['1 2 3', ui.keys.grades],
        ['a', ui.keys.restSecure],
        ['r', ui.keys.remark],
        ['u', ui.keys.takeBack],
        ['Enter', ui.keys.finishSummary]
      ]
    ],
    [
      ui.keys.classCheck,
      [
        ['1 2 3', ui.keys.marks],
        [ui.keys.thenDigits, ui.keys.someNotes],
        ['a', ui.keys.restOf],
        ['x', ui.keys.absent],
        ['u', ui.keys.takeMark],
        ['o', ui.keys.order],
        ['← → ↑ ↓', ui.keys.otherMark],
        ['r', ui.keys.remarkMark],
        ['Enter', ui.keys.finishGoOn]
      ]
    ],
    [
      ui.app.notes,
      [
        ['← →', ui.keys.noteBelow],
        ['↑ ↓', ui.keys.otherFingerings],
        ['c', ui.keys.compare],
        ['w', ui.keys.names],
        ['f', ui.keys.facing],
        ['a', ui.keys.own]
      ]
    ]
  ];
</script>

<Modal bind:open iconDescription={ui.all.close} passiveModal modalHeading={ui.app.keys} size="sm">
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
