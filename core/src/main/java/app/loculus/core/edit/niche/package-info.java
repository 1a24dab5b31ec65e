/** Pages of niches: set, renamed, taken away. What stands in the niches is not touched by any of it. */
package app.loculus.core.edit.niche;
