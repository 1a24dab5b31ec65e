package app.loculus.core.patch;

import app.loculus.core.geometry.Pose;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.ProfileId;
import java.util.List;
import java.util.Optional;

/**
 * One fixture of a show.
 *
 * @param number positive, unique in the show
 * @param addresses none for a fixture that is not patched
 * @param pose where it hangs, if that is known
 * @param position name of its hanging position, may be empty
 * @param purpose what it is for, may be empty
 * @param notes whatever the crew wants to remember, may be empty
 * @param bringUp how it answered when it was brought up
 * @param inverted which ways it is set to turn the other way round
 * @param gel colour filter in front of it, if there is one
 */
public record Fixture(
        FixtureId id,
        int number,
        String name,
        ProfileId profile,
        String mode,
        List<PatchedAddress> addresses,
        Optional<Pose> pose,
        String position,
        String purpose,
        String notes,
        BringUp bringUp,
        Inverted inverted,
        Optional<Gel> gel) {

    public static final int LAST_NUMBER = 999_999;

    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_PURPOSE = 400;
    private static final int LONGEST_NOTES = 1000;

    /** A fixture nobody has brought up or written notes about. */
    public Fixture(
            FixtureId id,
            int number,
            String name,
            ProfileId profile,
            String mode,
            List<PatchedAddress> addresses,
            Optional<Pose> pose,
            String position,
            String purpose) {
        this(
                id,
                number,
                name,
                profile,
                mode,
                addresses,
                pose,
                position,
                purpose,
                "",
                BringUp.NOT_TRIED,
                Inverted.NONE,
                Optional.empty());
    }

    public Fixture {
        if (number < 1 || number > LAST_NUMBER) {
            throw Refusal.of(
                    "patch.number", "numbers", "Fixture number " + number + " is outside 1 to " + LAST_NUMBER + ".");
        }
        atMost("name", name, LONGEST_NAME);
        atMost("position", position, LONGEST_NAME);
        atMost("purpose", purpose, LONGEST_PURPOSE);
        notes = notes == null ? "" : notes;
        // What earlier versions wrote does not have it.
        inverted = inverted == null ? Inverted.NONE : inverted;
        gel = gel == null ? Optional.empty() : gel;
        bringUp = bringUp == null ? BringUp.NOT_TRIED : bringUp;
        atMost("notes", notes, LONGEST_NOTES);
        addresses = List.copyOf(addresses);
    }

    private static void atMost(String what, String text, int longest) {
        if (text.length() > longest) {
            throw Refusal.of(
                    "patch.text",
                    what,
                    "A " + what + " has at most " + longest + " characters; “" + text.substring(0, 20) + "…” has "
                            + text.length() + ".");
        }
    }

    public Fixture at(List<PatchedAddress> newAddresses) {
        return new Fixture(
                id, number, name, profile, mode, newAddresses, pose, position, purpose, notes, bringUp, inverted, gel);
    }

    public Fixture numbered(int newNumber) {
        return new Fixture(
                id, newNumber, name, profile, mode, addresses, pose, position, purpose, notes, bringUp, inverted, gel);
    }

    public Fixture named(String newName) {
        return new Fixture(
                id, number, newName, profile, mode, addresses, pose, position, purpose, notes, bringUp, inverted, gel);
    }

    /** As another kind of fixture, or in another mode. */
    public Fixture as(ProfileId newProfile, String newMode) {
        return new Fixture(
                id,
                number,
                name,
                newProfile,
                newMode,
                addresses,
                pose,
                position,
                purpose,
                notes,
                bringUp,
                inverted,
                gel);
    }

    public Fixture placed(Pose newPose) {
        return new Fixture(
                id,
                number,
                name,
                profile,
                mode,
                addresses,
                Optional.of(newPose),
                position,
                purpose,
                notes,
                bringUp,
                inverted,
                gel);
    }

    public Fixture described(String newPosition, String newPurpose) {
        return new Fixture(
                id,
                number,
                name,
                profile,
                mode,
                addresses,
                pose,
                newPosition,
                newPurpose,
                notes,
                bringUp,
                inverted,
                gel);
    }

    public Fixture noted(String newNotes) {
        return new Fixture(
                id, number, name, profile, mode, addresses, pose, position, purpose, newNotes, bringUp, inverted, gel);
    }

    public Fixture broughtUp(BringUp how) {
        return new Fixture(
                id, number, name, profile, mode, addresses, pose, position, purpose, notes, how, inverted, gel);
    }

    public Fixture turning(Inverted how) {
        return new Fixture(
                id, number, name, profile, mode, addresses, pose, position, purpose, notes, bringUp, how, gel);
    }

    public Fixture gelled(Optional<Gel> other) {
        return new Fixture(
                id, number, name, profile, mode, addresses, pose, position, purpose, notes, bringUp, inverted, other);
    }

    public boolean patched() {
        return !addresses.isEmpty();
    }
}
