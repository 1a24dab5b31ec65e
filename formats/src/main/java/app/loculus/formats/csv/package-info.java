/**
 * Spreadsheets in: a channel hookup as comma- or semicolon-separated text.
 *
 * Columns may stand in any order; headers are recognised by the words people use for them, unknown ones are
 * shown so that a person can map them.
 */
package app.loculus.formats.csv;
