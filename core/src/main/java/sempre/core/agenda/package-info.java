/**
 * Practice from today to the days on which pieces are due: which bit on which day, and why that
 * one. Uses bits and their ladders; days and minutes are the student's.
 */
package sempre.core.agenda;
