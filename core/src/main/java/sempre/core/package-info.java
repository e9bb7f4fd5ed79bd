/**
 * What everything in the core may use: a refusal with what to change, a saying that words puts into
 * a sentence, and the numbers of judgement. Uses nothing of the core.
 */
package sempre.core;
