/**
 * The virtual rig: receives E1.31 on loopback and lights up by its own list of what hangs at which address.
 *
 * The list starts as the patch has it; single fixtures can be set to another address, or be dead, so that a
 * wrong patch looks wrong. It decodes with the core's simulation, never with the renderer's conversions.
 */
package app.loculus.app.rig;
