/** A document of XML as a tree, read safely and written as it was. Knows nothing of music. */
package sempre.formats.xml;
