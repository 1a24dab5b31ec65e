/**
 * The library of profiles over HTTP.
 */
package app.loculus.app.api.profiles;
