/** Who marks at this machine; kept here, and written down with what is heard. */
class By {
  name = $state(kept());

  set(name: string) {
    this.name = name.trim().slice(0, 60);
    try {
      localStorage.setItem('sempre-by', this.name);
    } catch {
      // without storage the name holds for this visit
    }
  }
}

function kept() {
  try {
    return localStorage.getItem('sempre-by') ?? '';
  } catch {
    return '';
  }
}

export const by = new By();
