/**
 * What browsers and scripts talk to. Problems become RFC 9457 bodies with the place and the ways out.
 */
package app.loculus.app.api;
