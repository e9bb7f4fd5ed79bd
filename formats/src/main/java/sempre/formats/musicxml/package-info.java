/**
 * MusicXML: a file to parts, and parts, pages and fingerings back into a file. Uses {@code xml} and
 * the core.
 */
package sempre.formats.musicxml;
