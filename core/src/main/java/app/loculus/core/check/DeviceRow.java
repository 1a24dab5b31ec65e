package app.loculus.core.check;

import app.loculus.core.device.Device;
import app.loculus.core.device.FoundDevices.Unclear;
import app.loculus.core.device.KnownDevice;
import app.loculus.core.device.Personality;
import app.loculus.core.patch.Claim;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profiles;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * One place of the patch, what hangs there, and in what the two differ.
 *
 * @param patched empty for what nobody has patched
 * @param device empty for what did not answer
 * @param spot which part of the rig it is, when it is patched
 * @param by how it is known that the two are one
 * @param faults none when all is right
 * @param partner the fixture that has its address and whose address it has, or that it may stand in for
 */
public record DeviceRow(
        Optional<Spot> patched,
        Optional<Device> device,
        Optional<Unclear> unclear,
        By by,
        Set<Fault> faults,
        Optional<Integer> partner) {

    /**
     * A part of the rig as it is patched.
     *
     * @param place which of the fixture's addresses it is, 0 for the first
     */
    public record Spot(Claim claim, int place, Profiles.Type type) {

        public int number() {
            return claim.fixture().number();
        }

        KnownDevice known(Device device) {
            return new KnownDevice(device.uid(), claim.fixture().id(), place);
        }

        Mode mode() {
            return type.mode();
        }

        /** {@code 101}, or {@code 101.2} for its second address. */
        public String name() {
            return place == 0 ? String.valueOf(number()) : number() + "." + (place + 1);
        }
    }

    /** How a device was told to be a fixture. */
    public enum By {
        /** Somebody has said so, and it was kept. */
        KNOWN("known"),
        /** Its label says the number. */
        LABEL("its label"),
        /** It has the address and is of the type. */
        ADDRESS("its address"),
        /** It is the only one of its type that is left on the line, or anywhere. */
        LEFT("the only one left of its type"),
        /** It has the address and is something else. */
        PLACE("its address alone"),
        NOTHING("");

        private final String words;

        By(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** In what a device and the patch differ. */
    public enum Fault {
        /** Patched, and nothing answers. */
        MISSING("missing"),
        /** It answers, and is not patched. */
        EXTRA("extra"),
        ADDRESS("wrong address"),
        /** It hangs on the line of another universe: a matter of cables. */
        LINE("wrong line"),
        MODE("wrong mode"),
        TYPE("another type"),
        /** Two of one type, each at the address of the other. */
        SWAPPED("swapped"),
        /** Its identity is on more than one line. */
        DOUBLED("doubled identity"),
        /** Several answer as one, or it fell silent. */
        UNCLEAR("cannot be read");

        private final String words;

        Fault(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public DeviceRow {
        faults = Collections.unmodifiableSet(faults.isEmpty() ? EnumSet.noneOf(Fault.class) : EnumSet.copyOf(faults));
    }

    /** Names it in a request; unique within one comparison. */
    public String key() {
        return patched.map(Spot::name)
                .or(() -> device.map(d -> d.uid() + " on " + d.line()))
                .or(() -> unclear.map(u -> u.uid() + " on " + u.line() + " unclear"))
                .orElse("");
    }

    public boolean right() {
        return faults.isEmpty();
    }

    boolean has(Fault fault) {
        return faults.contains(fault);
    }

    /** Whether a device can be set so that it becomes what is patched: no message mends a cable or makes another type. */
    public boolean settable() {
        return device.isPresent()
                && patched.isPresent()
                && !has(Fault.LINE)
                && !has(Fault.TYPE)
                && !has(Fault.DOUBLED)
                && (has(Fault.ADDRESS) || has(Fault.SWAPPED) || has(Fault.MODE));
    }

    /** What is wrong, a sentence for each. */
    public List<String> words() {
        return faults.stream().map(this::words).toList();
    }

    private String words(Fault fault) {
        String patchedAt = patched.map(s -> s.claim().at().address().toString()).orElse("");
        return switch (fault) {
            case MISSING -> "Nothing answers for " + patchedAt + ". See to its power and its data.";
            case EXTRA ->
                "It is not patched."
                        + partner.map(p -> " It may be a spare for " + p + ", which does not answer.")
                                .orElse("");
            case ADDRESS -> "It is set to " + said() + ", patched is " + patchedAt + ".";
            case LINE ->
                "It hangs on the line of universe "
                        + device.map(Device::line).orElse(0) + ", patched is " + patchedAt
                        + ". Plug it over, or patch it there.";
            case MODE ->
                "It is in mode "
                        + device.flatMap(Device::mode)
                                .map(Personality::toString)
                                .orElse("unknown") + ", patched is “"
                        + patched.map(s -> s.mode().name()).orElse("") + "”.";
            case TYPE ->
                "It is a " + device.map(d -> d.model().toString()).orElse("") + ", patched is a "
                        + patched.map(s -> s.type().profile().fullName()).orElse("") + ".";
            case SWAPPED ->
                "At " + said() + ", the address of " + partner.orElse(0) + ", which is at " + patchedAt + ".";
            case DOUBLED -> "Another one has its identity, so neither can be set.";
            case UNCLEAR ->
                unclear.filter(Unclear::garbled).isPresent()
                        ? "Several answer as one on line "
                                + unclear.map(Unclear::line).orElse(0) + ". Unplug one of them and search again."
                        : "It was found on line " + unclear.map(Unclear::line).orElse(0)
                                + " and does not answer any more.";
        };
    }

    private String said() {
        return device.map(Device::address).orElse("");
    }
}
