/**
 * Named places on stage that positions stand at. Metres: +x to the audience's right, +y upstage, +z up.
 */
package app.loculus.core.mark;
