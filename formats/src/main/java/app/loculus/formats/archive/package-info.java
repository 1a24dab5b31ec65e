/**
 * ZIP archives from strangers, read with bounded memory.
 *
 * Entry names, sizes and checksums are not trusted: octets are counted while they are read, CRC-32 is
 * computed, names that climb out, links, encryption and duplicates are refused.
 */
package app.loculus.formats.archive;
