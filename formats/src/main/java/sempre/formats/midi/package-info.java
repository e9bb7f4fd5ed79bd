/** Standard MIDI files: what they sound is read into music that can be typed, and written. */
package sempre.formats.midi;
