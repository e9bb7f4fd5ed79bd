/**
 * What has no pitch: the parts of drums, which hand strikes, and the rudiments. Uses {@code
 * instrument}, {@code pitch} and {@code score}.
 */
package sempre.core.drums;
