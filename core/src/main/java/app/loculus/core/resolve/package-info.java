/**
 * All layers together: what each channel of a fixture is set to, and why.
 *
 * Later wins: home → programmer → highlight. Looks and effects will stand between home and the programmer.
 */
package app.loculus.core.resolve;
