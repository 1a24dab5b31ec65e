/**
 * What a kind of fixture is: its modes, channels, wheels and emitters.
 *
 * Words: a <em>cell</em> is one of several identical parts, numbered from 1; cell 0 is the fixture as a
 * whole. A <em>break</em> is a separately addressed part of a mode. A <em>parameter</em> is one attribute
 * that can be set on one cell. DMX values are unsigned, in the resolution of their channel. Words and
 * defaults follow DIN SPEC 15800.
 */
package app.loculus.core.profile;
