package app.loculus.app.devices;

/** What is known of the devices of a show is something else. */
public record DevicesChanged(long show) {}
