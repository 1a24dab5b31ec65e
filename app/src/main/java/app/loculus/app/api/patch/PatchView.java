package app.loculus.app.api.patch;

import app.loculus.app.api.ProblemView.WayOutView;
import app.loculus.core.patch.Clash;
import app.loculus.core.patch.ClashWords;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.patch.UniverseUse;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Show;
import app.loculus.core.show.Universes;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Every fixture, every clash, and how full each universe is. */
record PatchView(
        List<FixtureView> fixtures,
        List<ClashView> clashes,
        int clashCount,
        int shareCount,
        List<Integer> clashing,
        List<Integer> sharing,
        List<UniverseView> universes,
        int nextFree,
        long revision) {

    /** Slots of one address of a fixture. */
    record ClaimView(int universe, int from, int to, boolean shared) {}

    /**
     * A fixture.
     *
     * @param form how it is drawn: head, cells, lamp, dimmer or other
     * @param placed whether x, y, z (metres) are known
     * @param turns whether it pans or tilts; @param panInverted whether it is set to pan the other way round
     * @param gel colour filter in front of it, empty for none
     */
    record FixtureView(
            int id,
            int number,
            String name,
            String maker,
            String profile,
            String profileId,
            String mode,
            int slots,
            int cells,
            String address,
            List<ClaimView> claims,
            String position,
            String purpose,
            String form,
            boolean placed,
            double x,
            double y,
            double z,
            boolean clash,
            boolean shared,
            String notes,
            String answer,
            String answerNote,
            boolean turns,
            boolean panInverted,
            boolean tiltInverted,
            String gel) {}

    /**
     * Fixtures on the same slots, with lines that resolve it.
     *
     * @param numbers the first of them
     * @param count how many there are
     */
    record ClashView(
            String span,
            int universe,
            int from,
            int to,
            List<Integer> numbers,
            int count,
            boolean shared,
            String words,
            List<WayOutView> waysOut) {}

    /** Clashes and members that are listed; the others are counted. */
    private static final int MOST_LISTED = 200;

    /**
     * A universe: how full it is, what it is called and where it goes.
     *
     * @param numberText its number outside as it stands on a node; @param numberWords with what that is
     * @param route rig, unicast, multicast, art-net or art-net broadcast
     * @param sync synchronisation address, 0 for none
     */
    record UniverseView(
            int universe,
            int used,
            int longestGap,
            String longestGapAt,
            int fixtures,
            int clashes,
            int shares,
            String name,
            boolean on,
            int port,
            String numberText,
            String numberWords,
            int priority,
            String route,
            String target,
            String targetName,
            int sync) {}

    static PatchView of(Show show, long revision) {
        return of(show, show.patch().fixtures(), revision);
    }

    /** The same with only these fixtures; clashes and universes are always whole. */
    static PatchView of(Show show, Collection<Fixture> fixtures, long revision) {
        Patch patch = show.patch();
        List<Clash> clashes = patch.clashes();
        List<Clash> open = clashes.stream().filter(c -> !c.shared()).toList();
        List<Clash> shared = clashes.stream().filter(Clash::shared).toList();
        Set<Integer> clashing = numbers(open);
        Set<Integer> sharing = numbers(shared);
        ClashWords words = new ClashWords(patch);
        return new PatchView(
                fixtures.stream().map(f -> view(patch, f, clashing, sharing)).toList(),
                Stream.concat(open.stream(), shared.stream())
                        .limit(MOST_LISTED)
                        .map(c -> view(words, c))
                        .toList(),
                open.size(),
                shared.size(),
                List.copyOf(clashing),
                List.copyOf(sharing),
                Universes.used(show).stream()
                        .map(u -> universe(show, u, in(open, u), in(shared, u)))
                        .toList(),
                patch.nextFree(),
                revision);
    }

    private static Set<Integer> numbers(List<Clash> clashes) {
        return clashes.stream().flatMap(c -> c.numbers().stream()).collect(Collectors.toCollection(TreeSet::new));
    }

    private static int in(List<Clash> clashes, int universe) {
        return (int) clashes.stream().filter(c -> c.universe() == universe).count();
    }

    private static FixtureView view(Patch patch, Fixture f, Set<Integer> clashing, Set<Integer> sharing) {
        List<String> addresses =
                f.addresses().stream().map(a -> a.address().toString()).toList();
        return new FixtureView(
                f.id().value(),
                f.number(),
                f.name(),
                patch.profileOf(f).maker(),
                patch.profileOf(f).name(),
                f.profile().value(),
                f.mode(),
                patch.modeOf(f).slots(),
                patch.modeOf(f).cells(),
                String.join(" + ", addresses),
                patch.claimsOf(f).stream()
                        .map(c -> new ClaimView(c.universe(), c.first(), c.last(), c.at().shared()))
                        .toList(),
                f.position(),
                f.purpose(),
                form(patch.modeOf(f)),
                f.pose().isPresent(),
                f.pose().map(p -> p.place().x()).orElse(0.0),
                f.pose().map(p -> p.place().y()).orElse(0.0),
                f.pose().map(p -> p.place().z()).orElse(0.0),
                clashing.contains(f.number()),
                sharing.contains(f.number()),
                f.notes(),
                f.bringUp().answer().word(),
                f.bringUp().note(),
                turns(patch.modeOf(f)),
                f.inverted().pan(),
                f.inverted().tilt(),
                f.gel().map(Gel::toString).orElse(""));
    }

    private static boolean turns(Mode mode) {
        return mode.attributes().contains(Attribute.PAN) || mode.attributes().contains(Attribute.TILT);
    }

    private static String form(Mode mode) {
        if (mode.cells() > 0) {
            return "cells";
        }
        if (mode.parameter(0, Attribute.PAN).isPresent()) {
            return "head";
        }
        if (mode.colours(0).mixes()) {
            return "lamp";
        }
        return mode.parameter(0, Attribute.DIMMER).isPresent() ? "dimmer" : "other";
    }

    private static ClashView view(ClashWords words, Clash c) {
        return new ClashView(
                c.span(),
                c.universe(),
                c.first(),
                c.last(),
                c.numbers().stream().limit(MOST_LISTED).toList(),
                c.numbers().size(),
                c.shared(),
                words.words(c),
                words.waysOut(c).stream()
                        .map(w -> new WayOutView(w.words(), w.line().orElse("")))
                        .toList());
    }

    private static UniverseView universe(Show show, int universe, int clashes, int shares) {
        UniverseUse use = UniverseUse.of(show.patch(), universe);
        UniverseSetup setup = Universes.at(show, universe);
        return new UniverseView(
                universe,
                use.used(),
                use.longestGap(),
                use.longestGapAt().toString(),
                use.fixtures(),
                clashes,
                shares,
                setup.name(),
                setup.on(),
                setup.port(),
                setup.numberText(),
                setup.numberWords(),
                setup.priority(),
                setup.route().kind().word(),
                setup.route().target(),
                setup.route().name(),
                setup.sync());
    }
}
