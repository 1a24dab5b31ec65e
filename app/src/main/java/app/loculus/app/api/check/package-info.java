/** What there is to look at before a show is handed over, what was done about it, and who signed. */
package app.loculus.app.api.check;
