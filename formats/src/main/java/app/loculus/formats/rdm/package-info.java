/**
 * Remote device management: messages as octets and back, and what a controller does with them.
 *
 * Source: ANSI E1.20. All integers big-endian; offsets in octets from the START code. Who carries the octets is told by
 * {@link app.loculus.formats.rdm.RdmLine}; how long they take on the wire is counted, never waited for.
 */
package app.loculus.formats.rdm;
