/** Handing a show over: what goes along, and all of it as one parcel. */
package app.loculus.app.api.parcel;
