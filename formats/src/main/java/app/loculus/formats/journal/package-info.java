/**
 * How edits are written in the journal: what each part was and became, under names of our own that stay.
 *
 * Format 2: one octet with the number of the format, then JSON, deflated (RFC 1951). Parts that change alike are
 * written once with the run of their keys. Format 1 is the JSON text of earlier versions; it is still read.
 */
package app.loculus.formats.journal;
