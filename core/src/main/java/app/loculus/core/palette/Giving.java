package app.loculus.core.palette;

import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.AdditiveSystem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswer;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Sent;
import app.loculus.core.value.ShownColour;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntToLongFunction;
import java.util.stream.Stream;

/**
 * One palette on one unit. For each attribute the first that exists counts: the unit's entry, its mode's, its type's,
 * the global one; the mix of a colour counts as one. A mix is used by a unit that has all of its attributes; emitters
 * beyond it that would shine with it go dark. Where nothing narrower makes the colour, it is computed from the intent. A
 * unit that would be given nothing takes of the beam, the shape or the wheels what the most similar type has, as far as
 * it means the same here: a slot by its name, an angle within its range.
 */
final class Giving {

    private final Palette palette;
    private final Profile profile;
    private final Mode mode;
    private final int cell;
    private final List<ScopeKey> scopes;
    private final Optional<ColourAnswer> answer;
    private final Optional<Aimed> aimed;
    private final Function<PaletteId, Optional<Given>> others;
    private final Profiles profiles;
    private final Map<ScopeKey, List<Entry>> effective = new HashMap<>();
    private Optional<ColourDifference> through = Optional.empty();

    private final Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
    private final Set<Attribute> companions = new LinkedHashSet<>();
    /** Where mode channels would stand that are used, by channel. */
    private final Map<Integer, Long> wished = new LinkedHashMap<>();

    /** The narrowest scope of what only comes along. */
    private int beside = Integer.MAX_VALUE;

    private Follows follows = Follows.NONE;
    private String way = "";

    /** @param scopes from the narrowest to the global one */
    Giving(
            Palette palette,
            Profile profile,
            Mode mode,
            int cell,
            List<ScopeKey> scopes,
            Optional<ColourAnswer> answer,
            Optional<Aimed> aimed,
            Function<PaletteId, Optional<Given>> others,
            Profiles profiles) {
        this.profiles = profiles;
        this.aimed = aimed;
        this.others = others;
        this.palette = palette;
        this.profile = profile;
        this.mode = mode;
        this.cell = cell;
        this.scopes = scopes;
        this.answer = answer;
    }

    Given given() {
        boolean computed = colour();
        for (int i = 0; i < scopes.size(); i++) {
            for (Entry entry : entries(i)) {
                boolean ofColour = entry.attribute().isMix()
                        || computed && entry.attribute().isColourWheel() && forAll(entry);
                if (entry.companion() && forAll(entry)) {
                    along(entry);
                } else if (!ofColour && usable(entry) && free(entry.attribute())) {
                    values.put(entry.attribute(), entry.value());
                    if (entry.companion()) {
                        companions.add(entry.attribute());
                        beside = Math.min(beside, i);
                    } else {
                        uses(i);
                    }
                }
            }
        }
        if (computed) {
            answer.orElseThrow().closings().forEach((attribute, home) -> {
                if (values.putIfAbsent(attribute, home) == null) {
                    companions.add(attribute);
                }
            });
        }
        aim();
        if (follows == Follows.NONE && beside < scopes.size()) {
            // Its cells follow, and it has the mode channel that they need.
            uses(beside);
        }
        if (follows == Follows.NONE) {
            like();
        }
        if (follows == Follows.NONE) {
            return new Given(Map.of(), Set.of(), Follows.NONE, Optional.empty(), whyNot());
        }
        masters();
        return new Given(values, companions, follows, difference(), way.isEmpty() || own() ? follows.words() : way);
    }

    private boolean own() {
        return follows.compareTo(Follows.COMPUTED) < 0;
    }

    /** What the most similar of the types has that have something of use here. */
    private void like() {
        Optional<ProfileId> similar = palette.scopes().stream()
                .flatMap(s -> s.ownProfile().stream())
                .distinct()
                .filter(other -> !lent(other).isEmpty())
                .max(Comparator.comparingLong(this::shared).thenComparing(ProfileId::value, Comparator.reverseOrder()));
        similar.ifPresent(other -> {
            lent(other).forEach(e -> values.put(e.attribute(), e.value()));
            follows = Follows.LIKE;
            way = "as " + profiles.get(other).name();
        });
    }

    private List<Entry> lent(ProfileId other) {
        return palette.kind() == Kind.COMBINED || palette.refers()
                ? List.of()
                : palette.entries(new ScopeKey.Type(other)).values().stream()
                        .filter(e -> !e.companion() && usable(e) && meansTheSame(e))
                        .toList();
    }

    private boolean meansTheSame(Entry e) {
        Kind kind = profile.kindOf(e.attribute());
        boolean visible = kind == Kind.BEAM
                || kind == Kind.SHAPE
                || kind == Kind.COLOUR && e.attribute().isColourWheel();
        return visible
                && (!(e.value() instanceof AttributeValue.Physical p)
                        || mode.functionReaching(
                                        mode.parameter(cell, e.attribute()).orElseThrow(), p.value())
                                .reaches(p.value()));
    }

    private long shared(ProfileId other) {
        return profiles.get(other).attributes().stream()
                .filter(d -> profile.attributes().stream()
                        .anyMatch(o -> o.attribute().equals(d.attribute())))
                .count();
    }

    /** What came along for everybody: a wheel is closed as this one is, a mode channel moves only where it is needed. */
    private void along(Entry entry) {
        mode.parameter(cell, entry.attribute()).ifPresent(p -> {
            if (!entry.attribute().isColourWheel() && !entry.attribute().isColourCorrection()) {
                entry.value().in(mode, p).ifPresent(place -> wished.put(p.channel(), place.dmx()));
            } else if (values.putIfAbsent(entry.attribute(), AttributeValue.home(mode, p)) == null) {
                companions.add(entry.attribute());
            }
        });
    }

    /** Pan and tilt at the mark, where nothing narrower says them. */
    private void aim() {
        if (aimed.isEmpty() || values.containsKey(Attribute.PAN) || values.containsKey(Attribute.TILT)) {
            return;
        }
        aimed.get().aim().ifPresent(a -> {
            values.putAll(aimed.get().values(a));
            follows = follows == Follows.NONE ? Follows.COMPUTED : follows;
            way = aimed.get().words(a);
        });
    }

    private void uses(int scope) {
        Follows used = Follows.values()[scope];
        follows = used.compareTo(follows) < 0 ? used : follows;
    }

    /** The mix. @return whether it is computed from the intent */
    private boolean colour() {
        boolean narrow = false;
        for (int i = 0; i < scopes.size(); i++) {
            List<Entry> mix = entries(i, Attribute::isMix);
            boolean global = mix.stream().allMatch(Giving::forAll);
            if (!mix.isEmpty() && mix.stream().allMatch(this::usable) && (!global || together(mix))) {
                mix.forEach(e -> values.put(e.attribute(), e.value()));
                fill();
                uses(i);
                return false;
            }
            narrow |= entries(i, Attribute::isColourWheel).stream().anyMatch(e -> usable(e) && !forAll(e));
        }
        if (narrow || answer.isEmpty()) {
            return false;
        }
        values.putAll(answer.get().values());
        follows = Follows.COMPUTED;
        way = answer.get().way();
        return true;
    }

    /** Whether everything that shines in a mix can shine at once here. */
    private boolean together(List<Entry> mix) {
        Set<Attribute> lit = new LinkedHashSet<>();
        for (Entry e : mix) {
            Parameter p = mode.parameter(cell, e.attribute()).orElseThrow();
            e.value().in(mode, p).filter(place -> place.light() > 0).ifPresent(place -> lit.add(e.attribute()));
        }
        lit.removeIf(a -> !a.isVisibleAdditive());
        return mode.colours(cell).additive().size() < 2
                || mode.colours(cell).additive().stream()
                        .anyMatch(s -> s.attributes().containsAll(lit));
    }

    private List<Entry> entries(int scope, java.util.function.Predicate<Attribute> which) {
        return entries(scope).stream().filter(e -> which.test(e.attribute())).toList();
    }

    /** The entries at a scope; those that refer to another palette are all that it gives this unit. */
    private List<Entry> entries(int scope) {
        return palette.refers()
                ? effective.computeIfAbsent(scopes.get(scope), this::followed)
                : List.copyOf(palette.entries(scopes.get(scope)).values());
    }

    private static boolean forAll(Entry entry) {
        return entry.scope().scope() == Scope.GLOBAL;
    }

    /** What another palette gives this unit is meant for it, corrections included, also where all follow that one. */
    private List<Entry> followed(ScopeKey scope) {
        ScopeKey theirs = scope.scope() == Scope.GLOBAL ? new ScopeKey.Type(profile.id()) : scope;
        Map<Attribute, Entry> entries = palette.entries(scope);
        Map<Attribute, Entry> all = new LinkedHashMap<>();
        entries.values()
                .forEach(e -> e.value().followed().flatMap(others).ifPresent(given -> {
                    given.values().forEach((attribute, value) -> {
                        boolean own = entries.containsKey(attribute)
                                && !entries.get(attribute)
                                        .value()
                                        .followed()
                                        .equals(e.value().followed());
                        if (!own) {
                            all.put(
                                    attribute,
                                    new Entry(
                                            theirs,
                                            attribute,
                                            value,
                                            given.companions().contains(attribute)));
                        }
                    });
                    through = through.or(given::difference);
                }));
        entries.values().stream().filter(e -> e.value().followed().isEmpty()).forEach(e -> all.put(e.attribute(), e));
        return List.copyOf(all.values());
    }

    /** A named range that the unit's function does not know is of no use to it. */
    private boolean usable(Entry entry) {
        boolean wayOnly = entry.value() instanceof AttributeValue.Aimed;
        return !wayOnly
                && mode.parameter(cell, entry.attribute())
                        .map(p -> entry.value().fits(mode, p))
                        .orElse(false);
    }

    /** Emitters of the same system that the mix does not name add nothing to it. */
    private void fill() {
        Stream<AdditiveSystem> used = mode.colours(cell).additive().stream()
                .filter(s -> s.attributes().stream().anyMatch(this::shining));
        used.flatMap(s -> s.attributes().stream())
                .filter(this::free)
                .toList()
                .forEach(a -> values.put(
                        a,
                        AttributeValue.of(
                                mode,
                                mode.parameter(cell, a).orElseThrow(),
                                app.loculus.core.profile.FunctionValue.lit(
                                        mode.parameter(cell, a).orElseThrow().function(), 0))));
    }

    /** Whether nothing is said of its channel yet. */
    private boolean free(Attribute attribute) {
        return mode.sharing(cell, attribute).stream().noneMatch(values::containsKey);
    }

    private boolean shining(Attribute attribute) {
        AttributeValue value = values.get(attribute);
        Parameter parameter = mode.parameter(cell, attribute).orElseThrow();
        return value != null
                && value.in(mode, parameter).map(p -> p.light() > 0).orElse(false);
    }

    /** Mode channels of the cell that have to move, or were recorded for what is used here. */
    private void masters() {
        IntToLongFunction home = Sent.home(mode);
        Sent sent = new Sent(mode, cell, c -> wished.getOrDefault(c, home.applyAsLong(c)));
        values.forEach(sent::set);
        sent.masters().forEach((channel, dmx) -> {
            if (mode.channels().get(channel).cell() == cell) {
                Attribute attribute = mode.calledBy(channel, dmx);
                // Where the palette says how it stood, it stands there, also beside emitters that do not work then.
                if (free(attribute)) {
                    values.put(attribute, AttributeValue.sent(mode.channels().get(channel), dmx));
                    companions.add(attribute);
                }
            }
        });
    }

    private Optional<ColourDifference> difference() {
        boolean colours = values.keySet().stream().anyMatch(a -> a.isMix() || a.isColourWheel());
        return palette.intent()
                .filter(i -> colours)
                .flatMap(intent -> {
                    Sent sent = Sent.overHome(mode, cell, values);
                    sent.masters().forEach(sent::set);
                    Optional<Tristimulus> light = new ShownColour(mode, cell, sent::at).light();
                    return light.map(l -> ColourDifference.between(l, intent));
                })
                .or(() -> through);
    }

    private String whyNot() {
        if (palette.kind() == Kind.COLOUR && mode.colours(cell).none()) {
            return profile.name() + " has neither mix nor wheel";
        }
        return aimed.map(a -> a.whyNot(profile.name())).orElse("nothing recorded fits " + profile.name());
    }
}
