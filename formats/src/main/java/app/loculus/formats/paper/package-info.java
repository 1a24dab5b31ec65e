/** Sheets of rows set as PDF pages (ISO 32000), by PDFBox. */
package app.loculus.formats.paper;
