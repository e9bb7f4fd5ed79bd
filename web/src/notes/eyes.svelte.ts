/** From which side finger pictures are seen, and which name of a note is read; kept on this machine. */
class Eyes {
  facing = $state(kept('facing'));
  sounding = $state(kept('sounding'));

  turn() {
    this.facing = !this.facing;
    keep('facing', this.facing);
  }
  name() {
    this.sounding = !this.sounding;
    keep('sounding', this.sounding);
  }
}

function kept(what: string) {
  try {
    return localStorage.getItem('sempre-' + what) === 'yes';
  } catch {
    return false;
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
