/**
 * What the hands do from one fingering to the next, and what slips out between. Uses {@code
 * acoustics}, {@code instrument} and {@code pitch}.
 */
package sempre.core.motion;
