/**
 * One WebSocket for each browser: what changed in the show as JSON, rig frames as octets, at most 30 a second.
 */
package app.loculus.app.live;
