/**
 * What moves by itself: waveforms, shapes and runs as pure functions of the phase.
 *
 * The phase of a unit is frac(turns + offset): the turns are rate·t/60, the offset is its place along the steps that
 * the effect was spread over.
 */
package app.loculus.core.effect;
