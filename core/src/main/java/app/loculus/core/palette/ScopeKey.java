package app.loculus.core.palette;

import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.ProfileId;
import java.util.Optional;
import java.util.function.Function;

/** For whom one entry holds. */
public sealed interface ScopeKey {

    Scope scope();

    /** The one unit it is for, if it is for one. */
    default Optional<UnitId> ownUnit() {
        return Optional.empty();
    }

    /** The profile it is for, if it is for one. */
    default Optional<ProfileId> ownProfile() {
        return Optional.empty();
    }

    /** The one mode of that profile it is for, if it is for one. */
    default Optional<String> ownMode() {
        return Optional.empty();
    }

    /** Whether it is for fixtures of this profile and mode, and not for all or for one alone. */
    default boolean isOf(ProfileId profile, String mode) {
        return ownProfile().filter(profile::equals).isPresent();
    }

    /** The same for another type; scopes that are of no type stay. */
    default ScopeKey carriedTo(ProfileId profile, String mode) {
        return this;
    }

    /** For whom, in words. @param name calls a profile by its name */
    String words(Function<ProfileId, String> name);

    /** Everything that has the attribute. */
    record Global() implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.GLOBAL;
        }

        @Override
        public String words(Function<ProfileId, String> name) {
            return "global";
        }
    }

    /** Every fixture of a profile. */
    record Type(ProfileId profile) implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.PER_TYPE;
        }

        @Override
        public Optional<ProfileId> ownProfile() {
            return Optional.of(profile);
        }

        @Override
        public ScopeKey carriedTo(ProfileId other, String mode) {
            return new Type(other);
        }

        @Override
        public String words(Function<ProfileId, String> name) {
            return name.apply(profile);
        }
    }

    /** Every fixture of a profile in one mode. */
    record TypeMode(ProfileId profile, String mode) implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.PER_TYPE;
        }

        @Override
        public Optional<ProfileId> ownProfile() {
            return Optional.of(profile);
        }

        @Override
        public Optional<String> ownMode() {
            return Optional.of(mode);
        }

        @Override
        public boolean isOf(ProfileId other, String otherMode) {
            return profile.equals(other) && mode.equals(otherMode);
        }

        @Override
        public ScopeKey carriedTo(ProfileId other, String otherMode) {
            return new TypeMode(other, otherMode);
        }

        @Override
        public String words(Function<ProfileId, String> name) {
            return name.apply(profile) + " / " + mode;
        }
    }

    /** One unit alone. */
    record Unit(UnitId unit) implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.PER_FIXTURE;
        }

        @Override
        public Optional<UnitId> ownUnit() {
            return Optional.of(unit);
        }

        @Override
        public String words(Function<ProfileId, String> name) {
            return "single units";
        }
    }
}
