/** Light or dark; follows the system until the teacher chooses. */
class Theme {
  dark = $state(document.documentElement.getAttribute('theme') === 'g100');

  toggle() {
    this.dark = !this.dark;
    document.documentElement.setAttribute('theme', this.dark ? 'g100' : 'white');
    try {
      localStorage.setItem('sempre-theme', this.dark ? 'dark' : 'light');
    } catch {
      // without storage the choice holds for this visit
    }
  }
}

export const theme = new Theme();
