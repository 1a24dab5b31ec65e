package app.loculus.core.programmer;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What showing off looks like in a show: what profiles say, unless something is said here.
 *
 * @param settings values in place of what profiles say, for every type or for one
 * @param colour which every type shows as well as it can, unless something is said of its colours; absent: as its profile
 *     says
 * @param rest the share of its light that everything else keeps meanwhile; absent: it stays as it is
 */
public record HighlightLook(List<Setting> settings, Optional<Chromaticity> colour, Optional<Fraction> rest) {

    /** As the profiles have it. */
    public static final HighlightLook PROFILES = new HighlightLook(List.of(), Optional.empty(), Optional.empty());

    /** @param type absent: every type that has nothing of its own here */
    public record Setting(Optional<ProfileId> type, Attribute attribute, AttributeValue value) {}

    public HighlightLook {
        settings = List.copyOf(settings);
    }

    /** The values for a type: its own attributes first, and what is said for every type. */
    public Map<Attribute, AttributeValue> of(ProfileId type) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        Stream.concat(
                        settings.stream().filter(s -> s.type().isEmpty()),
                        settings.stream().filter(s -> s.type().equals(Optional.of(type))))
                .forEach(s -> values.put(s.attribute(), s.value()));
        return values;
    }

    /** With these in place of all that is said for that type, or for every type. */
    public HighlightLook with(Optional<ProfileId> type, Map<Attribute, AttributeValue> values) {
        Stream<Setting> others = settings.stream().filter(s -> !s.type().equals(type));
        Stream<Setting> own = values.entrySet().stream().map(e -> new Setting(type, e.getKey(), e.getValue()));
        return new HighlightLook(Stream.concat(others, own).toList(), colour, rest);
    }

    /** Whether it is no other than what profiles say. */
    public boolean plain() {
        return settings.isEmpty() && colour.isEmpty();
    }

    /** In that colour, whatever type it is. */
    public HighlightLook coloured(Optional<Chromaticity> wanted) {
        return new HighlightLook(settings, wanted, rest);
    }

    /** The colour that a type is to show, where nothing is said of its colours. */
    public Optional<Chromaticity> colour(ProfileId type) {
        return of(type).keySet().stream().anyMatch(Attribute::makesColour) ? Optional.empty() : colour;
    }

    public HighlightLook resting(Optional<Fraction> share) {
        return new HighlightLook(settings, colour, share);
    }
}
