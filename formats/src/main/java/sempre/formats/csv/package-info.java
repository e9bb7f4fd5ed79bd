/** Lists of students and of what they have, with all that a person may write in them. */
package sempre.formats.csv;
