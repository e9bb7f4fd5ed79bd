/** Measurements of what the product runs. */
package sempre.bench;
