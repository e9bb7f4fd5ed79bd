import type { Naming } from './lib/pitch';
import { ownNames, sheet } from './words/language';

/** What a teacher does whatever the instrument, and how the student in view differs. */
class Ways {
  house = $state<Record<string, string>>({});
  /** of the student whose part is open */
  student = $state<Record<string, string>>();
  readonly now = $derived(this.student ?? this.house);
  /** how notes are named: on this sheet, by this teacher, or else by the house */
  readonly naming = $derived((sheet.names ?? (ownNames || this.now.names || 'letters')) as Naming);
}

export const ways = new Ways();
