package app.loculus.app.api.patch;

import app.loculus.app.api.ProblemView.WayOutView;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Clash;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.GapFinder;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Every fixture, every clash, and how full each universe is. */
record PatchView(List<FixtureView> fixtures, List<ClashView> clashes, List<UniverseView> universes, int nextFree) {

    /** Slots of one address of a fixture. */
    record ClaimView(int universe, int from, int to, boolean shared) {}

    /**
     * A fixture.
     *
     * @param form how it is drawn: head, cells, lamp, dimmer or other
     * @param placed whether x, y, z (metres) are known
     */
    record FixtureView(
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
            String notes,
            String answer,
            String answerNote) {}

    /** Two fixtures on the same slots, with lines that resolve it. */
    record ClashView(
            String span, int universe, int from, int to, int one, int other, String words, List<WayOutView> waysOut) {}

    /**
     * A universe: how full it is, what it is called and where it goes.
     *
     * @param route rig, unicast or multicast
     */
    record UniverseView(
            int universe,
            int used,
            int longestGap,
            String longestGapAt,
            int fixtures,
            int clashes,
            String name,
            boolean on,
            int port,
            int priority,
            String route,
            String target,
            String targetName) {}

    static PatchView of(Show show) {
        Patch patch = show.patch();
        List<Clash> clashes = patch.clashes();
        Set<Integer> clashing = new HashSet<>();
        clashes.forEach(c -> {
            clashing.add(c.one().fixture().number());
            clashing.add(c.other().fixture().number());
        });
        return new PatchView(
                patch.fixtures().stream().map(f -> view(patch, f, clashing)).toList(),
                clashes.stream().map(c -> view(patch, c)).toList(),
                show.usedUniverses().stream()
                        .map(u -> universe(show, u, clashes))
                        .toList(),
                patch.nextFree());
    }

    private static FixtureView view(Patch patch, Fixture f, Set<Integer> clashing) {
        List<String> addresses =
                f.addresses().stream().map(a -> a.address().toString()).toList();
        return new FixtureView(
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
                f.notes(),
                f.bringUp().answer().word(),
                f.bringUp().note());
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

    private static ClashView view(Patch patch, Clash c) {
        String words = c.span() + " is claimed twice: " + name(patch, c.one()) + " and " + name(patch, c.other()) + ".";
        List<WayOutView> ways = new ArrayList<>();
        move(patch, c.other()).ifPresent(ways::add);
        move(patch, c.one()).ifPresent(ways::add);
        ways.add(unpatch(c.other()));
        return new ClashView(
                c.span(),
                c.universe(),
                c.first(),
                c.last(),
                c.one().fixture().number(),
                c.other().fixture().number(),
                words,
                ways);
    }

    private static String name(Patch patch, Claim claim) {
        return patch.profileOf(claim.fixture()).name() + " " + claim.fixture().number();
    }

    private static Optional<WayOutView> move(Patch patch, Claim claim) {
        int slots = patch.modeOf(claim.fixture()).slots();
        Optional<Address> gap = new GapFinder(patch).next(new Address(claim.universe(), 1), slots, Optional.empty());
        int number = claim.fixture().number();
        return gap.map(a -> new WayOutView("Move " + number + " to " + a, "patch " + number + " at " + a));
    }

    private static WayOutView unpatch(Claim claim) {
        int number = claim.fixture().number();
        return new WayOutView("Unpatch " + number, "unpatch " + number);
    }

    private static UniverseView universe(Show show, int universe, List<Clash> clashes) {
        List<Claim> claims = show.patch().claims().getOrDefault(universe, List.of());
        boolean[] used = new boolean[Address.SLOTS + 2];
        claims.forEach(c -> java.util.Arrays.fill(used, c.first(), Math.min(c.last(), Address.SLOTS) + 1, true));
        int count = 0;
        int longest = 0;
        int at = 1;
        int run = 0;
        for (int slot = 1; slot <= Address.SLOTS; slot++) {
            count += used[slot] ? 1 : 0;
            run = used[slot] ? 0 : run + 1;
            if (run > longest) {
                longest = run;
                at = slot - run + 1;
            }
        }
        UniverseSetup setup = show.universe(universe);
        return new UniverseView(
                universe,
                count,
                longest,
                universe + "." + at,
                (int) claims.stream().map(c -> c.fixture().id()).distinct().count(),
                (int) clashes.stream().filter(c -> c.universe() == universe).count(),
                setup.name(),
                setup.on(),
                setup.port(),
                setup.priority(),
                setup.route().kind().word(),
                setup.route().target(),
                setup.route().name());
    }
}
