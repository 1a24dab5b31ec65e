/**
 * What there is to look at before a show is handed over. Each {@link app.loculus.core.finding.Rule} finds one kind of
 * thing, says which kinds of part it goes by, and knows what can be done about it; {@link
 * app.loculus.core.finding.Findings} asks again only those whose parts have changed.
 */
package app.loculus.core.finding;
