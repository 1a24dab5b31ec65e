package app.loculus.core.carry;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Family;
import app.loculus.core.profile.ProfileId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What one fixture has to be like to do another's work: the same for all of one type, so it is asked once for each type
 * and not for each two of thousands of fixtures.
 *
 * @param type the profile by its full name
 * @param light whether it gives light
 * @param colours whether it makes colours
 * @param heads whether it turns
 */
record Traits(Family family, String type, boolean light, boolean colours, boolean heads) {

    private record Type(ProfileId profile, String mode) {}

    /** Those of the fixtures of one patch. */
    static final class Of {
        private final Patch patch;
        private final Map<Type, Traits> known = new HashMap<>();

        Of(Patch patch) {
            this.patch = patch;
        }

        Traits of(Fixture f) {
            return known.computeIfAbsent(new Type(f.profile(), f.mode()), t -> asked(f));
        }

        private Traits asked(Fixture f) {
            List<Attribute> attributes = List.copyOf(patch.modeOf(f).attributes());
            Family family = Family.of(patch.profileOf(f));
            return new Traits(
                    family,
                    patch.profileOf(f).fullName(),
                    family != Family.ATMOSPHERE && attributes.stream().anyMatch(Attribute::isLight),
                    attributes.stream().anyMatch(Attribute::makesColour),
                    attributes.contains(Attribute.PAN));
        }
    }

    /** @return 0 where one cannot do the other's work at all */
    int likeness(Traits other, boolean together) {
        boolean same = family == other.family;
        if (!same && !(light && other.light)) {
            return 0;
        }
        return (type.equals(other.type) ? 16 : same ? 8 : 1)
                + (together ? 4 : 0)
                + (colours == other.colours ? 2 : 0)
                + (heads == other.heads ? 1 : 0);
    }
}
