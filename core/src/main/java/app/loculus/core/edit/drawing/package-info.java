/** Takes drawings into a show. */
package app.loculus.core.edit.drawing;
