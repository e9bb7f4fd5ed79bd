/**
 * A choice that this browser keeps: over visits, or in this tab alone. Without storage it holds as
 * long as the page.
 */
export class Kept<T> {
  #value: T | undefined = $state.raw();

  /**
   * @param name of what is kept, one for all of Sempre
   * @param fallback what holds until something is chosen
   * @param storage for how long
   */
  constructor(
    readonly name: string,
    readonly fallback: T,
    readonly storage: 'localStorage' | 'sessionStorage' = 'localStorage'
  ) {
    this.#value = read<T>(name, storage);
  }

  get value(): T {
    return this.#value ?? this.fallback;
  }

  set value(to: T) {
    this.#value = to;
    write(this.name, to, this.storage);
  }

  /** Whether something has been chosen. */
  get chosen(): boolean {
    return this.#value !== undefined;
  }
}

const key = (name: string) => `sempre-${name}`;

/** What is kept under a name; nothing where there is none, or what is there can't be read. */
export function read<T>(
  name: string,
  storage: 'localStorage' | 'sessionStorage' = 'localStorage'
): T | undefined {
  try {
    const text = globalThis[storage].getItem(key(name));
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    return undefined;
  }
}

/** Keeps a value under a name; nothing kept is nothing stored. */
export function write(
  name: string,
  value: unknown,
  storage: 'localStorage' | 'sessionStorage' = 'localStorage'
) {
  try {
    if (value === undefined) globalThis[storage].removeItem(key(name));
    else globalThis[storage].setItem(key(name), JSON.stringify(value));
  } catch {
    // without storage it holds for this visit
  }
}

/** Under which names something is kept for good that begin so. */
export function keptNames(start: string): string[] {
  try {
    return Object.keys(localStorage)
      .filter((k) => k.startsWith(key(start)))
      .map((k) => k.slice(key('').length));
  } catch {
    return [];
  }
}
