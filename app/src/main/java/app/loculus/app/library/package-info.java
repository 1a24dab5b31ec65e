/**
 * The library of profiles: those that ship with the application, and those people add by file or by building.
 *
 * A profile that is added takes the place of one of the same maker and name; shows keep their own copy.
 */
package app.loculus.app.library;
