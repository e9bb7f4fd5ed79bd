package sempre.formats.musicxml;

import sempre.formats.xml.XmlNode;

/**
 * A direction or a sound of a part, where it stands.
 *
 * @param offset quarters from the start of its bar
 * @param staff the staff it is for; 0 for all of the part
 */
record Direction(int bar, double offset, int staff, XmlNode node) {
  /** When it is, in quarters from the start of the part. */
  double at(double[] starts) {
    return starts[bar] + offset;
  }

  boolean isFor(int ofStaff) {
    return staff == 0 || staff == ofStaff;
  }
}
