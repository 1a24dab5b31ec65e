package app.loculus.core.device;

import app.loculus.core.patch.FixtureId;

/**
 * Which fixture a device is, once somebody has said so.
 *
 * @param place which of the fixture's addresses it listens at, 0 for the first
 */
public record KnownDevice(Uid uid, FixtureId fixture, int place) {

    @Override
    public String toString() {
        return uid.toString();
    }
}
