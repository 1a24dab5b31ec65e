package app.loculus.core.palette;

import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.ProfileId;

/** For whom one entry holds. */
public sealed interface ScopeKey {

    Scope scope();

    /** Everything that has the attribute. */
    record Global() implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.GLOBAL;
        }
    }

    /** Every fixture of a profile. */
    record Type(ProfileId profile) implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.PER_TYPE;
        }
    }

    /** Every fixture of a profile in one mode. */
    record TypeMode(ProfileId profile, String mode) implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.PER_TYPE;
        }
    }

    /** One unit alone. */
    record Unit(UnitId unit) implements ScopeKey {
        @Override
        public Scope scope() {
            return Scope.PER_FIXTURE;
        }
    }
}
