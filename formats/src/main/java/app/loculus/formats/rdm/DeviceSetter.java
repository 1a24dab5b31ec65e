package app.loculus.formats.rdm;

import app.loculus.core.check.DeviceChange;
import app.loculus.core.device.DeviceText;
import app.loculus.core.device.Uid;
import java.util.Optional;

/** Tells devices how to be set. Each answers why not, when it is not done; empty when it is. */
public final class DeviceSetter {

    /** Resets without cutting the power. */
    private static final byte WARM = 1;

    private final RdmController controller;

    public DeviceSetter(RdmController controller) {
        this.controller = controller;
    }

    /** The mode first: an address may only fit afterwards. */
    public Optional<String> set(DeviceChange change) {
        Uid uid = change.device().uid();
        if (change.mode().isPresent()) {
            byte number = (byte) change.mode().get().number();
            Optional<String> not = said(controller.set(uid, Pid.DMX_PERSONALITY, number));
            if (not.isPresent()) {
                return not;
            }
        }
        if (change.start().isPresent()) {
            int slot = change.start().get();
            return said(controller.set(uid, Pid.DMX_START_ADDRESS, (byte) (slot >> Byte.SIZE), (byte) slot));
        }
        return Optional.empty();
    }

    public Optional<String> identify(Uid uid, boolean on) {
        return said(controller.set(uid, Pid.IDENTIFY_DEVICE, (byte) (on ? 1 : 0)));
    }

    public Optional<String> lamp(Uid uid, boolean on) {
        return said(controller.set(uid, Pid.LAMP_STATE, (byte) (on ? 1 : 0)));
    }

    /** @param label is cut to what a device can hold */
    public Optional<String> label(Uid uid, String label) {
        return said(controller.set(uid, Pid.DEVICE_LABEL, DeviceReader.octets(DeviceText.of(label))));
    }

    public Optional<String> reset(Uid uid) {
        return said(controller.set(uid, Pid.RESET_DEVICE, WARM));
    }

    private static Optional<String> said(RdmAnswer answer) {
        return answer.done() ? Optional.empty() : Optional.of(answer.trouble());
    }
}
