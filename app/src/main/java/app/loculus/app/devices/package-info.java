/** Speaks with remotely managed devices on the lines of the live show: finds them, sets them, keeps what they said last. */
package app.loculus.app.devices;
