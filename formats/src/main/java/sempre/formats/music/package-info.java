/** A file of music of whatever format is read, by its content. */
package sempre.formats.music;
