/**
 * Colour as measured, and how light sources reach it.
 *
 * Works in CIE 1931 xyY and compares in CIE 1976 u′v′ (u′ = 4x/(−2x+12y+3), v′ = 9y/(−2x+12y+3)).
 * Luminance Y is relative, on one common scale per fixture (100 = the fixture's reference emitter).
 * Sources: CIE 15 for the spaces and the daylight locus; IEC 61966-2-1 for sRGB.
 */
package app.loculus.core.colour;
