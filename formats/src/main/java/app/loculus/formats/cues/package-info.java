/**
 * Cues, groups, submasters and the patch of dimmers as plain text: USITT ASCII Text Representation for Lighting Console
 * Data 3.0 (1992).
 *
 * <p>One record a line, a keyword and its arguments; secondary records belong to the primary one before them. A level is a
 * percentage, {@code FL} for full, or {@code H} with two hexadecimal digits, which loses nothing of eight bits. The format
 * knows channels with one level each: positions, colours and beams cannot be carried, and that is said.
 */
package app.loculus.formats.cues;
