/**
 * What is wrong, where, and the way out.
 *
 * Every room above reports bad input as {@link app.loculus.core.problem.Problem}s: all of them are
 * collected first, then the caller decides. Words: a <em>refusal</em> stops an edit, a <em>warning</em>
 * travels with its outcome.
 */
package app.loculus.core.problem;
