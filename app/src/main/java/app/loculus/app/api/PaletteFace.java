package app.loculus.app.api;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.LinearRgb;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.Sent;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a palette's niche shows of its content.
 *
 * @param colours as screens show them: what it stands for, and beside it types that visibly differ; at most four
 * @param level percent, −1 where it holds no level
 * @param cone full beam angle in degrees, 0 where it holds none
 * @param picture address of a gobo's picture, empty for none
 * @param spots where its beams land, in metres; at most 24
 * @param word a short text where nothing can be drawn
 */
public record PaletteFace(
        List<String> colours, double level, double cone, String picture, List<SpotView> spots, String word) {

    /** Metres to the audience's right, and upstage. */
    public record SpotView(double x, double y) {}

    private static final int MOST_COLOURS = 4;
    private static final int MOST_SPOTS = 24;
    private static final double VISIBLE = 0.015;

    public static PaletteFace of(Show show, Palette palette) {
        return new PaletteFace(
                colours(show, palette),
                value(show, palette, Attribute.DIMMER)
                        .map(v -> v.fraction().value() * 100)
                        .orElse(-1.0),
                value(show, palette, Attribute.ZOOM)
                        .map(v -> v.function().physicalOf(v.fraction()))
                        .orElse(0.0),
                picture(show, palette),
                spots(show, palette),
                palette.aim().flatMap(show::mark).map(m -> m.name()).orElseGet(() -> word(palette)));
    }

    private static List<String> colours(Show show, Palette palette) {
        Set<String> found = new LinkedHashSet<>();
        palette.intent().ifPresent(c -> found.add(hex(c)));
        boolean holdsColour = palette.intent().isPresent()
                || palette.refers()
                || palette.entries().stream().anyMatch(e -> e.attribute().makesColour());
        for (Coverage.Type type : holdsColour ? show.coverage().types() : List.<Coverage.Type>of()) {
            if (found.size() < MOST_COLOURS) {
                type.units().stream()
                        .findFirst()
                        .flatMap(u -> shown(show, palette, show.patch().get(u.fixture())))
                        .ifPresent(found::add);
            }
        }
        return List.copyOf(found);
    }

    /** The colour a type shows, where it visibly differs from what the palette stands for, or that is not known. */
    private static Optional<String> shown(Show show, Palette palette, Fixture fixture) {
        Mode mode = show.patch().modeOf(fixture);
        for (int cell = 0; cell <= mode.cells(); cell++) {
            Given given = show.resolver().giver().give(palette, new UnitId(fixture.id(), cell));
            boolean differs = given.difference()
                    .map(d -> d.deltaUv() > VISIBLE)
                    .orElse(palette.intent().isEmpty());
            if (given.follow() && differs && !mode.colours(cell).none()) {
                Sent sent = Sent.overHome(mode, cell, given.values());
                sent.masters().forEach(sent::set);
                return new ShownColour(mode, cell, sent::at)
                        .light()
                        .flatMap(l -> l.chromaticity())
                        .map(PaletteFace::hex);
            }
        }
        return Optional.empty();
    }

    /** As a screen shows a colour, as bright as it can. */
    public static String hex(Chromaticity c) {
        return LinearRgb.of(c.withLuminance(1)).normalised().hex();
    }

    private static Optional<app.loculus.core.profile.FunctionValue> value(
            Show show, Palette palette, Attribute attribute) {
        return palette.entries().stream()
                .filter(e -> e.attribute().equals(attribute) && !e.companion())
                .flatMap(e -> place(show, e).stream())
                .max(java.util.Comparator.comparingDouble(v -> v.fraction().value()));
    }

    /** An entry on the first fixture that it is for. */
    private static Optional<app.loculus.core.profile.FunctionValue> place(Show show, Entry e) {
        return first(show, e.scope(), e.attribute()).flatMap(f -> {
            Mode mode = show.patch().modeOf(f);
            return mode.homesOf(0, e.attribute()).stream()
                    .findFirst()
                    .flatMap(cell -> mode.parameter(cell, e.attribute()))
                    .flatMap((Parameter p) -> e.value().in(mode, p));
        });
    }

    private static Optional<Fixture> first(Show show, ScopeKey scope, Attribute attribute) {
        return scope.ownUnit().isPresent()
                ? show.patch().find(scope.ownUnit().get().fixture())
                : show.patch().fixtures().stream()
                        .filter(f -> scope.ownProfile().map(f.profile()::equals).orElse(true)
                                && show.patch().modeOf(f).attributes().contains(attribute))
                        .findFirst();
    }

    private static String picture(Show show, Palette palette) {
        return palette.entries().stream()
                .filter(e -> e.attribute().name().matches("Gobo\\d+"))
                .flatMap(e -> slotPicture(show, e).stream())
                .findFirst()
                .orElse("");
    }

    private static Optional<String> slotPicture(Show show, Entry e) {
        return first(show, e.scope(), e.attribute())
                .flatMap(f -> place(show, e).flatMap(place -> {
                    Profile profile = show.patch().profileOf(f);
                    return place.function()
                            .rangeAt(place.fraction())
                            .filter(r -> r.wheelSlot() > 0)
                            .flatMap(r -> place.function()
                                    .wheel()
                                    .flatMap(profile::wheel)
                                    .flatMap(w -> w.slots().stream()
                                            .skip(r.wheelSlot() - 1L)
                                            .findFirst()
                                            .flatMap(WheelSlot::picture)))
                            .filter(n -> profile.facts().pictures().names().contains(n))
                            .map(n -> "/api/profiles/" + profile.id().value() + "/pictures/" + n);
                }));
    }

    private static List<SpotView> spots(Show show, Palette palette) {
        if (palette.aim().isPresent()) {
            return palette.aim().flatMap(show::mark).stream()
                    .map(m -> new SpotView(m.at().x(), m.at().y()))
                    .toList();
        }
        List<SpotView> spots = new ArrayList<>();
        for (ScopeKey scope : palette.scopes()) {
            Optional<UnitId> unit =
                    scope.ownUnit().filter(u -> palette.entries(scope).containsKey(Attribute.PAN));
            unit.flatMap(u -> landing(show, palette, u))
                    .filter(l -> spots.size() < MOST_SPOTS)
                    .ifPresent(l -> spots.add(new SpotView(l.x(), l.y())));
        }
        return spots;
    }

    private static Optional<Vector3> landing(Show show, Palette palette, UnitId unit) {
        // A preview shows palettes as they were, with units that go.
        Fixture fixture = show.patch().find(unit.fixture()).orElse(null);
        if (fixture == null) {
            return Optional.empty();
        }
        Given given = show.resolver().giver().give(palette, unit);
        Mode mode = show.patch().modeOf(fixture);
        return fixture.pose()
                .flatMap((Pose pose) -> pose.landing(
                        degrees(mode, unit, given, Attribute.PAN), degrees(mode, unit, given, Attribute.TILT)));
    }

    private static double degrees(Mode mode, UnitId unit, Given given, Attribute attribute) {
        AttributeValue value = given.values().get(attribute);
        return mode.parameter(unit.cell(), attribute)
                .flatMap(p -> Optional.ofNullable(value).flatMap(v -> v.in(mode, p)))
                .map(v -> v.function().physicalOf(v.fraction()))
                .orElse(0.0);
    }

    private static String word(Palette palette) {
        return palette.entries().stream()
                .filter(e -> !e.companion())
                .map(e -> e.value().as(WORDS))
                .filter(w -> !w.isEmpty())
                .findFirst()
                .orElse("");
    }

    private static final AttributeValue.Cases<String> WORDS = new AttributeValue.Cases<>() {
        @Override
        public String level(double fraction) {
            return Decimal.text(fraction * 100, 0);
        }

        @Override
        public String physical(double value) {
            return Decimal.text(value, 0);
        }

        @Override
        public String named(String name) {
            return name;
        }

        @Override
        public String dmx(app.loculus.core.unit.DmxValue value) {
            return String.valueOf(value.value());
        }

        @Override
        public String aimed(app.loculus.core.geometry.Aiming.Way way) {
            return "";
        }

        @Override
        public String released() {
            return "";
        }

        @Override
        public String moved(app.loculus.core.value.Use use, java.util.Optional<AttributeValue> over) {
            return "";
        }

        @Override
        public String reference(app.loculus.core.value.PaletteId palette) {
            return "";
        }
    };
}
