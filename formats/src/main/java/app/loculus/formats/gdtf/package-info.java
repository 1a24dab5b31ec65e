/**
 * The open fixture format: a fixture's description.xml becomes a profile.
 *
 * Reads DIN SPEC 15800 1.1 and 1.2, and the older place of defaults in 1.0. Odd things become warnings
 * that name the element; only a text that cannot be understood is refused. Documents with a DOCTYPE are
 * refused, entities are never resolved, sizes are bounded.
 */
package app.loculus.formats.gdtf;
