/**
 * What was heard, what a student has, and what comes next. Evidence is appended, standing is
 * derived. Uses {@code instrument}, {@code pitch}, {@code planning} and {@code score}.
 */
package sempre.core.learning;
