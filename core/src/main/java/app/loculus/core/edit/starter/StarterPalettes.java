package app.loculus.core.edit.starter;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.words.Stop;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Works out the starter palettes of a show from what is patched. What several types have by one name is one palette. */
public final class StarterPalettes {

    private record Key(Kind kind, String family, String name) {}

    /** What moves without steps. @param called what its palettes begin with */
    private record Stepped(String family, String called) {}

    private static final Map<String, Stepped> STEPPED = Map.of(
            "Zoom", new Stepped("Zooms", "Zoom"),
            "Iris", new Stepped("Irises", "Iris"),
            "Focus1", new Stepped("Focus", "Focus"),
            "Frost1", new Stepped("Frosts", "Frost"),
            "Shutter1Strobe", new Stepped("Strobes", "Strobe"));

    private static final int[] LEVELS = {0, 10, 25, 50, 75, 100};

    private final Show show;
    private final Map<Key, List<Entry>> found = new LinkedHashMap<>();
    private final Map<Key, Chromaticity> intents = new LinkedHashMap<>();

    private StarterPalettes(Show show) {
        this.show = show;
    }

    public static List<StarterPalette> of(Show show) {
        return new StarterPalettes(show).all();
    }

    private List<StarterPalette> all() {
        Map<Profile, Set<Mode>> types = new LinkedHashMap<>();
        show.patch()
                .fixtures()
                .forEach(f -> types.computeIfAbsent(show.patch().profileOf(f), p -> new LinkedHashSet<>())
                        .add(show.patch().modeOf(f)));
        boolean lit = types.values().stream()
                .flatMap(Set::stream)
                .anyMatch(m -> m.attributes().contains(Attribute.DIMMER));
        if (lit) {
            levels();
        }
        boolean coloured = types.values().stream()
                .flatMap(Set::stream)
                .anyMatch(m -> java.util.stream.IntStream.rangeClosed(0, m.cells())
                        .anyMatch(cell -> !m.colours(cell).none()));
        if (coloured) {
            StarterColours.ALL.forEach((name, colour) -> {
                Key key = new Key(Kind.COLOUR, name.startsWith("White ") ? "Whites" : "Colours", name);
                found.put(key, List.of());
                intents.put(key, colour);
            });
        }
        types.forEach((profile, modes) -> modes.forEach(mode -> ofType(profile, mode)));
        return found.entrySet().stream()
                .map(e -> starter(e.getKey(), e.getValue()))
                .toList();
    }

    private void levels() {
        for (int level : LEVELS) {
            String name = level == 0 ? "Out" : level == 100 ? "Full" : level + " %";
            found.put(
                    new Key(Kind.INTENSITY, "Levels", name),
                    List.of(new Entry(
                            new ScopeKey.Global(), Attribute.DIMMER, AttributeValue.level(level / 100.0), false)));
        }
    }

    private void ofType(Profile profile, Mode mode) {
        for (int cell = 0; cell <= mode.cells(); cell++) {
            for (Parameter p : mode.parameters(cell).values()) {
                ofParameter(profile, mode, p);
            }
        }
        position(profile, mode);
    }

    private void ofParameter(Profile profile, Mode mode, Parameter p) {
        String name = p.attribute().name();
        String pretty = profile.definition(p.attribute()).pretty();
        if (p.attribute().isColourWheel()) {
            slots(profile, mode, p, Kind.COLOUR, "Wheel slots", pretty);
        } else if (name.matches("Gobo\\d+")) {
            slots(profile, mode, p, Kind.BEAM, "Gobos", pretty);
        } else if (name.matches("Prism\\d+")) {
            slots(profile, mode, p, Kind.BEAM, "Prisms", pretty);
        } else if (STEPPED.containsKey(name)) {
            steps(profile, mode, p, STEPPED.get(name));
        } else if (name.equals("Shutter1")) {
            named(profile, mode, p, Kind.BEAM, "Strobes", r -> "Shutter " + r.toLowerCase(Locale.ROOT));
        } else if (profile.kindOf(p.attribute()) == Kind.CONTROL && name.startsWith("Control")) {
            named(profile, mode, p, Kind.CONTROL, "Guarded", r -> r);
        }
    }

    private void put(Key key, Entry entry) {
        List<Entry> entries = found.computeIfAbsent(key, k -> new ArrayList<>());
        boolean had = entries.stream()
                .anyMatch(e -> e.scope().equals(entry.scope()) && e.attribute().equals(entry.attribute()));
        if (!had) {
            entries.add(entry);
        }
    }

    /** Every slot of a wheel by its name; of a second wheel with the wheel's. */
    private void slots(Profile profile, Mode mode, Parameter p, Kind kind, String family, String wheel) {
        boolean further = !p.attribute().name().endsWith("1");
        named(
                profile,
                mode,
                p,
                kind,
                family,
                range -> unlike(further ? range + " (" + wheel + ")" : range, family, p.attribute(), wheel));
    }

    /** A slot may be called like a colour, and a prism like a gobo. */
    private String unlike(String name, String family, Attribute attribute, String wheel) {
        boolean colour = family.equals("Wheel slots")
                && (StarterColours.ALL.keySet().stream().anyMatch(name::equalsIgnoreCase)
                        || taken(Kind.COLOUR, name, attribute));
        boolean prism =
                family.equals("Prisms") && !name.toLowerCase(Locale.ROOT).contains("prism");
        String called = colour ? name + " (slot)" : prism ? "Prism " + name : name;
        return !attribute.isColourWheel() && taken(Kind.BEAM, called, attribute) ? called + " (" + wheel + ")" : called;
    }

    /** Whether a palette of that name is about something else. */
    private boolean taken(Kind kind, String name, Attribute attribute) {
        return show.palettes().stream()
                .filter(p -> p.kind() == kind && p.name().equalsIgnoreCase(name))
                .anyMatch(p -> p.entries().stream().noneMatch(e -> e.attribute().equals(attribute)));
    }

    private void named(
            Profile profile, Mode mode, Parameter p, Kind kind, String family, UnaryOperator<String> called) {
        for (ChannelFunction function : mode.channelOf(p).functions()) {
            boolean slots = function.wheel().isPresent();
            for (NamedRange range : function.ranges()) {
                boolean meant = function.attribute().equals(p.attribute())
                        && !range.name().isBlank()
                        && (!slots || range.wheelSlot() > 0);
                if (meant) {
                    Key key = new Key(kind, family, called.apply(range.name()));
                    put(
                            key,
                            new Entry(
                                    new ScopeKey.Type(profile.id()),
                                    p.attribute(),
                                    new AttributeValue.Named(range.name()),
                                    false));
                }
            }
        }
    }

    private void steps(Profile profile, Mode mode, Parameter p, Stepped stepped) {
        for (Stop stop : Stop.of(mode, p)) {
            put(
                    new Key(Kind.BEAM, stepped.family(), stepped.called() + " " + stop.name()),
                    new Entry(
                            new ScopeKey.Type(profile.id()),
                            p.attribute(),
                            new AttributeValue.Physical(stop.physical()),
                            false));
        }
    }

    private void position(Profile profile, Mode mode) {
        for (int cell = 0; cell <= mode.cells(); cell++) {
            Parameter pan = mode.parameter(cell, Attribute.PAN).orElse(null);
            Parameter tilt = mode.parameter(cell, Attribute.TILT).orElse(null);
            if (pan != null && tilt != null) {
                ScopeKey type = new ScopeKey.Type(profile.id());
                for (Parameter p : List.of(pan, tilt)) {
                    put(
                            new Key(Kind.POSITION, "Positions", "Home"),
                            new Entry(type, p.attribute(), AttributeValue.home(mode, p), false));
                    put(
                            new Key(Kind.POSITION, "Positions", "Straight down"),
                            new Entry(type, p.attribute(), new AttributeValue.Physical(0), false));
                }
            }
        }
    }

    /** Whether a palette lacks an entry, and gives those it is for nothing else in its place. */
    private boolean lacks(Palette palette, Entry entry) {
        return !palette.entries(entry.scope()).containsKey(entry.attribute())
                && show.patch().fixtures().stream()
                        .filter(f -> entry.scope()
                                .ownProfile()
                                .map(f.profile()::equals)
                                .orElse(true))
                        .findFirst()
                        .map(f -> show.patch().modeOf(f).homesOf(0, entry.attribute()).stream()
                                .noneMatch(cell -> show.resolver()
                                        .giver()
                                        .give(palette, new UnitId(f.id(), cell))
                                        .values()
                                        .containsKey(entry.attribute())))
                        .orElse(true);
    }

    private StarterPalette starter(Key key, List<Entry> entries) {
        Optional<Palette> there = show.palettes().stream()
                .filter(p -> p.kind() == key.kind() && p.name().equalsIgnoreCase(key.name()))
                .findFirst();
        List<Entry> fresh = entries.stream()
                .filter(e -> there.map(p -> lacks(p, e)).orElse(true))
                .toList();
        return new StarterPalette(
                key.kind(),
                key.family(),
                key.name(),
                Optional.ofNullable(intents.get(key)),
                List.copyOf(entries),
                there,
                fresh);
    }
}
