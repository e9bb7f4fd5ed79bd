/**
 * Practice: a piece in bits, what catches in them, and how one gets there. Uses the plan of a part;
 * what stands on paper or sounds is made of it elsewhere.
 */
package sempre.core.practice;
