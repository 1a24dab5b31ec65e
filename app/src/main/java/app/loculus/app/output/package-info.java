/**
 * Frames leave the machine: E1.31, on change at up to 44 Hz, at rest a keep-alive.
 *
 * Loopback only unless the network was allowed at the start. At rest three repeats go out, then a packet
 * every 900 ms; three terminate packets end each universe.
 */
package app.loculus.app.output;
