/**
 * Streaming ACN: levels for one universe as bytes and back, which of several senders counts, and who sends what.
 *
 * Source: ANSI E1.31. All integers big-endian; offsets in octets from the start of the datagram. One layout
 * serves writing and reading; the socket lives elsewhere.
 */
package app.loculus.formats.e131;
