/**
 * Sheets of rows and figures set as PDF pages (ISO 32000), tagged and with bookmarks, by PDFBox; and as workbooks and
 * separated text. Faces: {@link app.loculus.formats.paper.Faces}. All measures are points, 72 to the inch.
 */
package app.loculus.formats.paper;
