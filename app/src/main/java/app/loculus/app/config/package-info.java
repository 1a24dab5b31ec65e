/**
 * Settings and the beans that stand for the outside: the clock, the library of profiles.
 */
package app.loculus.app.config;
