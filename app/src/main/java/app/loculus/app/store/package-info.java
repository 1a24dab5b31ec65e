/**
 * Shows in the database: each part a row, every edit with its reverse in the journal, one transaction per edit.
 */
package app.loculus.app.store;
