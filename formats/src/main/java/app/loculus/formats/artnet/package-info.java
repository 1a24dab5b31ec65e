/**
 * Art-Net: levels for one port address as bytes and back, asking who is there, and what nodes answer.
 *
 * Source: Art-Net 4; figures in two octets go high octet first unless said otherwise, offsets in octets from the start
 * of the datagram. One layout serves writing and reading; the socket lives elsewhere.
 */
package app.loculus.formats.artnet;
