/**
 * The line: typed commands read by a grammar into edits.
 *
 * Reading needs the show, because names, numbers and profiles are looked up while reading. A problem says
 * where in the text it sits and what would be accepted there.
 */
package app.loculus.core.command;
