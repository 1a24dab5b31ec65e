/** What goes on paper, worked out but not set: sheets of rows in words, with groups named wherever they are just those. */
package app.loculus.core.paper;
