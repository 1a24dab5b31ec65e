/**
 * Looking a profile over: what about it will surprise somebody, and how two of them differ.
 */
package app.loculus.core.profile.check;
