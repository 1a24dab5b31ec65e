/**
 * The parcel: everything of a show in one ZIP archive, with a list of contents and a SHA-256 of each part. It opens again
 * as the show; every other part opens elsewhere.
 */
package app.loculus.formats.parcel;
