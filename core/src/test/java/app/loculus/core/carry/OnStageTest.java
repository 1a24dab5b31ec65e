package app.loculus.core.carry;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.dmx.Frames;
import app.loculus.core.edit.profile.RenewProfile;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What a corrected profile changes on stage, told before and against what is then sent. */
class OnStageTest {

    private static Profile corrected(Profile held, UnaryOperator<List<Channel>> change) {
        List<Mode> modes = held.modes().stream()
                .map(m -> new Mode(
                        m.name(),
                        change.apply(
                                m.channels().stream().filter(c -> !c.virtual()).toList()),
                        m.layout(),
                        m.lamp(),
                        m.emitters(),
                        Profile.byName(held.wheels()),
                        m.beam(),
                        m.relations()))
                .toList();
        return new Profile(
                new ProfileId(held.id().value() + "-mended"),
                held.maker(),
                held.name(),
                modes.stream()
                        .flatMap(m -> m.attributes().stream())
                        .distinct()
                        .map(held::definition)
                        .toList(),
                held.wheels(),
                modes,
                List.of(),
                "");
    }

    private static Profile corrected(Profile held, String attribute, UnaryOperator<Channel> change) {
        return corrected(
                held,
                channels -> channels.stream()
                        .map(c -> c.attribute().name().equals(attribute) ? change.apply(c) : c)
                        .toList());
    }

    private static Channel reaching(Channel channel, double factor) {
        return channel.with(channel.functions().stream()
                .map(f -> new ChannelFunction(
                        f.name(),
                        f.attribute(),
                        f.from(),
                        f.to(),
                        f.physicalFrom() * factor,
                        f.physicalTo() * factor,
                        f.home(),
                        f.wheel(),
                        f.emitter(),
                        f.master(),
                        f.ranges()))
                .toList());
    }

    private static RigReport report(Show show, Profile held, Profile newer) {
        Outcome outcome = new RenewProfile(held.id(), newer).apply(show);
        assertThat(outcome.problems()).filteredOn(p -> p.refuses()).isEmpty();
        return OnStage.of(show, outcome.show(), PictureLikeness.NONE);
    }

    private static Fate look(RigReport report, String label) {
        return report.fates().stream()
                .filter(f -> f.label().contains(label))
                .findFirst()
                .orElseThrow();
    }

    private static final Show WASHES = Rig.show(
            "patch 1 thru 4 as \"Wash / extended\" at 1.1",
            "patch 11 as \"Par / rgb\" at 1.101",
            "1 + 2 zoom at 32 deg",
            "1 at 50",
            "record look 1 \"Zoomed\"",
            "clear all",
            "11 colour xy 0.3, 0.3",
            "record look 2 \"Others\"",
            "clear all");

    @Test
    void what_is_described_alike_changes_nothing() {
        RigReport report = report(WASHES, Rig.WASH, corrected(Rig.WASH, c -> c));
        assertThat(report.said()).isEmpty();
        assertThat(look(report, "Zoomed").worst()).isEqualTo(Verdict.CARRIES);
        assertThat(report.fates()).noneMatch(f -> f.label().contains("Others"));
    }

    /** 8 to 56 degrees over 65535: 32 is half way, 0x8000; of 16 to 112 it is a sixth, 0x2AAB. */
    @Test
    void an_angle_that_was_described_too_small_is_sent_otherwise_and_stays_that_angle() {
        RigReport report = report(WASHES, Rig.WASH, corrected(Rig.WASH, "Zoom", c -> reaching(c, 2)));
        Fate zoomed = look(report, "Zoomed");
        assertThat(zoomed.worst()).isEqualTo(Verdict.ANEW);
        assertThat(zoomed.units()).isEqualTo(2);
        String words = zoomed.lines().get(0).words();
        assertThat(words).isEqualTo("Zoom: the same, sent otherwise: slot 11 128 → 42, slot 12 0 → 171");
        assertThat(zoomed.lines()).hasSize(1);
    }

    @Test
    void what_the_new_one_does_not_reach_is_told_with_how_near_it_comes() {
        RigReport report = report(WASHES, Rig.WASH, corrected(Rig.WASH, "Zoom", c -> reaching(c, 0.5)));
        assertThat(look(report, "Zoomed").worst())
                .as("%s", look(report, "Zoomed"))
                .isEqualTo(Verdict.NEAREST);
        assertThat(look(report, "Zoomed").lines().get(0).words()).contains("32").contains("28");
    }

    @Test
    void what_is_gone_is_lost() {
        Profile without = corrected(
                Rig.WASH,
                channels -> channels.stream()
                        .filter(c -> !c.attribute().name().equals("Zoom"))
                        .toList());
        RigReport report = report(WASHES, Rig.WASH, without);
        assertThat(look(report, "Zoomed").worst())
                .as("%s", look(report, "Zoomed"))
                .isEqualTo(Verdict.LOST);
        assertThat(look(report, "Zoomed").counts()).containsEntry(Verdict.LOST, 2);
    }

    @Test
    void another_home_is_told_once_for_the_type() {
        RigReport report = report(WASHES, Rig.WASH, corrected(Rig.WASH, "Zoom", c -> c.at(77)));
        assertThat(report.said()).hasSize(1);
        assertThat(report.said().get(0))
                .startsWith("Wash / extended while nothing is set: slot ")
                .contains("(Zoom)")
                .contains("→ 77");
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 10));
    }

    /** Other homes, ranges and orders of channels, one more channel. */
    private static List<Channel> mended(List<Channel> channels, Random random) {
        List<Channel> now = new ArrayList<>(channels);
        for (int n = 1 + random.nextInt(3); n > 0; n--) {
            int i = random.nextInt(now.size());
            Channel one = now.get(i);
            switch (random.nextInt(4)) {
                case 0 -> now.set(i, one.at(random.nextInt(256)));
                case 1 -> now.set(i, reaching(one, 0.6 + random.nextDouble()));
                case 2 -> {
                    int j = random.nextInt(now.size());
                    Channel other = now.get(j);
                    if (i != j && one.offsets().size() == other.offsets().size()) {
                        now.set(i, at(one, other.offsets()));
                        now.set(j, at(other, one.offsets()));
                    }
                }
                default -> {
                    // as it was
                }
            }
        }
        return now;
    }

    private static Channel at(Channel c, List<Integer> offsets) {
        return new Channel(
                c.key(), c.breakNumber(), offsets, c.cell(), c.functions(), c.home(), c.highlight(), c.snap());
    }

    private static Map<LookId, String> labels(Show show) {
        Map<LookId, String> labels = new LinkedHashMap<>();
        for (CueList list : show.lists()) {
            for (Cue cue : show.cues(list.id())) {
                labels.put(cue.look(), "list " + list.number() + " " + cue);
            }
        }
        show.all(PartKinds.SUBMASTERS).values().forEach((Submaster s) -> labels.put(s.look(), s.toString()));
        show.looks().forEach(l -> labels.put(l.id(), l.toString()));
        return labels;
    }

    private static Set<String> differing(Show before, Show after, Fixture fixture, Frames was, Frames is) {
        Set<String> differ = new LinkedHashSet<>();
        for (PatchedAddress a : fixture.addresses()) {
            int universe = a.address().universe();
            int slots = before.patch().modeOf(fixture).footprint().get(a.breakNumber());
            for (int s = a.address().slot(); s < a.address().slot() + slots; s++) {
                if (was.slots(universe)[s - 1] != is.slots(universe)[s - 1]) {
                    differ.add(universe + "." + s);
                }
            }
        }
        return differ;
    }

    /** Against the frames as they are rendered, which know nothing of reports. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatever_goes_out_otherwise_is_told_and_nothing_else(long seed) {
        Random random = new Random(seed);
        Show show = RigLaws.show(seed, 60);
        Map<LookId, String> labels = labels(show);
        for (Profile held : show.profiles().all()) {
            Profile newer = corrected(held, channels -> mended(channels, random));
            boolean used =
                    show.patch().fixtures().stream().anyMatch(f -> f.profile().equals(held.id()));
            Outcome outcome = used ? new RenewProfile(held.id(), newer).apply(show) : null;
            if (outcome == null || outcome.refused()) {
                continue;
            }
            Show after = outcome.show();
            RigReport report = OnStage.of(show, after, PictureLikeness.NONE);
            Map<String, Fate> fates = report.fates().stream()
                    .filter(f -> f.sort() == Fate.Sort.LOOK)
                    .collect(Collectors.toMap(Fate::label, f -> f, (a, b) -> a));
            Frames restWas = RigLaws.frames(show, Map.of());
            Frames restIs = RigLaws.frames(after, Map.of());
            List<Fixture> concerned = show.patch().fixtures().stream()
                    .filter(f -> f.profile().equals(held.id()) && f.patched())
                    .filter(f -> show.patch().clashes().stream()
                            .noneMatch(c -> c.numbers().contains(f.number())))
                    .toList();
            Set<String> rest = new LinkedHashSet<>();
            concerned.forEach(f -> rest.addAll(differing(show, after, f, restWas, restIs)));
            boolean some = show.patch().fixtures().stream()
                    .anyMatch(f -> f.profile().equals(held.id()) && !concerned.contains(f));
            assertThat(report.said().isEmpty())
                    .as("at rest %s differ: %s", rest, report.said())
                    .isEqualTo(some && rest.isEmpty() ? report.said().isEmpty() : rest.isEmpty());
            labels.forEach((id, label) -> {
                Map<UnitId, UnitValues> was = show.look(id).values();
                Optional<Look> there = after.find(PartKinds.LOOKS, id);
                Frames framesWas = RigLaws.frames(show, was);
                Frames framesIs = RigLaws.frames(after, there.map(Look::values).orElse(Map.of()));
                boolean told = Optional.ofNullable(fates.get(label))
                        .filter(f -> f.worst() != Verdict.CARRIES)
                        .isPresent();
                Set<String> differ = new LinkedHashSet<>();
                for (Fixture f : concerned) {
                    boolean moved = was.entrySet().stream()
                            .anyMatch(e -> e.getKey().fixture().equals(f.id())
                                    && !e.getValue().moved().isEmpty());
                    if (!moved) {
                        differ.addAll(differing(show, after, f, framesWas, framesIs));
                    }
                }
                Set<String> beyond = new LinkedHashSet<>(differ);
                beyond.removeAll(rest);
                assertThat(told || beyond.isEmpty())
                        .as("%s of %s: %s goes out otherwise, untold", label, held, beyond)
                        .isTrue();
                boolean moving = was.values().stream().anyMatch(v -> !v.moved().isEmpty());
                if (told && !moving && !some) {
                    assertThat(differ)
                            .as("%s of %s: nothing goes out otherwise: %s", label, held, fates.get(label))
                            .isNotEmpty();
                }
            });
        }
    }
}
