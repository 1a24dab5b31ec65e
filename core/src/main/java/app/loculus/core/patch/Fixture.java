package app.loculus.core.patch;

import app.loculus.core.geometry.Pose;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.ProfileId;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

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
        return but(said -> said.addresses = newAddresses);
    }

    public Fixture numbered(int newNumber) {
        return but(said -> said.number = newNumber);
    }

    public Fixture named(String newName) {
        return but(said -> said.name = newName);
    }

    /** As another kind of fixture, or in another mode. */
    public Fixture as(ProfileId newProfile, String newMode) {
        return but(said -> {
            said.profile = newProfile;
            said.mode = newMode;
        });
    }

    public Fixture placed(Pose newPose) {
        return but(said -> said.pose = Optional.of(newPose));
    }

    public Fixture described(String newPosition, String newPurpose) {
        return but(said -> {
            said.position = newPosition;
            said.purpose = newPurpose;
        });
    }

    public Fixture noted(String newNotes) {
        return but(said -> said.notes = newNotes);
    }

    public Fixture broughtUp(BringUp how) {
        return but(said -> said.bringUp = how);
    }

    public Fixture turning(Inverted how) {
        return but(said -> said.inverted = how);
    }

    public Fixture gelled(Optional<Gel> other) {
        return but(said -> said.gel = other);
    }

    public boolean patched() {
        return !addresses.isEmpty();
    }

    private Fixture but(Consumer<Said> change) {
        Said said = new Said(this);
        change.accept(said);
        return said.fixture();
    }

    /** What is said of a fixture, while something of it is being changed. Its id stays. */
    private static final class Said {
        private final FixtureId id;
        private int number;
        private String name;
        private ProfileId profile;
        private String mode;
        private List<PatchedAddress> addresses;
        private Optional<Pose> pose;
        private String position;
        private String purpose;
        private String notes;
        private BringUp bringUp;
        private Inverted inverted;
        private Optional<Gel> gel;

        Said(Fixture of) {
            id = of.id;
            number = of.number;
            name = of.name;
            profile = of.profile;
            mode = of.mode;
            addresses = of.addresses;
            pose = of.pose;
            position = of.position;
            purpose = of.purpose;
            notes = of.notes;
            bringUp = of.bringUp;
            inverted = of.inverted;
            gel = of.gel;
        }

        Fixture fixture() {
            return new Fixture(
                    id, number, name, profile, mode, addresses, pose, position, purpose, notes, bringUp, inverted, gel);
        }
    }
}
