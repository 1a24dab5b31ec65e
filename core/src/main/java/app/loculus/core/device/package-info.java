/**
 * Remotely managed devices, as they say of themselves what they are and how they are set, and which of them is which
 * fixture.
 *
 * A line is the cable that carries one universe: a device hangs on a line and has a start address on it, 1 to 512. One
 * address of a fixture is one device. Source: ANSI E1.20, whose octets are read and written in {@code formats}.
 */
package app.loculus.core.device;
