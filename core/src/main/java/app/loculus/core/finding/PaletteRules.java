package app.loculus.core.finding;

import app.loculus.core.colour.ColourDifference;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** How far palettes reach. */
final class PaletteRules {

    private static final PartKind<?, ?>[] READS = {
        PartKinds.PALETTES, PartKinds.MARKS, PartKinds.FIXTURES, PartKinds.PROFILES
    };

    static final List<Rule> ALL = List.of(new Missing(), new FarOff(), new OutOfReach(), new Unused());

    private PaletteRules() {}

    /** A palette and the type that a finding is about. */
    private record Crossed(Palette palette, Coverage.Type type) {

        String about() {
            return palette.id().value() + "/" + type.profile().value() + "/" + type.mode();
        }

        String type(Show show) {
            return show.profiles().get(type.profile()).name();
        }

        static Optional<Crossed> of(Show show, Finding finding) {
            for (Palette palette : show.palettes()) {
                for (Coverage.Type type : show.coverage().types()) {
                    Crossed one = new Crossed(palette, type);
                    if (finding.key().value().endsWith(":" + one.about())) {
                        return Optional.of(one);
                    }
                }
            }
            return Optional.empty();
        }
    }

    /** The name a line finds a type by: with its maker where another profile has the same name. */
    private static String named(Show show, ProfileId id) {
        Profile profile = show.profiles().get(id);
        boolean twice = show.profiles().all().stream()
                .anyMatch(p -> !p.id().equals(id) && p.name().equalsIgnoreCase(profile.name()));
        return Quoted.of(twice ? profile.fullName() : profile.name());
    }

    /** Some type could follow and gets nothing, or no light. */
    private static final class Missing extends Rule {

        Missing() {
            super("palette-misses", ChapterName.PALETTES, READS);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (Palette palette : show.palettes()) {
                List<Coverage.Type> types = show.coverage().types();
                List<Coverage.Crossing> all = show.coverage().of(palette);
                for (int i = 0; i < types.size(); i++) {
                    if (all.get(i).gap()) {
                        Crossed crossed = new Crossed(palette, types.get(i));
                        boolean dark = all.get(i)
                                .worst()
                                .filter(ColourDifference::dark)
                                .isPresent();
                        found.look(
                                crossed.about(),
                                upper(palette) + " gives " + crossed.type(show) + (dark ? " no light." : " nothing."),
                                Numbers.count(types.get(i).fixtures(), "fixture")
                                        + (all.get(i).words().isEmpty()
                                                ? ""
                                                : "; " + all.get(i).words()),
                                types.get(i).units(),
                                Spot.of(palette));
                    }
                }
            }
        }

        /** Each way is tried on all palettes. */
        @Override
        boolean quick() {
            return false;
        }

        /** From a type whose values have a place here; else at home, which is said to be meant. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            Crossed crossed = Crossed.of(show, finding).orElse(null);
            if (crossed == null) {
                return List.of();
            }
            List<WayOut> ways = new ArrayList<>();
            Palette palette = crossed.palette();
            for (Coverage.Type other : show.coverage().types()) {
                String line = "fill " + Spot.of(palette).line() + " for type "
                        + named(show, crossed.type().profile()) + " from type " + named(show, other.profile());
                boolean fits = ways.isEmpty()
                        && !other.profile().equals(crossed.type().profile())
                        && fits(show, palette, other.profile(), crossed.type())
                        && mends(show, library, finding, line);
                if (fits) {
                    ways.add(WayOut.line(
                            "As " + show.profiles().get(other.profile()).name(), line));
                }
            }
            String home = "fill " + Spot.of(palette).line() + " for type "
                    + named(show, crossed.type().profile()) + " at home";
            if (ways.isEmpty() && mends(show, library, finding, home)) {
                ways.add(WayOut.line("Keep " + crossed.type(show) + " at home there", home));
            }
            return ways;
        }

        private static boolean fits(Show show, Palette palette, ProfileId from, Coverage.Type to) {
            Mode mode = show.profiles().get(to.profile()).mode(to.mode());
            return palette.intent().isEmpty()
                    && palette.entries(new ScopeKey.Type(from)).entrySet().stream()
                            .anyMatch(e -> mode.homesOf(0, e.getKey()).stream()
                                    .anyMatch(cell -> e.getValue()
                                            .value()
                                            .fits(
                                                    mode,
                                                    mode.parameter(cell, e.getKey())
                                                            .orElseThrow())));
        }
    }

    /** Palettes of a kind that come out farther away than an eye lets pass: of each type those it has, since it is the type that cannot. */
    private static final class FarOff extends Rule {

        /** More are counted. */
        private static final int MOST_NAMED = 6;

        FarOff() {
            super("palette-far", ChapterName.PALETTES, READS);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (int i = 0; i < show.coverage().types().size(); i++) {
                for (Map.Entry<Kind, List<Palette>> far : far(show, i).entrySet()) {
                    tell(show, i, far.getKey(), far.getValue(), found);
                }
            }
        }

        private static void tell(Show show, int i, Kind kind, List<Palette> far, Found found) {
            Coverage.Type type = show.coverage().types().get(i);
            Optional<ColourDifference> worst = far.stream()
                    .flatMap(p -> show.coverage().of(p).get(i).worst().stream())
                    .max(Comparator.comparingDouble(ColourDifference::deltaUv));
            found.look(
                    about(type, kind),
                    words(far) + " on " + show.profiles().get(type.profile()).name() + ".",
                    Numbers.count(type.fixtures(), "fixture")
                            + named(far)
                            + worst.map(w -> "; at worst Δ " + Decimal.text(w.deltaUv(), 3))
                                    .orElse(""),
                    type.units(),
                    Spot.of(far.get(0)));
        }

        private static boolean ownOnes(Show show, int i, List<Palette> palettes) {
            return palettes.stream()
                    .anyMatch(p -> show.coverage().of(p).get(i).units().containsKey(Follows.OWN));
        }

        /** Without the kind for colours, which most are. */
        private static String about(Coverage.Type type, Kind kind) {
            return type.profile().value() + "/" + type.mode() + (kind == Kind.COLOUR ? "" : "/" + kind.word());
        }

        /** By kind. @param i of the type */
        private static Map<Kind, List<Palette>> far(Show show, int i) {
            Map<Kind, List<Palette>> far = new EnumMap<>(Kind.class);
            for (Palette palette : show.palettes()) {
                Coverage.Crossing c = show.coverage().of(palette).get(i);
                if (c.needsAnEye() && !c.gap()) {
                    far.computeIfAbsent(palette.kind(), k -> new ArrayList<>()).add(palette);
                }
            }
            return far;
        }

        /**
         * What comes out, as values of their own in just this mode: somebody looked at it and means it. That mends it
         * wherever nobody has values of its own alone, and need not be tried.
         */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            for (int i = 0; i < show.coverage().types().size(); i++) {
                Coverage.Type type = show.coverage().types().get(i);
                for (Map.Entry<Kind, List<Palette>> far : far(show, i).entrySet()) {
                    if (finding.key().value().equals(name() + ":" + about(type, far.getKey()))) {
                        Profile profile = show.profiles().get(type.profile());
                        String line = "fill " + far.getKey().word() + " "
                                + far.getValue().stream()
                                        .map(p -> String.valueOf(p.number()))
                                        .collect(Collectors.joining(" + "))
                                + " for type " + Quoted.of(profile.fullName() + " / " + type.mode());
                        return ownOnes(show, i, far.getValue())
                                ? List.of()
                                : List.of(WayOut.line("Keep what comes out", line));
                    }
                }
            }
            return List.of();
        }

        private static String words(List<Palette> far) {
            return far.size() == 1 ? upper(far.get(0)) + " needs a look" : far.size() + " palettes need a look";
        }

        private static String named(List<Palette> far) {
            if (far.size() == 1) {
                return "";
            }
            String names = far.stream()
                    .limit(MOST_NAMED)
                    .map(p -> p.kind().word() + " " + p.number())
                    .collect(Collectors.joining(", "));
            return "; " + names + (far.size() > MOST_NAMED ? " and " + (far.size() - MOST_NAMED) + " more" : "");
        }
    }

    /** Heads that do not get to the mark of a position. */
    private static final class OutOfReach extends Rule {

        OutOfReach() {
            super("out-of-reach", ChapterName.PALETTES, READS);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            Giver giver = show.resolver().giver();
            for (Palette palette : show.palettes()) {
                if (palette.aim().isEmpty()) {
                    continue;
                }
                List<UnitId> short_ = new ArrayList<>();
                String beside = "";
                for (Fixture f : show.patch().fixtures()) {
                    Mode mode = show.patch().modeOf(f);
                    for (int cell = 0; cell <= mode.cells(); cell++) {
                        if (mode.parameter(cell, Attribute.PAN).isPresent()
                                && f.pose().isPresent()) {
                            UnitId unit = new UnitId(f.id(), cell);
                            Given given = giver.give(palette, unit);
                            if (given.outOfReach()) {
                                short_.add(unit);
                                beside = beside.isEmpty() ? given.words() : beside;
                            }
                        }
                    }
                }
                if (!short_.isEmpty()) {
                    found.look(
                            palette.id().value(),
                            numbers(show, short_) + " cannot reach " + palette + ".",
                            short_.size() == 1 ? beside : "",
                            short_,
                            Spot.of(palette));
                }
            }
        }

        /** As near as they get, which then is a position of their own; else without it. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            String line = "fill " + finding.spot().orElseThrow().line() + " for " + numbers(show, finding.who());
            return mends(show, library, finding, line)
                    ? List.of(WayOut.line("Keep them as near as they get", line))
                    : List.of();
        }
    }

    /** Values for a type that nobody is of. */
    private static final class Unused extends Rule {

        Unused() {
            super("palette-nobody", ChapterName.PALETTES, READS);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (Palette palette : show.palettes()) {
                boolean global = palette.scopes().stream().anyMatch(s -> s instanceof ScopeKey.Global);
                boolean used = palette.entries().isEmpty()
                        || global
                        || palette.intent().isPresent()
                        || palette.aim().isPresent()
                        || palette.scopes().stream().anyMatch(s -> somebody(show, s));
                if (!used) {
                    found.look(
                            palette.id().value(),
                            upper(palette) + " holds values for types that are not patched.",
                            "",
                            List.of(),
                            Spot.of(palette));
                }
            }
        }

        private static boolean somebody(Show show, ScopeKey scope) {
            return scope.ownUnit().isPresent()
                    || show.coverage().types().stream()
                            .anyMatch(t -> scope.equals(new ScopeKey.Type(t.profile()))
                                    || scope.equals(new ScopeKey.TypeMode(t.profile(), t.mode())));
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return List.of(WayOut.line(
                    "Delete it", "delete " + finding.spot().orElseThrow().line()));
        }
    }

    static String upper(Object named) {
        String text = named.toString();
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
