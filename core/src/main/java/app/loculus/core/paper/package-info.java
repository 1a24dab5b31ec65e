/**
 * What goes on paper, worked out but not set: sheets of rows in words, with groups named wherever they are just those, and
 * figures in metres and slots. {@link app.loculus.core.paper.PaperKind} has them all.
 */
package app.loculus.core.paper;
