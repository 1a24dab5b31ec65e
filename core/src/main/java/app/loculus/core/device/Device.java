package app.loculus.core.device;

import java.util.Optional;

/**
 * A device as it says it is.
 *
 * @param line the universe whose line it hangs on
 * @param label what people have written into it, may be empty
 * @param identifies whether it shows itself on the stage just now
 */
public record Device(Uid uid, int line, DeviceModel model, String label, DeviceSetting setting, boolean identifies) {

    /** Where it hangs; one identity may hang on two lines. */
    public record Place(Uid uid, int line) {}

    public Place place() {
        return new Place(uid, line);
    }

    /** {@code 3.41}, or the line alone. */
    public String address() {
        return setting.start().map(s -> line + "." + s).orElse("line " + line);
    }

    /** The mode it is in; empty when it did not tell. */
    public Optional<Personality> mode() {
        return model.personalities().stream()
                .filter(p -> p.number() == setting.personality())
                .findFirst();
    }

    public Device set(DeviceSetting now) {
        return new Device(uid, line, model, label, now, identifies);
    }

    public Device identifying(boolean now) {
        return new Device(uid, line, model, label, setting, now);
    }

    public Device labelled(String now) {
        return new Device(uid, line, model, now, setting, identifies);
    }

    @Override
    public String toString() {
        return model + " " + uid;
    }
}
