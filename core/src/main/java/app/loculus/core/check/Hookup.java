package app.loculus.core.check;

import app.loculus.core.edit.patch.TakeIn;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Occupancy;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Examines a hookup row by row against a show and the rows before. */
public final class Hookup {

    /** What to do with a row whose slots are claimed already. */
    public enum Clashing {
        /** The fixture comes in without an address. */
        UNPATCHED,
        /** It comes in at that address all the same and stays on the check list. */
        SHARE,
        /** It comes in at the next gap that fits. */
        MOVE
    }

    private final Profiles profiles;
    private final Clashing clashing;
    private final Map<Integer, Integer> lines = new HashMap<>();
    private final Patch patch;
    private final Occupancy occupied;
    private int nextId;

    private Hookup(Show show, Profiles library, Clashing clashing) {
        this.profiles = show.profiles().orElse(library);
        this.clashing = clashing;
        this.patch = show.patch();
        this.occupied = new Occupancy(patch);
        this.nextId = patch.nextId().value();
    }

    public static List<RowVerdict> examine(Show show, Profiles library, List<HookupRow> rows, Clashing clashing) {
        Hookup hookup = new Hookup(show, library, clashing);
        return rows.stream().map(hookup::examine).toList();
    }

    /** The edit that takes in everything that can land. */
    public static TakeIn takeIn(List<RowVerdict> verdicts) {
        return new TakeIn(verdicts.stream().flatMap(v -> v.landing().stream()).toList());
    }

    private RowVerdict examine(HookupRow row) {
        Problems problems = new Problems();
        Optional<Integer> number = tried(problems, () -> number(row));
        Optional<Profiles.Type> type = tried(problems, () -> type(row));
        Optional<Starts> starts = tried(problems, () -> Starts.parse(row.address()));
        if (problems.refuse()) {
            return new RowVerdict(row, Optional.empty(), problems.all());
        }
        String name = row.name().isBlank() ? type.get().profile().name() + " " + number.get() : row.name();
        TakeIn.NewFixture wanted = new TakeIn.NewFixture(
                number.get(), name, type.get(), starts.get(), false, row.position(), row.purpose());
        Optional<TakeIn.NewFixture> landing = tried(problems, () -> settled(wanted, problems));
        landing.ifPresent(l -> remember(l, row.line()));
        return new RowVerdict(row, landing, problems.all());
    }

    private static <T> Optional<T> tried(Problems problems, java.util.function.Supplier<T> reading) {
        try {
            return Optional.of(reading.get());
        } catch (Refusal refusal) {
            refusal.problems().forEach(problems::add);
            return Optional.empty();
        }
    }

    private int number(HookupRow row) {
        String text = row.number().strip();
        if (!text.matches("\\d{1,6}") || Integer.parseInt(text) == 0) {
            throw Refusal.of(
                    "hookup.number",
                    "number",
                    text.isEmpty() ? "The row has no number." : "“" + text + "” is no fixture number.",
                    WayOut.advice("Numbers run from 1 to " + Fixture.LAST_NUMBER + "."));
        }
        int number = Integer.parseInt(text);
        if (lines.containsKey(number)) {
            throw Refusal.of(
                    "hookup.double",
                    "number",
                    "Number " + number + " is on line " + lines.get(number) + " already.",
                    WayOut.advice("One of the two was misread."));
        }
        patch.numbered(number).ifPresent(f -> {
            throw Refusal.of(
                    "hookup.exists",
                    "number",
                    "Fixture " + number + " is in the show already, as “" + f.name() + "”.",
                    WayOut.advice("It stays as it is."));
        });
        return number;
    }

    private Profiles.Type type(HookupRow row) {
        return row.mode().isBlank() ? profiles.type(row.profile()) : profiles.type(row.profile(), row.mode());
    }

    /** The fixture where it can land, once it is known that it can be one at all; what had to be changed is said in a warning. */
    private TakeIn.NewFixture settled(TakeIn.NewFixture wanted, Problems problems) {
        fixture(wanted);
        if (wanted.starts().none()) {
            problems.add(Problem.warning("hookup.unpatched", "address", "No address: it comes in unpatched."));
            return wanted;
        }
        fits(wanted);
        return blocked(wanted).map(c -> clash(wanted, c, problems)).orElse(wanted);
    }

    private void fits(TakeIn.NewFixture wanted) {
        Map<Integer, Integer> footprint = wanted.type().mode().footprint();
        for (PatchedAddress a : wanted.addresses()) {
            int slots = footprint.get(a.breakNumber());
            Address address = a.address();
            if (!address.fits(slots)) {
                throw Refusal.of(
                        "hookup.straddle",
                        "address",
                        "It needs " + slots + " slots; " + address + " leaves " + (Address.SLOTS - address.slot() + 1)
                                + ".",
                        WayOut.advice("It fits at " + new Address(address.universe(), Address.SLOTS - slots + 1)
                                + " or " + address.nextUniverse() + "."));
            }
        }
    }

    private Optional<Claim> blocked(TakeIn.NewFixture wanted) {
        return claims(wanted).stream()
                .flatMap(c -> occupied.inTheWayOf(c).stream())
                .findFirst();
    }

    private List<Claim> claims(TakeIn.NewFixture wanted) {
        Fixture fixture = fixture(wanted);
        Map<Integer, Integer> footprint = wanted.type().mode().footprint();
        return fixture.addresses().stream()
                .map(a -> new Claim(fixture, a, footprint.get(a.breakNumber())))
                .toList();
    }

    private Fixture fixture(TakeIn.NewFixture f) {
        return new Fixture(
                new FixtureId(nextId),
                f.number(),
                f.name(),
                f.type().profile().id(),
                f.type().mode().name(),
                f.addresses(),
                Optional.empty(),
                f.position(),
                f.purpose());
    }

    private TakeIn.NewFixture clash(TakeIn.NewFixture wanted, Claim other, Problems problems) {
        Optional<Starts> gap = occupied.nextGap(
                        wanted.starts().addresses().get(0), wanted.type().mode().slots())
                .map(Starts::at);
        Starts lands = switch (clashing) {
            case MOVE -> gap.orElse(Starts.NONE);
            case SHARE -> wanted.starts();
            case UNPATCHED -> Starts.NONE;
        };
        problems.add(Problem.warning(
                "hookup.clash",
                "address",
                wanted.starts() + " runs into " + other.fixture().number() + " “"
                        + other.fixture().name() + "” on " + other.span() + ": "
                        + (lands.none()
                                ? "it comes in unpatched."
                                : clashing == Clashing.MOVE
                                        ? "it comes in at " + lands + "."
                                        : "both share the slots."),
                gap.map(g -> WayOut.advice("The next gap that fits is " + g + "."))
                        .orElse(WayOut.advice("No universe has room."))));
        return new TakeIn.NewFixture(
                wanted.number(),
                wanted.name(),
                wanted.type(),
                lands,
                clashing == Clashing.SHARE,
                wanted.position(),
                wanted.purpose());
    }

    private void remember(TakeIn.NewFixture landing, int line) {
        lines.put(landing.number(), line);
        claims(landing).forEach(occupied::add);
        nextId++;
    }
}
