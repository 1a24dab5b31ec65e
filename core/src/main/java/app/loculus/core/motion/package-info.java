/**
 * Effects on units: what a movement comes to on one channel, worked out once from profile, palettes and place, so that a
 * frame only has to ask for a phase.
 */
package app.loculus.core.motion;
