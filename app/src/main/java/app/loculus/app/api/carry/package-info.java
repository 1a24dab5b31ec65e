/**
 * A show on another rig: which fixture stands for which, what becomes of everything, and the new show.
 */
package app.loculus.app.api.carry;
