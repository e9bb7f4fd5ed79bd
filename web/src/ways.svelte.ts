/** What a teacher does whatever the instrument, and how the student in view differs. */
class Ways {
  house = $state<Record<string, string>>({});
  /** of the student whose part is open */
  student = $state<Record<string, string>>();
  readonly now = $derived(this.student ?? this.house);
  /** whether notes are named by fixed syllables */
  readonly syllables = $derived(this.now.names === 'syllables');
}

export const ways = new Ways();
