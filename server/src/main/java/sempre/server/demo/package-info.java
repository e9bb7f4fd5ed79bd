/**
 * The made-up school and its made-up music, for a first look and for tests. Uses {@code store},
 * formats and the core.
 */
package sempre.server.demo;
