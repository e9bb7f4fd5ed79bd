/** Changes that failed after their page was left: told on the page where the teacher is now. */
class Lost {
  told = $state.raw<string[]>([]);

  tell(why: string) {
    if (!this.told.includes(why)) this.told = [...this.told, why];
  }

  read() {
    this.told = [];
  }
}

export const lost = new Lost();
