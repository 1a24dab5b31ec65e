package app.loculus.core.palette;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class GiverTest {

    private static final Attribute ZOOM = Attribute.ZOOM;
    private final Show show = Rig.everyKind();
    private final Patch patch = show.patch();
    private final Giver giver = new Giver(patch, Shelf.EMPTY, new ColourAnswers());

    private UnitId unit(int number) {
        return UnitId.whole(patch.number(number).id());
    }

    private static Entry entry(ScopeKey scope, Attribute attribute, double level) {
        return new Entry(scope, attribute, AttributeValue.level(level), false);
    }

    private static Palette palette(Kind kind, Entry... entries) {
        return new Palette(new PaletteId(1), kind, 1, "Test", Optional.empty(), List.of(entries));
    }

    private double zoom(Palette palette, int number) {
        return ((AttributeValue.Level)
                        giver.give(palette, unit(number)).values().get(ZOOM))
                .fraction()
                .value();
    }

    private final ScopeKey global = new ScopeKey.Global();
    private final ScopeKey type = new ScopeKey.Type(Rig.WASH.id());
    private final ScopeKey mode = new ScopeKey.TypeMode(Rig.WASH.id(), "extended");

    @Test
    void the_narrowest_entry_wins() {
        List<Entry> entries = new ArrayList<>(List.of(entry(global, ZOOM, 0.1)));
        assertThat(zoom(palette(Kind.BEAM, entries.toArray(Entry[]::new)), 11)).isEqualTo(0.1);
        entries.add(entry(type, ZOOM, 0.2));
        assertThat(zoom(palette(Kind.BEAM, entries.toArray(Entry[]::new)), 11)).isEqualTo(0.2);
        entries.add(entry(mode, ZOOM, 0.3));
        assertThat(zoom(palette(Kind.BEAM, entries.toArray(Entry[]::new)), 11)).isEqualTo(0.3);
        entries.add(entry(new ScopeKey.Unit(unit(12)), ZOOM, 0.4));
        Palette all = palette(Kind.BEAM, entries.toArray(Entry[]::new));
        assertThat(zoom(all, 11)).isEqualTo(0.3);
        assertThat(zoom(all, 12)).isEqualTo(0.4);
        assertThat(giver.give(all, unit(12)).follows()).isEqualTo(Follows.OWN);
        assertThat(giver.give(all, unit(11)).follows()).isEqualTo(Follows.MODE);
    }

    @Test
    void attributes_fall_back_one_by_one() {
        Palette palette = palette(Kind.COMBINED, entry(global, ZOOM, 0.1), entry(type, Attribute.DIMMER, 0.5));
        Given given = giver.give(palette, unit(11));
        assertThat(given.follows()).isEqualTo(Follows.TYPE);
        assertThat(given.values()).hasSize(2);
    }

    @Test
    void a_unit_without_the_attribute_does_not_follow_and_says_why() {
        Given given = giver.give(palette(Kind.BEAM, entry(global, ZOOM, 0.1)), unit(21));
        assertThat(given.follow()).isFalse();
        assertThat(given.words()).isEqualTo("nothing recorded fits Par");
    }

    @Test
    void a_name_that_the_wheel_does_not_know_is_of_no_use() {
        Entry red = new Entry(global, new Attribute("Color1"), new AttributeValue.Named("Red"), false);
        Entry pink = new Entry(global, new Attribute("Color1"), new AttributeValue.Named("Pink"), false);
        assertThat(giver.give(palette(Kind.COLOUR, red), unit(41)).follow()).isTrue();
        assertThat(giver.give(palette(Kind.COLOUR, pink), unit(41)).follow()).isFalse();
    }

    /** A profile that zooms, between so many degrees, and turns a wheel with these slots. */
    private static Profile beam(String name, double from, double to, String... slots) {
        List<NamedRange> ranges = new ArrayList<>();
        for (int i = 0; i < slots.length; i++) {
            ranges.add(new NamedRange(slots[i], 10L * i, 10L * i + 9, 0, 1, i + 1));
        }
        ChannelFunction gobo = new ChannelFunction(
                "Gobo",
                new Attribute("Gobo1"),
                0,
                255,
                0,
                1,
                0,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                ranges);
        return Rig.profile(
                name,
                Rig.mode(
                        "one",
                        0,
                        Rig.channel("Zoom", 0, 0, Rig.function("Zoom", 0, 255, from, to, null)),
                        Rig.channel("Gobo1", 0, 0, gobo)));
    }

    private static Fixture fixture(int id, int number, Profile profile) {
        return new Fixture(new FixtureId(id), number, "", profile.id(), "one", List.of(), Optional.empty(), "", "");
    }

    @Test
    void who_would_be_given_nothing_takes_what_means_the_same_on_a_similar_type() {
        Profile one = beam("One", 8, 50, "Open", "Ripple");
        Profile other = beam("Other", 20, 60, "Open", "Shards", "Ripple");
        Profiles profiles = new Profiles(List.of(one, other, Rig.WASH));
        Patch patched = new Patch(profiles, List.of(fixture(1, 101, one), fixture(2, 201, other)));
        Giver gives = new Giver(patched, Shelf.EMPTY, new ColourAnswers());
        ScopeKey ofOne = new ScopeKey.Type(one.id());
        UnitId unit = UnitId.whole(patched.number(201).id());
        Given ripple = gives.give(
                palette(Kind.BEAM, new Entry(ofOne, new Attribute("Gobo1"), new AttributeValue.Named("Ripple"), false)),
                unit);
        assertThat(ripple.follows()).isEqualTo(Follows.LIKE);
        assertThat(ripple.words()).isEqualTo("as One");
        assertThat(ripple.values()).containsOnlyKeys(new Attribute("Gobo1"));
        assertThat(gives.give(palette(Kind.BEAM, new Entry(ofOne, ZOOM, new AttributeValue.Physical(30), false)), unit)
                        .follows())
                .isEqualTo(Follows.LIKE);
        assertThat(gives.give(palette(Kind.BEAM, new Entry(ofOne, ZOOM, new AttributeValue.Physical(10), false)), unit)
                        .follow())
                .as("it does not go to 10 degrees")
                .isFalse();
        assertThat(gives.give(
                                palette(
                                        Kind.BEAM,
                                        new Entry(ofOne, ZOOM, new AttributeValue.Physical(30), false),
                                        new Entry(
                                                new ScopeKey.Global(),
                                                new Attribute("Gobo1"),
                                                new AttributeValue.Named("Shards"),
                                                false)),
                                unit)
                        .follows())
                .as("what it is given by the palette itself comes first")
                .isEqualTo(Follows.GLOBAL);
        ScopeKey wash = new ScopeKey.Type(Rig.WASH.id());
        assertThat(gives.give(palette(Kind.BEAM, entry(wash, ZOOM, 0.1), entry(ofOne, ZOOM, 0.7)), unit)
                        .words())
                .as("the type that has more in common")
                .isEqualTo("as One");
    }

    @Test
    void an_intent_alone_is_computed_for_everybody_who_can() {
        Palette intent = new Palette(
                new PaletteId(2), Kind.COLOUR, 2, "Intent", Optional.of(new Chromaticity(.25, .39)), List.of());
        assertThat(List.of(11, 21, 31, 41, 61))
                .allMatch(n -> giver.give(intent, unit(n)).follows() == Follows.COMPUTED);
        assertThat(giver.give(intent, unit(1)).follow()).isFalse();
    }

    @Test
    void reach_counts_every_unit_once_and_in_one_row_per_way() {
        Palette palette = palette(
                Kind.BEAM,
                entry(type, ZOOM, 0.2),
                entry(new ScopeKey.Unit(unit(12)), ZOOM, 0.4),
                entry(new ScopeKey.Unit(unit(13)), ZOOM, 0.5));
        List<UnitId> units = List.of(unit(11), unit(12), unit(13), unit(14), unit(21), unit(22));
        List<ReachRow> rows = new Reach(patch, giver, units).of(palette);
        assertThat(rows.stream().mapToInt(ReachRow::units).sum()).isEqualTo(6);
        assertThat(rows).extracting(ReachRow::follows).containsExactly(Follows.TYPE, Follows.OWN, Follows.NONE);
        assertThat(rows).extracting(ReachRow::units).containsExactly(2, 2, 2);
    }

    @Test
    void nothing_in_hand_reaches_nobody() {
        assertThat(new Reach(patch, giver, List.of()).of(palette(Kind.BEAM))).isEmpty();
    }
}
