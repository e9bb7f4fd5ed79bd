import { ways } from '../ways.svelte';

/** From which side finger pictures are seen, and which name of a note is read; kept on this machine. */
class Eyes {
  private turned = $state(kept('facing'));
  sounding = $state(kept('sounding') ?? false);
  /** as chosen here, or else as the house has it */
  readonly facing = $derived(this.turned ?? ways.house.eyes === 'facing');

  turn() {
    this.turned = !this.facing;
    keep('facing', this.turned);
  }
  name() {
    this.sounding = !this.sounding;
    keep('sounding', this.sounding);
  }
}

function kept(what: string) {
  try {
    const is = localStorage.getItem('sempre-' + what);
    return is === null ? undefined : is === 'yes';
  } catch {
    return undefined;
  }
}

function keep(what: string, is: boolean) {
  try {
    localStorage.setItem('sempre-' + what, is ? 'yes' : 'no');
  } catch {
    // without storage the choice holds for this visit
  }
}

export const eyes = new Eyes();
