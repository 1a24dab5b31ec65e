/**
 * Spreadsheets as plain tables: comma- or semicolon-separated text, and XLSX workbooks.
 *
 * A table has headers and rows of text; every row knows the line or row it stood on in its file, for words.
 */
package app.loculus.formats.table;
