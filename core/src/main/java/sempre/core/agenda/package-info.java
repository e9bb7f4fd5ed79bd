/**
 * Practice from today to the days on which pieces are due: which bit on which day, and why that
 * one; days and minutes are the student's. Uses {@code instrument}, {@code planning}, {@code
 * practice} and {@code score}.
 */
package sempre.core.agenda;
