/**
 * All layers together: what each channel of a fixture is set to, and why.
 *
 * Later wins: home → what runs → programmer → highlight → the grand master on light. Effects move within the layer whose
 * values refer to them, relative to what lies below it.
 */
package app.loculus.core.resolve;
