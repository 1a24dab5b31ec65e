/**
 * What a profile tells about the thing itself: weight, lamp (kelvin), beam angle (degrees), power (watts), pictures.
 *
 * Nothing here decides what goes out. Source: the fixture description.
 */
package app.loculus.core.profile.facts;
