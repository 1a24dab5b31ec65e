/**
 * One fixture in place of another: which stands for which, what the values of one are on the other, and what of it is seen.
 *
 * Fixtures are paired by {@link app.loculus.core.carry.Pairer}; {@link app.loculus.core.carry.Counterpart} turns values
 * over by what they do (light, colour, spot, angle, picture); {@link app.loculus.core.carry.Compared} looks at what goes
 * out on both, without asking how it was turned over. Metres, degrees, shares of light 0 to 1.
 */
package app.loculus.core.carry;
