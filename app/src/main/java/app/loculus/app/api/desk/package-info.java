/**
 * What the person holds and works with: selection, values, groups, palettes with their reach.
 */
package app.loculus.app.api.desk;
