/**
 * Pages of niches: named windows on the numbers of groups, or of palettes of one kind. A niche is a number; where it stands
 * on a page follows from it, so that moving to another niche is renumbering.
 */
package app.loculus.core.niche;
