/**
 * The disk under the database: what is acknowledged is synced, what does not fit is refused in words, the file does not
 * outgrow what is in it, and there are copies.
 *
 * Sizes in octets. The database is one file of H2 ({@code loculus.mv.db}); beside it lie the log that is written ahead of
 * it ({@code loculus.ahead-N}, there while it runs and after it was killed), the revisions that were acknowledged ({@code
 * loculus.kept}) and a folder of copies ({@code backups}).
 */
package app.loculus.app.store.disk;
