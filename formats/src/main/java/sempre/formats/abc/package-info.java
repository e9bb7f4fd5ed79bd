/** Music typed as letters: ABC 2.1 and a shorter form of it. */
package sempre.formats.abc;
