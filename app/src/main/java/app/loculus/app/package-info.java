/**
 * The application around the core: REST, live feed, session, store, sockets and the virtual rig.
 */
package app.loculus.app;
