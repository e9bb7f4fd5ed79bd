/**
 * The made-up school and its made-up music, for a first look and for tests. Uses {@code app},
 * {@code store}, {@code formats} and {@code core}.
 */
package sempre.server.demo;
