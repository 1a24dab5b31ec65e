package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A place on the DMX output.
 *
 * @param universe 1 to 63999
 * @param slot 1 to 512
 */
public record Address(int universe, int slot) implements Comparable<Address> {

    public static final int SLOTS = 512;
    public static final int LAST_UNIVERSE = 63999;

    private static final Pattern FORM = Pattern.compile("(\\d{1,9})\\.(\\d{1,9})");

    public Address {
        if (universe < 1 || universe > LAST_UNIVERSE) {
            throw Refusal.of(
                    "patch.universe", "address", "Universe " + universe + " is outside 1 to " + LAST_UNIVERSE + ".");
        }
        if (slot < 1 || slot > SLOTS) {
            throw Refusal.of(
                    "patch.slot",
                    "address",
                    "Slot " + slot + " of " + universe + "." + slot + " is outside 1 to 512.",
                    WayOut.advice("Addresses are written universe.slot, such as 3.441."));
        }
    }

    public static Address parse(String text) {
        Matcher form = FORM.matcher(text.strip());
        if (!form.matches()) {
            throw Refusal.of(
                    "patch.address",
                    "address",
                    "“" + text.strip() + "” is no address.",
                    WayOut.advice("Addresses are written universe.slot, such as 3.441."));
        }
        return new Address(Integer.parseInt(form.group(1)), Integer.parseInt(form.group(2)));
    }

    /** Whether a footprint of this many slots stays inside the universe. */
    public boolean fits(int slots) {
        return slot + slots - 1 <= SLOTS;
    }

    public Address nextUniverse() {
        return new Address(universe + 1, 1);
    }

    /** The address {@code slots} further on; runs on into the next universe when this one is full. */
    public Address after(int slots) {
        return slot + slots <= SLOTS ? new Address(universe, slot + slots) : nextUniverse();
    }

    /** Slots from 1.1 on, all universes in a row, counted from 0. */
    public int absolute() {
        return (universe - 1) * SLOTS + slot - 1;
    }

    /** @param absolute slots from 1.1 on, counted from 0 */
    public static Address ofAbsolute(int absolute) {
        return new Address(Math.floorDiv(absolute, SLOTS) + 1, Math.floorMod(absolute, SLOTS) + 1);
    }

    @Override
    public int compareTo(Address other) {
        return universe != other.universe
                ? Integer.compare(universe, other.universe)
                : Integer.compare(slot, other.slot);
    }

    @Override
    public String toString() {
        return universe + "." + slot;
    }
}
