/** What showing off looks like: recorded, forgotten, and said value by value. */
package app.loculus.core.edit.highlight;
