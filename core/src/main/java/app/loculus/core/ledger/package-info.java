/**
 * What people say about the state of the work: what they set aside and why, which chapters they put their name to, which
 * paper the patch was last held to. Days are dates of the calendar, written as ISO 8601 has them.
 */
package app.loculus.core.ledger;
