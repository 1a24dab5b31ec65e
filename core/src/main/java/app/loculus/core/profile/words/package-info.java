/**
 * What attributes are called by people, by charts and by the open fixture standard.
 */
package app.loculus.core.profile.words;
