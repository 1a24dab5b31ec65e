/**
 * The typed line over HTTP.
 */
package app.loculus.app.api.line;
