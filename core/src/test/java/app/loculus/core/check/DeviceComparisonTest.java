package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.check.DeviceRow.By;
import app.loculus.core.check.DeviceRow.Fault;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.device.Device;
import app.loculus.core.device.DeviceModel;
import app.loculus.core.device.DeviceSetting;
import app.loculus.core.device.FoundDevices;
import app.loculus.core.device.FoundDevices.Unclear;
import app.loculus.core.device.Personality;
import app.loculus.core.device.Uid;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DeviceComparisonTest {

    /** In two modes: 3 slots and 12. */
    private static final Profile EMBER = Rig.profile("Ember", again("small", Rig.PAR), again("large", Rig.WASH));

    private static final Profiles TYPES = new Profiles(List.of(EMBER, Rig.SPOT, Rig.DIMMER));

    private static Mode again(String name, Profile from) {
        return Rig.mode(name, 0, from.modes().get(0).channels().toArray(Channel[]::new));
    }

    private static Show show(String... lines) {
        Show now = Show.empty("Test");
        for (String line : lines) {
            now = done(now, ((Command.Edit) new LineReader(TYPES).read(line)).edit());
        }
        return now;
    }

    private static Show done(Show show, ShowEdit edit) {
        Outcome outcome = edit.apply(show);
        assertThat(outcome.refused()).as("%s", outcome.problems()).isFalse();
        return outcome.show();
    }

    private static Show venue() {
        return show(
                "patch 1 thru 8 as \"Ember / small\" at 1.1",
                "patch 11 thru 16 as \"Ember / large\" at 2.1",
                "patch 21 thru 26 as \"Spot / cmy\" at 1.301",
                "patch 31 as \"Dimmer / 1-slot\" at 3.1",
                "patch 31 at 3.5 also");
    }

    private static DeviceModel model(Profile profile) {
        List<Personality> all = new ArrayList<>();
        profile.modes().forEach(m -> all.add(new Personality(all.size() + 1, m.slots(), m.name())));
        return new DeviceModel(profile.maker(), profile.name(), profile.name().length(), all);
    }

    private static Device device(long serial, Profile profile, int mode, int line, int slot, String label) {
        return new Device(
                new Uid(0x7FF1, serial),
                line,
                model(profile),
                label,
                new DeviceSetting(Optional.of(slot), profile.modes().get(mode).slots(), mode + 1),
                false);
    }

    /** What hangs there when all is right, by the fixture and its address. */
    private static Map<String, Device> hung(Show show, boolean labelled) {
        Map<String, Device> all = new LinkedHashMap<>();
        for (Fixture f : show.patch().fixtures()) {
            Profile profile = show.patch().profileOf(f);
            int mode = profile.modes().indexOf(show.patch().modeOf(f));
            for (int i = 0; i < f.addresses().size(); i++) {
                String name = f.number() + (i == 0 ? "" : "." + (i + 1));
                var at = f.addresses().get(i).address();
                all.put(
                        name,
                        device(f.number() * 16L + i, profile, mode, at.universe(), at.slot(), labelled ? name : ""));
            }
        }
        return all;
    }

    private static FoundDevices found(Map<String, Device> hung) {
        return new FoundDevices(List.copyOf(hung.values()), List.of(), List.of(1, 2, 3), 0);
    }

    private static DeviceComparison compare(Show show, Map<String, Device> hung) {
        return DeviceComparison.of(show, TYPES, found(hung));
    }

    private static Map<String, Set<Fault>> wrong(DeviceComparison c) {
        return c.all().stream()
                .filter(r -> !r.right())
                .collect(Collectors.toMap(DeviceRow::key, DeviceRow::faults, (a, b) -> a, LinkedHashMap::new));
    }

    private static Device moved(Device d, int line, int slot) {
        return new Device(
                d.uid(),
                line,
                d.model(),
                d.label(),
                new DeviceSetting(
                        Optional.of(slot), d.setting().footprint(), d.setting().personality()),
                false);
    }

    private static Device inMode(Device d, int personality) {
        return d.set(new DeviceSetting(
                d.setting().start(),
                d.model().personalities().get(personality - 1).slots(),
                personality));
    }

    /** As a device does what it is told. */
    private static Device told(DeviceChange change) {
        Device d = change.device();
        Device typed = change.mode().map(m -> inMode(d, m.number())).orElse(d);
        return change.start().map(s -> moved(typed, d.line(), s)).orElse(typed);
    }

    @Test
    void what_hangs_as_patched_is_right_with_labels_and_without() {
        Show show = venue();
        assertThat(wrong(compare(show, hung(show, true)))).isEmpty();
        assertThat(wrong(compare(show, hung(show, false)))).isEmpty();
        assertThat(compare(show, hung(show, true)).all()).hasSize(22).allMatch(r -> r.by() == By.LABEL);
        assertThat(compare(show, hung(show, false)).all()).allMatch(r -> r.by() == By.ADDRESS);
    }

    @Test
    void two_of_one_type_on_each_others_address_are_swapped_once_it_is_known_who_is_who() {
        Show show = venue();
        Map<String, Device> hung = hung(show, false);
        Show knows = done(show, compare(show, hung).knowing(List.of("1", "2", "3")));
        Device one = hung.get("1");
        hung.put("1", moved(one, 1, 4));
        hung.put("2", moved(hung.get("2"), 1, 1));
        assertThat(wrong(compare(show, hung)))
                .as("nobody can tell, so nothing is said")
                .isEmpty();
        DeviceComparison c = compare(knows, hung);
        assertThat(wrong(c)).isEqualTo(Map.of("1", Set.of(Fault.SWAPPED), "2", Set.of(Fault.SWAPPED)));
        assertThat(c.all().get(0).partner()).contains(2);
        assertThat(c.settings(List.of("1")).get(0).words()).isEqualTo("1 (7FF1:00000010): address 1.4 → 1.1");
        Show patched = done(knows, c.taking(List.of("1", "2")));
        assertThat(patched.patch().number(1).addresses().get(0).address()).hasToString("1.4");
        assertThat(patched.patch().number(2).addresses().get(0).address()).hasToString("1.1");
        assertThat(wrong(compare(patched, hung))).isEmpty();
    }

    @Test
    void two_that_share_an_address_on_purpose_are_right_and_no_swapped_pair() {
        Show show = show(
                "patch 1 thru 2 as \"Spot / cmy\" at 1.1",
                "patch 3 at 1.1 as \"Spot / cmy\" share",
                "patch 4 at 1.6 as \"Spot / cmy\" share");
        for (boolean labelled : new boolean[] {false, true}) {
            assertThat(wrong(compare(show, hung(show, labelled)))).isEmpty();
        }
    }

    @Test
    void a_spare_takes_the_place_of_what_is_gone_and_is_known_from_then_on() {
        Show show = venue();
        Map<String, Device> hung = hung(show, false);
        Show knows = done(show, compare(show, hung).knowing(List.of("1", "2")));
        Device spare = device(999, EMBER, 0, 1, 400, "");
        hung.put("1", spare);
        assertThat(compare(show, hung).all().get(0).by())
                .as("the only one left")
                .isEqualTo(By.LEFT);
        DeviceComparison c = compare(knows, hung);
        assertThat(wrong(c)).as("another one was kept").containsOnlyKeys("1", "7FF1:000003E7 on 1");
        assertThat(c.all().get(22).words())
                .containsExactly("It is not patched. It may be a spare for 1, which does not answer.");
        Show now = done(
                knows, compare(knows, hung).knowing(spare.uid(), knows.patch().number(1)));
        assertThat(now.all(PartKinds.DEVICES)).containsOnlyKeys(spare.uid(), new Uid(0x7FF1, 32));
        assertThat(compare(now, hung).all().get(0).by()).isEqualTo(By.KNOWN);
        Show without = done(now, ((Command.Edit) new LineReader(TYPES).read("delete 1")).edit());
        assertThat(without.all(PartKinds.DEVICES)).containsOnlyKeys(new Uid(0x7FF1, 32));
        assertThat(wrong(compare(without, hung))).isEqualTo(Map.of("7FF1:000003E7 on 1", Set.of(Fault.EXTRA)));
    }

    @Test
    void what_is_no_matter_of_messages_is_not_offered_to_be_set() {
        Show show = venue();
        Map<String, Device> hung = hung(show, true);
        hung.put("1", moved(hung.get("1"), 3, 1));
        hung.put("21", device(21 * 16, EMBER, 0, 1, 301, ""));
        DeviceComparison c = compare(show, hung);
        assertThat(wrong(c)).isEqualTo(Map.of("1", Set.of(Fault.LINE), "21", Set.of(Fault.TYPE)));
        assertThat(c.settable()).isEmpty();
        assertThat(c.takeable()).containsExactly("1", "21");
        Show patched = done(show, c.taking(c.takeable()));
        assertThat(patched.patch().number(21).profile()).isEqualTo(EMBER.id());
        assertThat(patched.patch().number(1).addresses().get(0).address())
                .as("31 is there already, so 1 stays where it was")
                .hasToString("1.1");
        assertThat(wrong(compare(patched, hung))).containsOnlyKeys("1");
    }

    @Test
    void doubled_identities_and_what_cannot_be_read_are_told_and_left_alone() {
        Show show = venue();
        Map<String, Device> hung = hung(show, false);
        Device one = hung.get("1");
        Device eleven = hung.get("11");
        hung.put("11", new Device(one.uid(), 2, eleven.model(), "", eleven.setting(), false));
        DeviceComparison c = DeviceComparison.of(
                show,
                TYPES,
                new FoundDevices(
                        List.copyOf(hung.values()),
                        List.of(new Unclear(new Uid(0x7FF1, 7), 3, true)),
                        List.of(1, 2, 3),
                        0));
        assertThat(wrong(c))
                .isEqualTo(Map.of(
                        "1",
                        Set.of(Fault.DOUBLED),
                        "11",
                        Set.of(Fault.DOUBLED),
                        "7FF1:00000007 on 3 unclear",
                        Set.of(Fault.UNCLEAR)));
        assertThat(c.settable()).isEmpty();
        assertThat(c.takeable()).isEmpty();
        assertThat(c.knowing(c.all().stream().map(DeviceRow::key).toList()).devices())
                .hasSize(20);
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 40));
    }

    /** What is planted is what is told; what can be set is right afterwards, what can be taken is too. */
    @ParameterizedTest
    @MethodSource("seeds")
    void what_is_planted_is_told_and_mended_either_way(long seed) {
        Random random = new Random(seed);
        Show plain = venue();
        Map<String, Device> hung = hung(plain, random.nextBoolean());
        Show show = done(
                plain,
                compare(plain, hung)
                        .knowing(compare(plain, hung).all().stream()
                                .map(DeviceRow::key)
                                .toList()));
        Map<String, Set<Fault>> planted = plant(hung, random);
        DeviceComparison c = compare(show, hung);
        assertThat(wrong(c)).isEqualTo(planted);

        Map<String, Device> set = new LinkedHashMap<>(hung);
        c.settings(c.settable()).forEach(change -> set.put(change.fixture(), told(change)));
        assertThat(wrong(compare(show, set)).values())
                .as("after setting")
                .allMatch(f -> f.contains(Fault.MISSING) || f.contains(Fault.EXTRA) || f.contains(Fault.LINE));

        Show taken = done(show, c.taking(c.takeable()));
        assertThat(wrong(compare(taken, hung)).values())
                .as("after taking")
                .allMatch(f -> f.contains(Fault.MISSING) || f.contains(Fault.EXTRA));
    }

    /** Faults on parts of their own, at slots that nobody has. */
    private static Map<String, Set<Fault>> plant(Map<String, Device> hung, Random random) {
        List<String> names = new ArrayList<>(hung.keySet());
        names.removeIf(n -> n.startsWith("31"));
        Collections.shuffle(names, random);
        Map<String, Set<Fault>> planted = new LinkedHashMap<>();
        int free = 101;
        for (int i = 0; i < random.nextInt(9); i++) {
            String name = names.remove(0);
            Device d = hung.get(name);
            switch (random.nextInt(5)) {
                case 0 -> {
                    hung.remove(name);
                    planted.put(name, EnumSet.of(Fault.MISSING));
                }
                case 1 -> {
                    hung.put(name, moved(d, d.line(), free));
                    planted.put(name, EnumSet.of(Fault.ADDRESS));
                }
                case 2 -> {
                    hung.put(name, moved(d, 7, free));
                    planted.put(name, EnumSet.of(Fault.LINE));
                }
                case 3 -> {
                    Device stray = device(5000 + i, Rig.SPOT, 0, 5, free, "");
                    hung.put("stray " + i, stray);
                    planted.put(stray.uid() + " on 5", EnumSet.of(Fault.EXTRA));
                    names.add(name);
                }
                default -> {
                    if (d.model().personalities().size() > 1) {
                        int other = 3 - d.setting().personality();
                        boolean far = other == 2 || random.nextBoolean();
                        hung.put(name, far ? moved(inMode(d, other), d.line(), free) : inMode(d, other));
                        planted.put(name, far ? EnumSet.of(Fault.MODE, Fault.ADDRESS) : EnumSet.of(Fault.MODE));
                    }
                }
            }
            free += 13;
        }
        return planted;
    }
}
