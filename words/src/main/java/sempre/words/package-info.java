/**
 * Sentences and names in a language, made of the facts that the core finds: reasons, causes,
 * lessons, refusals, notes, lists and dates. Uses the core only.
 */
package sempre.words;
