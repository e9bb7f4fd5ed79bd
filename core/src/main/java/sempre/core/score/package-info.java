/**
 * Music as the planner needs it: parts, bars, lines and notes with their time, and which part a
 * player reads. Uses {@code instrument} and {@code pitch}.
 */
package sempre.core.score;
