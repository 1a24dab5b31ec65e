/** What goes out on paper. */
package app.loculus.app.api.paper;
