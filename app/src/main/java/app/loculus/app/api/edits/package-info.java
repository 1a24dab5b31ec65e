/**
 * Typed edits: what pages ask for, in records instead of words. What they name is looked up in the writer's turn.
 */
package app.loculus.app.api.edits;
