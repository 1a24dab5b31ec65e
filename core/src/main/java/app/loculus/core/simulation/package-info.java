/**
 * What a simulated fixture does with the slots it receives.
 *
 * Reads profiles, but shares no conversion code with the renderer, so that each checks the other: a
 * channel's octets give a DMX value, the value lies in a function, and the function's physical range says
 * what happens.
 */
package app.loculus.core.simulation;
