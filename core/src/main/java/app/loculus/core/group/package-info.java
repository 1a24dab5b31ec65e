/**
 * Named selections that are asked for again and again.
 *
 * Groups number in one list. What a group holds is a {@link app.loculus.core.group.GroupContent}: a fixed order keeps
 * its steps as they were recorded; a recipe asks again and follows what it was made from.
 */
package app.loculus.core.group;
