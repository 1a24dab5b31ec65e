/** Reads XML that comes from outside: nothing is fetched, nothing is expanded, and its size is bounded. */
package app.loculus.formats.xml;
