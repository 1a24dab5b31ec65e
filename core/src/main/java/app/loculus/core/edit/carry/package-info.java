/**
 * Taking what was prepared to other fixtures: a whole show to another rig, or chosen parts of another show into this one.
 */
package app.loculus.core.edit.carry;
