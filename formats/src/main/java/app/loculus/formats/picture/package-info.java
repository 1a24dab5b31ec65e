/**
 * What pictures show, as far as two of them can be told apart by their light and dark.
 */
package app.loculus.formats.picture;
