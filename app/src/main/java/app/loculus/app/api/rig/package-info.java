/**
 * The virtual rig and the output over HTTP.
 */
package app.loculus.app.api.rig;
