/** Fingers, keys and trills as pictures and rows show them; used by several screens. */
package sempre.server.api.hand;
