package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupId;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.PaletteId;
import java.util.Objects;
import java.util.Optional;

/** One part of a show becoming another; what was there before comes along, so that it can be taken back. */
public sealed interface Change {

    /** The part of the show that changes; two changes of one part have equal keys. */
    Object part();

    /** What kind of part that is: show, profiles, fixtures, groups, palettes, values, hand or universes. */
    String area();

    Change reversed();

    /** This change as it looks from before an earlier change of the same part. */
    Change following(Change earlier);

    /** Whether before and after are the same. */
    boolean idle();

    void applyTo(Show.Parts parts);

    /** The show's name. */
    record Name(String before, String after) implements Change {
        @Override
        public Object part() {
            return "name";
        }

        @Override
        public String area() {
            return "show";
        }

        @Override
        public Change reversed() {
            return new Name(after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new Name(((Name) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return before.equals(after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.rename(after);
        }
    }

    /** The show's own copy of a profile. */
    record OfProfile(ProfileId id, Optional<Profile> before, Optional<Profile> after) implements Change {
        @Override
        public Object part() {
            return id;
        }

        @Override
        public String area() {
            return "profiles";
        }

        @Override
        public Change reversed() {
            return new OfProfile(id, after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new OfProfile(id, ((OfProfile) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return before.equals(after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.profile(id, after);
        }
    }

    /** A fixture. */
    record OfFixture(FixtureId id, Optional<Fixture> before, Optional<Fixture> after) implements Change {
        @Override
        public Object part() {
            return id;
        }

        @Override
        public String area() {
            return "fixtures";
        }

        @Override
        public Change reversed() {
            return new OfFixture(id, after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new OfFixture(id, ((OfFixture) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return before.equals(after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.fixture(id, after);
        }
    }

    /** A group. */
    record OfGroup(GroupId id, Optional<Group> before, Optional<Group> after) implements Change {
        @Override
        public Object part() {
            return id;
        }

        @Override
        public String area() {
            return "groups";
        }

        @Override
        public Change reversed() {
            return new OfGroup(id, after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new OfGroup(id, ((OfGroup) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return before.equals(after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.group(id, after);
        }
    }

    /** A palette. */
    record OfPalette(PaletteId id, Optional<Palette> before, Optional<Palette> after) implements Change {
        @Override
        public Object part() {
            return id;
        }

        @Override
        public String area() {
            return "palettes";
        }

        @Override
        public Change reversed() {
            return new OfPalette(id, after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new OfPalette(id, ((OfPalette) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return before.equals(after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.palette(id, after);
        }
    }

    /** The working values of a unit. */
    record OfValues(UnitId unit, UnitValues before, UnitValues after) implements Change {
        @Override
        public Object part() {
            return unit;
        }

        @Override
        public String area() {
            return "values";
        }

        @Override
        public Change reversed() {
            return new OfValues(unit, after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new OfValues(unit, ((OfValues) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return Objects.equals(before, after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.values(unit, after);
        }
    }

    /** What is in hand. */
    record OfHand(Hand before, Hand after) implements Change {
        @Override
        public Object part() {
            return "hand";
        }

        @Override
        public String area() {
            return "hand";
        }

        @Override
        public Change reversed() {
            return new OfHand(after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new OfHand(((OfHand) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return before.equals(after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.hand(after);
        }
    }

    /** What a universe is called and where it goes. */
    record OfUniverse(int universe, Optional<UniverseSetup> before, Optional<UniverseSetup> after) implements Change {
        @Override
        public Object part() {
            return "universe " + universe;
        }

        @Override
        public String area() {
            return "universes";
        }

        @Override
        public Change reversed() {
            return new OfUniverse(universe, after, before);
        }

        @Override
        public Change following(Change earlier) {
            return new OfUniverse(universe, ((OfUniverse) earlier).before, after);
        }

        @Override
        public boolean idle() {
            return before.equals(after);
        }

        @Override
        public void applyTo(Show.Parts parts) {
            parts.universe(universe, after);
        }
    }
}
