/**
 * What an attribute is set to, and what a fixture sets to show a colour.
 *
 * A value is a {@link app.loculus.core.unit.Fraction} of its function's range, a physical value that the
 * profile maps, a named range, or a reference to a palette.
 */
package app.loculus.core.value;
