package app.loculus.core.chart;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.Whites;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.TypicalEmitters;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.profile.facts.BeamFacts;
import app.loculus.core.profile.facts.ProfileFacts;
import app.loculus.core.profile.words.StandardAttributes;
import app.loculus.core.unit.Kelvin;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;

/** Makes a profile out of a draft. */
public final class DraftBuilder {

    private static final double USUAL_KELVIN = 6000;
    private static final int MOST_SLOTS = 512;

    private final ProfileDraft draft;
    private final Map<String, Wheel> wheels = new LinkedHashMap<>();
    private final Map<String, Tristimulus> emitters = new LinkedHashMap<>();

    private DraftBuilder(ProfileDraft draft) {
        this.draft = draft;
    }

    /**
     * @return a profile without a source: it becomes one of its own when its description is written
     * @throws Refusal naming everything that is missing
     */
    public static Profile build(ProfileDraft draft) {
        return new DraftBuilder(draft).profile();
    }

    private Profile profile() {
        Problems problems = new Problems();
        needed(problems, "maker", draft.maker());
        needed(problems, "name", draft.name());
        if (draft.modes().stream().noneMatch(m -> !m.channels().isEmpty())) {
            problems.add(Problem.refusal(
                    "draft.empty",
                    "chart",
                    "There is not one slot yet.",
                    WayOut.advice("Paste or type the slot chart, one line per slot.")));
        }
        draft.modes().forEach(m -> fits(m, problems));
        draft.modes().forEach(m -> needs(m, problems));
        Set<String> names = new LinkedHashSet<>();
        draft.modes().stream()
                .filter(m -> !names.add(m.name()))
                .forEach(m -> problems.add(
                        Problem.refusal("draft.mode", "mode", "Two modes are called “" + m.name() + "”.")));
        problems.throwIfRefused();
        draft.modes().forEach(this::collectWheels);
        List<Mode> modes = draft.modes().stream().map(this::mode).toList();
        ProfileFacts facts = new ProfileFacts(
                "",
                draft.weightKg() > 0 ? OptionalDouble.of(draft.weightKg()) : OptionalDouble.empty(),
                "",
                ProfileFacts.NONE.pictures());
        return new Profile(
                new ProfileId("draft"),
                draft.maker(),
                draft.name(),
                definitions(modes),
                List.copyOf(wheels.values()),
                modes,
                List.of(),
                "",
                facts);
    }

    /** No break can be longer than a universe. */
    private static void fits(DraftMode mode, Problems problems) {
        Map<Integer, Long> slots = new LinkedHashMap<>();
        for (DraftChannel c : mode.channels()) {
            long times = c.inCell() ? Math.max(1, mode.cells()) : 1;
            slots.merge(c.breakNumber(), times * Math.max(1, c.octets()), Long::sum);
        }
        slots.values().stream()
                .filter(n -> n > MOST_SLOTS)
                .findFirst()
                .ifPresent(n -> problems.add(Problem.refusal(
                        "draft.slots",
                        "mode",
                        "Mode “" + mode.name() + "” would need " + n + " slots; a universe has " + MOST_SLOTS + ".")));
        if (mode.cells() > MOST_SLOTS || mode.cells() < 0) {
            problems.add(Problem.refusal(
                    "draft.cells", "mode", mode.cells() + " cells are not possible; at most " + MOST_SLOTS + "."));
        }
    }

    /** What a channel needs must be another channel of the same mode. */
    private static void needs(DraftMode mode, Problems problems) {
        for (DraftChannel c : mode.channels()) {
            List<String> others = mode.channels().stream()
                    .filter(o -> o != c)
                    .map(DraftChannel::label)
                    .toList();
            if (!c.needs().isEmpty() && others.stream().noneMatch(c.needs()::equalsIgnoreCase)) {
                problems.add(Problem.refusal(
                        "draft.needs",
                        "channel",
                        "Mode “" + mode.name() + "”, “" + c.label() + "” needs “" + c.needs()
                                + "”, which is no other channel of the mode.",
                        WayOut.advice("Its channels are " + String.join(", ", others) + ".")));
            }
        }
    }

    private static void needed(Problems problems, String what, String text) {
        if (text.isBlank()) {
            problems.add(Problem.refusal("draft." + what, what, "The profile needs a " + what + "."));
        }
    }

    private static List<AttributeDefinition> definitions(List<Mode> modes) {
        Set<Attribute> all = new LinkedHashSet<>();
        modes.forEach(m -> all.addAll(m.attributes()));
        return all.stream().map(a -> StandardAttributes.of(a).definition()).toList();
    }

    private void collectWheels(DraftMode mode) {
        mode.channels().stream().filter(DraftBuilder::hasWheel).forEach(c -> {
            Wheel wheel = wheel(c);
            wheels.putIfAbsent(wheel.name(), wheel);
        });
    }

    private static boolean hasWheel(DraftChannel channel) {
        return channel.wheel() && !channel.ranges().isEmpty();
    }

    /** Called as its channel; with a number behind where a wheel of that name has other slots, in this mode or another. */
    private Wheel wheel(DraftChannel channel) {
        List<WheelSlot> slots =
                channel.ranges().stream().map(r -> slot(channel, r)).toList();
        String called = channel.label().isBlank()
                ? channel.attribute()
                : channel.label().replace(".", " ");
        String name = free(
                called, n -> wheels.containsKey(n) && !wheels.get(n).slots().equals(slots));
        return new Wheel(name, slots);
    }

    private static String free(String name, Predicate<String> taken) {
        String free = name;
        for (int i = 2; taken.test(free); i++) {
            free = name + " " + i;
        }
        return free;
    }

    /** What parts of the fixture the channels of a mode drive, by name. */
    private DraftChannels.Parts parts() {
        return new DraftChannels.Parts(
                c -> hasWheel(c) ? Optional.of(wheel(c).name()) : Optional.empty(),
                c -> Optional.of(new Attribute(c.attribute()))
                        .filter(Attribute::isAdditive)
                        .map(a -> emitter(a, light(c))));
    }

    /** Called as its colour; with a number behind where another mode has another light of that name. */
    private String emitter(Attribute attribute, Tristimulus light) {
        String name = free(
                attribute.name().substring("ColorAdd_".length()),
                n -> !emitters.getOrDefault(n, light).equals(light));
        emitters.put(name, light);
        return name;
    }

    private static Tristimulus light(DraftChannel channel) {
        Tristimulus usual = TypicalEmitters.of(new Attribute(channel.attribute()));
        return channel.colour().isEmpty() ? usual : coloured(channel.colour(), usual);
    }

    private static WheelSlot slot(DraftChannel channel, DraftRange range) {
        boolean coloured = channel.attribute().matches("Color\\d+");
        String hex = range.colour().isEmpty()
                        && coloured
                        && range.name().toLowerCase(java.util.Locale.ROOT).matches("open|white")
                ? "#ffffff"
                : range.colour();
        Optional<Tristimulus> colour = hex.isEmpty()
                ? Optional.empty()
                : Optional.of(LinearRgb.ofHex(hex).toTristimulus().times(100));
        return new WheelSlot(range.name(), colour, Optional.empty());
    }

    private Mode mode(DraftMode mode) {
        double kelvin = draft.lampKelvin() > 0 ? draft.lampKelvin() : USUAL_KELVIN;
        BeamFacts beam = new BeamFacts(kelvin, draft.beamDegrees(), draft.watts());
        return new Mode(
                mode.name(),
                new DraftChannels(mode, geometry(mode), parts()).channels(),
                Cells.flat(hasCells(mode) ? mode.cells() : 0),
                Whites.of(Kelvin.of(kelvin)).withLuminance(100),
                emitters(mode),
                wheels,
                beam,
                List.of());
    }

    /** Nothing for the first mode, a number for the others. */
    private String geometry(DraftMode mode) {
        int index = draft.modes().indexOf(mode);
        return index == 0 ? "" : " " + (index + 1);
    }

    private static boolean hasCells(DraftMode mode) {
        return mode.channels().stream().anyMatch(DraftChannel::inCell);
    }

    private static Map<Attribute, Tristimulus> emitters(DraftMode mode) {
        Map<Attribute, Tristimulus> emitters = new LinkedHashMap<>();
        for (DraftChannel channel : new ArrayList<>(mode.channels())) {
            Attribute attribute = new Attribute(channel.attribute());
            if (attribute.isAdditive()) {
                emitters.put(attribute, light(channel));
            }
        }
        return emitters;
    }

    /** The colour's chromaticity with the output that is usual for such an emitter. */
    private static Tristimulus coloured(String hex, Tristimulus usual) {
        return LinearRgb.ofHex(hex)
                .toTristimulus()
                .chromaticity()
                .map(c -> c.withLuminance(usual.y() > 0 ? usual.y() : 100))
                .orElse(usual);
    }
}
