/** What came of a list of students that was taken just now; People says it, once. */
export const taken = $state({ words: '' });
