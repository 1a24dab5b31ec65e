/**
 * Streaming ACN data packets: levels for one universe as bytes and back.
 *
 * Source: ANSI E1.31. All integers big-endian; offsets in octets from the start of the datagram. One layout
 * serves writing and reading; the socket lives elsewhere.
 */
package app.loculus.formats.e131;
