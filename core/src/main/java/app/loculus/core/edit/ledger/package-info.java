/** What is said about the state of the work: setting aside, signing, holding the patch to a paper. */
package app.loculus.core.edit.ledger;
