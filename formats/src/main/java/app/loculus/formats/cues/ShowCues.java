package app.loculus.formats.cues;

import app.loculus.core.edit.look.LookContents;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Start;
import app.loculus.core.motion.Moving;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Seconds;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;

/** What of a show a text of cues can carry: intensity by fixture number, its times, groups, submasters, dimmers. */
public final class ShowCues {

    /** Places of a round whose mean is its middle. */
    private static final int PHASES = 64;

    private final Show show;
    private final List<String> said = new ArrayList<>();

    /** Numbers of fixtures whose cells stand at different levels in some look. */
    private final Set<Integer> uneven = new TreeSet<>();

    private ShowCues(Show show) {
        this.show = show;
    }

    /** @param list whose cues go out */
    public static CueText of(Show show, CueList list) {
        ShowCues cues = new ShowCues(show);
        cues.leftOut();
        List<CueText.Sheet> sheets =
                show.cues(list.id()).stream().map(cues::cue).toList();
        List<CueText.Sheet> submasters = show.submasters().stream()
                .map(s -> cues.sheet(
                        String.valueOf(s.number()),
                        s.name(),
                        show.look(s.look()).values()))
                .toList();
        cues.evened();
        return new CueText(
                cues.patch(),
                sheets,
                show.groups().stream()
                        .map(g -> cues.group(g.number(), g.name(), show.units(g).units()))
                        .toList(),
                submasters,
                cues.said);
    }

    /** A channel has one level. */
    private void evened() {
        if (!uneven.isEmpty()) {
            said.add("The cells of " + Numbers.text(List.copyOf(uneven))
                    + " stand at different levels somewhere: all of them go to that of the brightest.");
        }
    }

    private void leftOut() {
        long more = show.patch().fixtures().stream()
                .filter(f -> show.patch().modeOf(f).channels().stream()
                        .anyMatch(c -> !c.attribute().equals(Attribute.DIMMER)))
                .count();
        if (more > 0) {
            said.add("Of " + Numbers.count((int) more, "fixture")
                    + " only the intensity is carried: the format knows no positions, colours or beams.");
        }
        long moving = show.all(PartKinds.LOOKS).values().stream()
                .filter(l -> !l.moved().isEmpty())
                .count();
        if (moving > 0) {
            said.add("In " + Numbers.count((int) moving, "look")
                    + " effects move lights: they stand still in their middle, for the format knows no effects.");
        }
        long dark = show.patch().fixtures().stream()
                .filter(f -> dimmers(f).isEmpty())
                .count();
        if (dark > 0) {
            said.add(Numbers.count((int) dark, "fixture") + " without a dimmer" + (dark == 1 ? " is" : " are")
                    + " left out.");
        }
    }

    /** The dimmer of the whole fixture; of one that has none those of its cells. */
    private List<Parameter> dimmers(Fixture fixture) {
        Mode mode = show.patch().modeOf(fixture);
        return mode.homesOf(0, Attribute.DIMMER).stream()
                .flatMap(cell -> mode.parameter(cell, Attribute.DIMMER).stream())
                .toList();
    }

    private Map<Integer, List<CueText.Dimmer>> patch() {
        Map<Integer, List<CueText.Dimmer>> all = new TreeMap<>();
        for (Fixture fixture : show.patch().fixtures()) {
            Mode mode = show.patch().modeOf(fixture);
            List<CueText.Dimmer> dimmers = new ArrayList<>();
            for (Parameter parameter : fixture.patched() ? dimmers(fixture) : List.<Parameter>of()) {
                Channel channel = mode.channelOf(parameter);
                PlainDimmers.top(mode, channel.cell())
                        .ifPresent(top -> show.patch().claimsOf(fixture).stream()
                                .filter(claim -> claim.at().breakNumber() == channel.breakNumber())
                                .forEach(claim -> dimmers.add(new CueText.Dimmer(
                                        (claim.universe() - 1) * CueText.SLOTS
                                                + claim.first()
                                                + channel.offsets().get(0)
                                                - 1,
                                        top))));
            }
            if (!dimmers.isEmpty()) {
                all.put(fixture.number(), dimmers);
            }
        }
        return all;
    }

    private CueText.Sheet cue(Cue cue) {
        Map<Integer, Double> levels = levels(LookContents.standing(show, cue));
        Double follows = cue.next().trigger() == Start.Trigger.PRESS
                ? null
                : cue.next().millisAfterBegin(cue.timing().length()) / 1000.0;
        return new CueText.Sheet(
                cue.number().toString(),
                cue.name(),
                cue.timing().in().map(Seconds::value).orElse(null),
                cue.timing().out().map(Seconds::value).orElse(null),
                cue.timing().delay().value(),
                follows,
                levels);
    }

    private CueText.Sheet sheet(String number, String name, Map<UnitId, UnitValues> values) {
        return new CueText.Sheet(number, name, null, null, 0, null, levels(values));
    }

    private CueText.Sheet group(int number, String name, List<UnitId> units) {
        Map<Integer, Double> levels = new LinkedHashMap<>();
        units.forEach(u -> levels.put(show.patch().get(u.fixture()).number(), 1.0));
        return new CueText.Sheet(String.valueOf(number), name, null, null, 0, null, levels);
    }

    /** What moves stands still in its middle. */
    private Optional<FunctionValue> place(Held held, Fixture fixture, Parameter p) {
        Optional<FunctionValue> place = held.value().in(show.patch().modeOf(fixture), p);
        if (held.moving().filter(m -> !m.move().relative()).isEmpty()) {
            return place;
        }
        Moving moving = held.moving().get();
        OptionalDouble mean = IntStream.range(0, PHASES)
                .mapToObj(i -> moving.move()
                        .at(
                                new FunctionValue(p.function(), Fraction.ZERO),
                                (i + .5) / PHASES,
                                moving.use().size()))
                .mapToDouble(FunctionValue::light)
                .average();
        return Optional.of(FunctionValue.lit(p.function(), mean.orElse(0)));
    }

    private Map<Integer, Double> levels(Map<UnitId, UnitValues> values) {
        Map<Integer, Double> levels = new TreeMap<>();
        Map<Integer, Set<Double>> byCell = new TreeMap<>();
        values.forEach((unit, held) -> {
            Fixture fixture = show.patch().get(unit.fixture());
            Mode mode = show.patch().modeOf(fixture);
            if (mode.homesOf(0, Attribute.DIMMER).contains(unit.cell())) {
                mode.parameter(unit.cell(), Attribute.DIMMER)
                        .flatMap(p -> Optional.ofNullable(
                                        show.resolver().held(unit, held).get(Attribute.DIMMER))
                                .flatMap(h -> place(h, fixture, p)))
                        .ifPresent(place -> {
                            byCell.computeIfAbsent(fixture.number(), n -> new HashSet<>())
                                    .add(place.light());
                            levels.merge(fixture.number(), place.light(), Math::max);
                        });
            }
        });
        byCell.forEach((number, lights) -> {
            if (lights.size() > 1) {
                uneven.add(number);
            }
        });
        levels.values().removeIf(light -> light == 0);
        return levels;
    }
}
