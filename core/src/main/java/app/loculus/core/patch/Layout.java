package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Mode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A way of giving out addresses to several fixtures, from a start on. */
public sealed interface Layout {

    /** By its name: empty or run on, next gap, one to one, by type, by position, over n universes. */
    static Optional<Layout> called(String name) {
        if (name.matches("over \\d{1,3} universes?")) {
            return Optional.of(new Over(Integer.parseInt(name.split(" ")[1])));
        }
        return switch (name) {
            case "", "run on" -> Optional.of(RUNNING_ON);
            case "next gap" -> Optional.of(new NextGap());
            case "one to one" -> Optional.of(new OneToOne());
            case "by type" -> Optional.of(new Fresh(By.TYPE));
            case "by position" -> Optional.of(new Fresh(By.POSITION));
            default -> Optional.empty();
        };
    }

    /** Whether numbers without a fixture are left alone instead of being refused. */
    default boolean leavesMissing() {
        return false;
    }

    Layout RUNNING_ON = new RunningOn();

    /**
     * @param patch knows the modes of the fixtures
     * @param gap free slots between footprints
     */
    Landing of(Patch patch, List<Fixture> fixtures, Address start, int gap);

    /** What it does beside running on, in words; empty for nothing. */
    Optional<String> words();

    /** As the line writes it, after the address. */
    String line();

    /** One after another by footprint. */
    record RunningOn() implements Layout {
        @Override
        public Landing of(Patch patch, List<Fixture> fixtures, Address start, int gap) {
            Map<FixtureId, List<Address>> addresses = new LinkedHashMap<>();
            return new Landing(addresses, run(patch, fixtures, start, gap, addresses));
        }

        @Override
        public Optional<String> words() {
            return Optional.empty();
        }

        @Override
        public String line() {
            return "";
        }
    }

    /** Fixture n gets slot n, counted from the start; a second break follows the first. */
    record OneToOne() implements Layout {

        @Override
        public boolean leavesMissing() {
            return true;
        }

        @Override
        public Landing of(Patch patch, List<Fixture> fixtures, Address start, int gap) {
            Map<FixtureId, List<Address>> addresses = new LinkedHashMap<>();
            for (Fixture fixture : fixtures) {
                Address own = Address.ofAbsolute(start.absolute() + fixture.number() - 1);
                int first = patch.modeOf(fixture).footprint().values().stream()
                        .findFirst()
                        .orElse(0);
                if (!own.fits(first)) {
                    throw straddles(fixture, own, first);
                }
                run(patch, List.of(fixture), own, 0, addresses);
            }
            return new Landing(addresses, List.of());
        }

        private static Refusal straddles(Fixture fixture, Address own, int slots) {
            return Refusal.of(
                    "patch.straddle",
                    "numbers",
                    "Fixture " + fixture.number() + " would get " + own + ", but it needs " + slots + " slots and "
                            + (Address.SLOTS - own.slot() + 1) + " are left in that universe.",
                    WayOut.advice("Leave it out, or begin at another address."));
        }

        @Override
        public Optional<String> words() {
            return Optional.of("Each number gets the slot of that number.");
        }

        @Override
        public String line() {
            return " one to one";
        }
    }

    /** Each takes the lowest gap, from the start on, into which it fits whole. */
    record NextGap() implements Layout {
        @Override
        public Landing of(Patch patch, List<Fixture> fixtures, Address start, int gap) {
            List<Fixture> leaving = fixtures.stream()
                    .filter(f -> patch.find(f.id()).isPresent())
                    .map(f -> f.at(List.of()))
                    .toList();
            Occupancy occupied = new Occupancy(patch.changed(patch.profiles(), List.of(), leaving));
            Map<FixtureId, List<Address>> addresses = new LinkedHashMap<>();
            for (Fixture fixture : fixtures) {
                List<Address> own = new ArrayList<>();
                patch.modeOf(fixture).footprint().forEach((number, slots) -> {
                    Address at = occupied.nextGap(start, slots).orElseThrow(() -> full(fixture));
                    occupied.add(new Claim(fixture, new PatchedAddress(number, at, false), slots + gap));
                    own.add(at);
                });
                addresses.put(fixture.id(), own);
            }
            return new Landing(addresses, List.of());
        }

        private static Refusal full(Fixture fixture) {
            return Refusal.of("patch.full", "numbers", "No universe has room for fixture " + fixture.number() + ".");
        }

        @Override
        public Optional<String> words() {
            return Optional.of("Each takes the next gap it fits into.");
        }

        @Override
        public String line() {
            return "";
        }
    }

    /** What fixtures can be kept together by. */
    enum By {
        TYPE,
        POSITION;

        String of(Patch patch, Fixture fixture) {
            return this == POSITION
                    ? fixture.position()
                    : patch.profileOf(fixture).fullName() + " / " + fixture.mode();
        }

        String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** Each type, or each position, begins on a fresh universe; in the order in which they are met first. */
    record Fresh(By by) implements Layout {
        @Override
        public Landing of(Patch patch, List<Fixture> fixtures, Address start, int gap) {
            Map<FixtureId, List<Address>> addresses = new LinkedHashMap<>();
            List<Address> crossings = new ArrayList<>();
            Address next = start;
            for (List<Fixture> together :
                    grouped(fixtures, f -> by.of(patch, f)).values()) {
                crossings.addAll(run(patch, together, next, gap, addresses));
                next = last(addresses).nextUniverse();
            }
            return new Landing(addresses, crossings);
        }

        private static Address last(Map<FixtureId, List<Address>> addresses) {
            return addresses.values().stream()
                    .flatMap(List::stream)
                    .max(Address::compareTo)
                    .orElseThrow();
        }

        @Override
        public Optional<String> words() {
            return Optional.of("Each " + by.word() + " begins on a universe of its own.");
        }

        @Override
        public String line() {
            return " by " + by.word();
        }
    }

    /** Each type is cut into as many runs as there are universes, longer ones first, so that none carries it alone. */
    record Over(int universes) implements Layout {

        public Over {
            if (universes < 1 || universes > 512) {
                throw Refusal.of("patch.over", "address", "Spreading goes over 1 to 512 universes.");
            }
        }

        @Override
        public Landing of(Patch patch, List<Fixture> fixtures, Address start, int gap) {
            List<List<Fixture>> shares = new ArrayList<>();
            for (int i = 0; i < universes; i++) {
                shares.add(new ArrayList<>());
            }
            grouped(fixtures, f -> By.TYPE.of(patch, f)).values().forEach(type -> deal(type, shares));
            Map<FixtureId, List<Address>> addresses = new LinkedHashMap<>();
            for (int i = 0; i < universes; i++) {
                Address from = new Address(start.universe() + i, start.slot());
                Map<FixtureId, List<Address>> share = new LinkedHashMap<>();
                run(patch, shares.get(i), from, gap, share);
                if (share.values().stream().flatMap(List::stream).anyMatch(a -> a.universe() != from.universe())) {
                    throw tooFull(shares.get(i).size(), from);
                }
                addresses.putAll(share);
            }
            return new Landing(addresses, List.of());
        }

        private void deal(List<Fixture> type, List<List<Fixture>> shares) {
            int from = 0;
            for (int i = 0; i < universes; i++) {
                int size = type.size() / universes + (i < type.size() % universes ? 1 : 0);
                shares.get(i).addAll(type.subList(from, from + size));
                from += size;
            }
        }

        private Refusal tooFull(int fixtures, Address from) {
            return Refusal.of(
                    "patch.full",
                    "address",
                    fixtures + " fixtures do not fit into universe " + from.universe() + " from slot " + from.slot()
                            + " on.",
                    WayOut.advice("Spread them over more than " + universes
                            + (universes == 1 ? " universe." : " universes.")));
        }

        @Override
        public Optional<String> words() {
            return Optional.of("Each type is shared out over " + universes + " universes.");
        }

        @Override
        public String line() {
            return " over " + universes + (universes == 1 ? " universe" : " universes");
        }
    }

    private static <K> Map<K, List<Fixture>> grouped(List<Fixture> fixtures, Function<Fixture, K> by) {
        return fixtures.stream().collect(Collectors.groupingBy(by, LinkedHashMap::new, Collectors.toList()));
    }

    /** Lets fixtures run on. @return where a run went on in the next universe */
    private static List<Address> run(
            Patch patch, List<Fixture> fixtures, Address start, int gap, Map<FixtureId, List<Address>> into) {
        RunOn run = new RunOn(start, gap);
        for (Fixture fixture : fixtures) {
            Mode mode = patch.modeOf(fixture);
            into.put(
                    fixture.id(),
                    mode.footprint().values().stream().map(run::take).toList());
        }
        return run.crossings();
    }
}
