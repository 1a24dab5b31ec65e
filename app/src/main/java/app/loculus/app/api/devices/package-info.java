/** Remotely managed devices over HTTP: what hangs there against the patch, and either set from the other. */
package app.loculus.app.api.devices;
