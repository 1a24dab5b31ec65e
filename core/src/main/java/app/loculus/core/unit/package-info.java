/**
 * Bare quantities: fractions, DMX words, temperatures.
 *
 * One recipe: a record that checks itself, {@code of} or {@code parse} to make one, {@code toString}
 * that {@code parse} reads back. Source for the DMX value notation: DIN SPEC 15800, value type DMXValue.
 */
package app.loculus.core.unit;
