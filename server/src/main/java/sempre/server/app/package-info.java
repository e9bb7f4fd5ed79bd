/**
 * One class a use case or a thing that several of them need: what is stored is loaded and handed to
 * the core, and what it says is kept or given back as facts. No words, no HTTP. Uses {@code file},
 * {@code store}, {@code formats} and {@code core}.
 */
package sempre.server.app;
