/** The part opened last, so that the rail leads back to it. */
class LastPart {
  student = $state(0);
  piece = $state(0);

  constructor() {
    try {
      const kept = JSON.parse(sessionStorage.getItem('sempre-last') ?? '{}');
      this.student = Number(kept.student) || 0;
      this.piece = Number(kept.piece) || 0;
    } catch {
      // nothing kept
    }
  }

  set(student: number, piece: number) {
    this.student = student;
    this.piece = piece;
    try {
      sessionStorage.setItem('sempre-last', JSON.stringify({ student, piece }));
    } catch {
      // without storage the rail leads to Today
    }
  }
}

export const last = new LastPart();
