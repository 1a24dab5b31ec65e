/**
 * Resolved values become slots.
 *
 * A function's fraction f goes out as from + round(f·(to − from)), halves up, coarse octet first. A virtual
 * dimmer scales the emitters of its cell. Where shared addresses overlap, the higher slot value goes out.
 */
package app.loculus.core.dmx;
