/**
 * A whole show as one file: a ZIP archive with a manifest, the show as JSON, and its profiles as fixture archives.
 *
 * The manifest says format, version and a SHA-256 over everything else. A show that is read is looked over before
 * it is handed on: references lead somewhere, numbers are unique.
 */
package app.loculus.formats.showfile;
