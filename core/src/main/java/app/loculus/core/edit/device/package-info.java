/** Takes into the show what devices say, and which of them is which. */
package app.loculus.core.edit.device;
