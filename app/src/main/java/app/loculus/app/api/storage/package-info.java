/**
 * How the disk under the database is.
 */
package app.loculus.app.api.storage;
