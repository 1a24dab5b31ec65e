package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Clash;
import app.loculus.core.patch.ClashWords;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.GapFinder;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Addresses, numbers, and how fixtures answered. */
final class PatchRules {

    static final List<Rule> ALL = List.of(
            new Clashing("clash", false),
            new Clashing("shared", true),
            new WithoutAddress(),
            new Answered(BringUp.Answer.DEAD),
            new Answered(BringUp.Answer.WRONG),
            new Holes());

    private PatchRules() {}

    private static final class Clashing extends Rule {

        private final boolean shared;

        Clashing(String name, boolean shared) {
            super(name, ChapterName.PATCH, PartKinds.FIXTURES, PartKinds.PROFILES);
            this.shared = shared;
        }

        /** By its first member, which stays as long as the clash does. */
        private static String about(Clash clash) {
            return clash.members().stream()
                    .map(Claim::fixture)
                    .map(f -> f.id().value())
                    .distinct()
                    .sorted()
                    .map(String::valueOf)
                    .limit(4)
                    .collect(Collectors.joining("+", "", "@" + clash.universe()));
        }

        private static List<UnitId> fixtures(Clash clash) {
            return whole(clash.members().stream()
                    .map(c -> c.fixture().id())
                    .distinct()
                    .toList());
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            ClashWords words = new ClashWords(show.patch());
            Map<String, Integer> twice = new LinkedHashMap<>();
            for (Clash clash : show.patch().clashes()) {
                if (clash.shared() != shared) {
                    continue;
                }
                // The same two can meet at several places of one universe.
                String about = about(clash);
                int before = twice.merge(about, 1, Integer::sum);
                List<UnitId> who = fixtures(clash);
                found.add(
                        before == 1 ? about : about + "#" + before,
                        shared ? Severity.NEEDS_A_LOOK : Severity.WRONG,
                        words.words(clash),
                        "",
                        who,
                        Spot.of("fixture", clash.numbers().get(0)));
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            ClashWords words = new ClashWords(show.patch());
            return show.patch().clashes().stream()
                    .filter(c -> c.shared() == shared
                            && fixtures(c).equals(finding.who())
                            && words.words(c).equals(finding.words()))
                    .findFirst()
                    .map(words::waysOut)
                    .orElse(List.of());
        }
    }

    /** One finding a type: a new show has hundreds. */
    private static final class WithoutAddress extends Rule {

        WithoutAddress() {
            super("no-address", ChapterName.PATCH, PartKinds.FIXTURES, PartKinds.PROFILES);
        }

        private record Type(ProfileId profile, String mode) {}

        @Override
        void find(Show show, Profiles library, Found found) {
            Map<Type, List<Fixture>> byType = new LinkedHashMap<>();
            for (Fixture f : show.patch().fixtures()) {
                if (!f.patched()) {
                    byType.computeIfAbsent(new Type(f.profile(), f.mode()), t -> new ArrayList<>())
                            .add(f);
                }
            }
            byType.forEach((type, fixtures) -> {
                Fixture first = fixtures.get(0);
                List<Integer> numbers =
                        fixtures.stream().map(Fixture::number).sorted().toList();
                String who = fixtures.size() == 1
                        ? first.number() + (first.name().isEmpty() ? "" : " “" + first.name() + "”")
                        : Numbers.text(numbers);
                found.look(
                        type.profile().value() + "/" + type.mode(),
                        who + (fixtures.size() == 1 ? " has" : " have") + " no address.",
                        show.patch().profileOf(first).name() + ", "
                                + Numbers.count(show.patch().modeOf(first).slots(), "slot")
                                + (fixtures.size() == 1 ? "" : " each"),
                        whole(fixtures.stream().map(Fixture::id).toList()),
                        Spot.of("fixture", first.number()));
            });
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            FixtureId first = finding.who().get(0).fixture();
            Mode mode = show.patch().modeOf(show.patch().get(first));
            if (mode.slots() == 0) {
                return List.of();
            }
            String line = "patch " + numbers(show, finding.who()) + " at next gap";
            return new GapFinder(show.patch())
                    .next(new Address(1, 1), mode.slots(), Optional.empty())
                    .map(a -> WayOut.line(
                            finding.who().size() == 1 && mode.footprint().size() == 1
                                    ? "Patch at " + a
                                    : "Patch in next gaps",
                            line))
                    .map(List::of)
                    .orElse(List.of());
        }
    }

    private static final class Answered extends Rule {

        private final BringUp.Answer answer;

        Answered(BringUp.Answer answer) {
            super("answered-" + answer.word(), ChapterName.PATCH, PartKinds.FIXTURES);
            this.answer = answer;
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (Fixture f : show.patch().fixtures()) {
                if (f.bringUp().answer() == answer) {
                    found.add(
                            f.id().value(),
                            answer == BringUp.Answer.DEAD ? Severity.WRONG : Severity.NEEDS_A_LOOK,
                            f.number() + (f.name().isEmpty() ? "" : " “" + f.name() + "”") + " was " + answer.word()
                                    + " when it was brought up.",
                            f.bringUp().note(),
                            List.of(UnitId.whole(f.id())),
                            Spot.of("fixture", f.number()));
                }
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            String number = numbers(show, finding.who());
            return List.of(
                    WayOut.line("It answers now", "mark " + number + " answered"),
                    WayOut.line("Try it again later", "mark " + number + " not tried"));
        }
    }

    /** Numbers left out between two of one type that hang at one position. */
    private static final class Holes extends Rule {

        /** A hole of more numbers than this is meant to be one. */
        private static final int LARGEST = 2;

        Holes() {
            super("number-hole", ChapterName.PATCH, PartKinds.FIXTURES);
        }

        private static boolean alike(Fixture one, Fixture other) {
            return one.profile().equals(other.profile())
                    && one.mode().equals(other.mode())
                    && one.position().equals(other.position());
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            Fixture before = null;
            for (Fixture f : show.patch().fixtures()) {
                int hole = before == null ? 0 : f.number() - before.number() - 1;
                if (hole > 0 && hole <= LARGEST && alike(before, f)) {
                    String missing =
                            hole == 1 ? String.valueOf(f.number() - 1) : (f.number() - 2) + " and " + (f.number() - 1);
                    found.look(
                            before.id().value() + "-" + f.id().value(),
                            "There is no " + missing + " between " + before.number() + " and " + f.number() + ".",
                            f.position(),
                            whole(List.of(before.id(), f.id())),
                            Spot.of("fixture", f.number()));
                }
                before = f;
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            Fixture before = show.patch().get(finding.who().get(0).fixture());
            List<Fixture> after = new ArrayList<>();
            for (Fixture f : show.patch().fixtures()) {
                boolean next = after.isEmpty()
                        ? f.id().equals(finding.who().get(1).fixture())
                        : f.number() == after.get(after.size() - 1).number() + 1;
                if (next && alike(before, f)) {
                    after.add(f);
                }
            }
            String moved = Numbers.text(after.stream().map(Fixture::number).toList());
            return List.of(WayOut.line(
                    "Renumber " + moved + " from " + (before.number() + 1),
                    "renumber " + moved + " from " + (before.number() + 1)));
        }
    }
}
