/**
 * Practice: a piece in bits, what catches in them, and how one gets there. What stands on paper or
 * sounds is made of it elsewhere. Uses {@code instrument}, {@code pitch}, {@code planning} and
 * {@code score}.
 */
package sempre.core.practice;
