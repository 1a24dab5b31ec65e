package app.loculus.app.output;

/** By which protocol levels travel. */
enum Wire {
    E131,
    ART_NET
}
