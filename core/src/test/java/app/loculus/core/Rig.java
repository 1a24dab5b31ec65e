package app.loculus.core;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Emitter;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.Whites;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Kelvin;
import app.loculus.core.unit.Resolution;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;

/** A small rig for tests: every awkward kind of fixture once, built by hand. */
public final class Rig {

    public static final List<Emitter> RGBW = List.of(
            Emitter.of("ColorAdd_R", .690, .308, 25),
            Emitter.of("ColorAdd_G", .170, .700, 60),
            Emitter.of("ColorAdd_B", .135, .055, 9),
            Emitter.of("ColorAdd_W", .3127, .3290, 100));

    public static final Tristimulus LAMP = Whites.of(Kelvin.of(6500)).withLuminance(100);

    public static final Profile DIMMER = profile("Dimmer", mode("1-slot", 0, dimmer()));

    /** Pan and tilt 16 bit, dimmer 16 bit, RGBW, zoom: 12 slots. */
    public static final Profile WASH = profile(
            "Wash",
            mode(
                    "extended",
                    0,
                    Stream.of(
                                    List.of(angle("Pan", -270, 270), angle("Tilt", -135, 135), wide(dimmer())),
                                    additive(0, Optional.empty(), "R", "G", "B", "W"),
                                    List.of(angle("Zoom", 8, 56)))
                            .flatMap(List::stream)
                            .toArray(Channel[]::new)));

    /** RGB and no dimmer: 3 slots. */
    public static final Profile PAR = profile(
            "Par", mode("rgb", 0, additive(0, Optional.empty(), "R", "G", "B").toArray(Channel[]::new)));

    /** Dimmer, cyan, magenta, yellow, colour wheel: 5 slots. */
    public static final Profile SPOT =
            profile("Spot", mode("cmy", 0, dimmer(), flag("C"), flag("M"), flag("Y"), wheel()));

    /** Dimmer and colour wheel, no mixing: 2 slots. */
    public static final Profile BEAM = profile("Beam", mode("wheel", 0, dimmer(), wheel()));

    /** Four RGB cells under a master dimmer: 13 slots. */
    public static final Profile BATTEN = profile("Batten", mode("cells", 4, battenChannels()));

    /** Dimmer, a mode channel, white emitter that needs mode 0–127, RGB that need 128–255: 6 slots. */
    public static final Profile PANEL = profile("Panel", mode("mode", 0, panelChannels()));

    /** Dimmer, a mode channel, white of the whole that needs mode 0–127, RGB in three cells that need 128–255: 12 slots. */
    public static final Profile CURTAIN = profile("Curtain", mode("mode", 3, curtainChannels()));

    /** Dimmer that starts full, one shutter channel: Shutter1 0–63 with names, strobe 64–191, pulse 192–255: 2 slots. */
    public static final Profile BLINK = profile("Blink", mode("shutter", 0, blinkChannels()));

    /** Dimmer, a mode channel, one channel that is red at mode 0–127 and warm white at 128–255, green, blue: 5 slots. */
    public static final Profile TWIN = profile("Twin", mode("shared", 0, twinChannels()));

    public static final Profiles ALL =
            new Profiles(List.of(DIMMER, WASH, PAR, SPOT, BEAM, BATTEN, PANEL, CURTAIN, BLINK, TWIN));

    private Rig() {}

    /** A show after these lines, each of which must be accepted. */
    public static Show show(String... lines) {
        return after(Show.empty("Test"), lines);
    }

    public static Show after(Show show, String... lines) {
        Show now = show;
        for (String line : lines) {
            Outcome outcome = say(now, line);
            if (outcome.refused()) {
                throw new AssertionError(line + ": " + outcome.problems());
            }
            now = outcome.show();
        }
        return now;
    }

    public static Outcome say(Show show, String line) {
        return ((Command.Edit) new LineReader(ALL).read(line)).edit().apply(show);
    }

    /** Fixtures 1 to 4 of one profile from universe 1, slot 1, after lines. */
    public static Show of(Profile profile, String... lines) {
        String type = profile.name() + " / " + profile.modes().get(0).name();
        LineReader reader = new LineReader(new Profiles(List.of(profile)));
        Outcome patched = ((Command.Edit) reader.read("patch 1 thru 4 as \"" + type + "\" at 1.1"))
                .edit()
                .apply(Show.empty("Test"));
        if (patched.refused()) {
            throw new AssertionError(patched.problems());
        }
        return after(patched.show(), lines);
    }

    /** What fixture 1 of such a show sends, octet for octet. */
    public static int[] slots(Show show, int count) {
        byte[] all = new FrameRenderer().render(show.scene()).slots(1);
        int[] slots = new int[count];
        for (int i = 0; i < count; i++) {
            slots[i] = all[i] & 0xFF;
        }
        return slots;
    }

    /** A channel of one octet with functions of its own. */
    public static Channel channel(String attribute, int cell, long home, ChannelFunction... functions) {
        return new Channel(
                "Head_" + attribute + (cell == 0 ? "" : "#" + cell),
                1,
                List.of(1),
                cell,
                List.of(functions),
                home,
                OptionalLong.empty());
    }

    /** @param master channel key with range, null where it always works */
    public static ChannelFunction function(
            String attribute, long from, long to, double physicalFrom, double physicalTo, ModeMaster master) {
        return new ChannelFunction(
                attribute + " " + from,
                new Attribute(attribute),
                from,
                to,
                physicalFrom,
                physicalTo,
                from,
                Optional.empty(),
                Optional.empty(),
                Optional.ofNullable(master),
                List.of());
    }

    /** One of each on the output. */
    public static Show everyKind() {
        return show(
                "patch 1 as \"Dimmer / 1-slot\" at 1.1",
                "patch 11 thru 14 as \"Wash / extended\" at 1.11",
                "patch 21 thru 23 as \"Par / rgb\" at 1.101",
                "patch 31 as \"Spot / cmy\" at 1.201",
                "patch 41 as \"Beam / wheel\" at 1.211",
                "patch 51 as \"Batten / cells\" at 2.1",
                "patch 61 as \"Panel / mode\" at 2.101");
    }

    /** Two of each, those among them whose channels hang on one another. */
    public static Show awkward() {
        return show(
                "patch 1 + 2 as \"Wash / extended\" at 1.1",
                "patch 11 + 12 as \"Par / rgb\" at 1.41",
                "patch 21 + 22 as \"Spot / cmy\" at 1.61",
                "patch 31 + 32 as \"Batten / cells\" at 1.81",
                "patch 41 + 42 as \"Panel / mode\" at 1.121",
                "patch 51 + 52 as \"Curtain / mode\" at 1.141",
                "patch 61 + 62 as \"Blink / shutter\" at 1.181",
                "patch 71 + 72 as \"Twin / shared\" at 1.191");
    }

    public static Profile profile(String name, Mode... modes) {
        List<AttributeDefinition> definitions = new ArrayList<>();
        for (Mode mode : modes) {
            mode.attributes().forEach(a -> definitions.add(new AttributeDefinition(a, pretty(a), feature(a), unit(a))));
        }
        return new Profile(
                new ProfileId(name), "Testmaker", name, definitions, List.of(colours()), List.of(modes), List.of(), "");
    }

    private static String pretty(Attribute a) {
        return a.name().replace("ColorAdd_R", "Red").replace("ColorAdd_", "").replace("ColorSub_", "");
    }

    private static String feature(Attribute a) {
        if (a.name().startsWith("Color") && !a.name().equals("ColorMixMode")) {
            return "Color.Color";
        }
        return switch (a.name()) {
            case "Dimmer" -> "Dimmer.Dimmer";
            case "Pan", "Tilt" -> "Position.PanTilt";
            case "Zoom" -> "Focus.Focus";
            case "Shutter1", "Shutter1Strobe", "Shutter1StrobePulse" -> "Beam.Beam";
            default -> a.name().startsWith("Gobo") ? "Gobo.Gobo" : "Control.Control";
        };
    }

    private static String unit(Attribute a) {
        return List.of("Pan", "Tilt", "Zoom").contains(a.name()) ? "Angle" : "None";
    }

    public static Mode mode(String name, int cells, Channel... channels) {
        return mode(
                name,
                cells,
                new Chromaticity(.4599, .4106).withLuminance(90),
                new Chromaticity(.3135, .3237).withLuminance(100),
                channels);
    }

    /** @param warm full light of its warm white emitter; @param cool of its cool one */
    public static Mode mode(String name, int cells, Tristimulus warm, Tristimulus cool, Channel... channels) {
        List<Channel> placed = new ArrayList<>();
        int next = 1;
        for (Channel c : channels) {
            List<Integer> offsets = new ArrayList<>();
            for (int i = 0; i < c.offsets().size(); i++) {
                offsets.add(next++);
            }
            placed.add(new Channel(c.key(), 1, offsets, c.cell(), c.functions(), c.home(), c.highlight()));
        }
        Map<Attribute, Tristimulus> emitters = new LinkedHashMap<>();
        RGBW.forEach(e -> emitters.put(new Attribute(e.name()), e.full()));
        emitters.put(new Attribute("ColorAdd_WW"), warm);
        emitters.put(new Attribute("ColorAdd_CW"), cool);
        return new Mode(name, placed, cells, LAMP, emitters, Map.of("Colours", colours()));
    }

    private static Wheel colours() {
        return new Wheel(
                "Colours",
                List.of(
                        slot("Open", Chromaticity.D65, 100),
                        slot("Red", new Chromaticity(.68, .31), 8),
                        slot("Jade", new Chromaticity(.215, .445), 30)));
    }

    private static WheelSlot slot(String name, Chromaticity c, double transmission) {
        return new WheelSlot(name, Optional.of(c.withLuminance(transmission)), Optional.empty());
    }

    private static Channel channel(
            String attribute,
            int octets,
            int cell,
            double from,
            double to,
            long home,
            Optional<ModeMaster> master,
            Optional<String> wheel,
            List<NamedRange> ranges) {
        long max = new Resolution(octets).max();
        ChannelFunction function = new ChannelFunction(
                attribute, new Attribute(attribute), 0, max, from, to, home, wheel, Optional.empty(), master, ranges);
        List<Integer> offsets = octets == 1 ? List.of(1) : List.of(1, 2);
        return new Channel(
                "Head_" + attribute + (cell == 0 ? "" : "#" + cell),
                1,
                offsets,
                cell,
                List.of(function),
                home,
                OptionalLong.of(max));
    }

    private static Channel dimmer() {
        return channel("Dimmer", 1, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of());
    }

    private static Channel wide(Channel narrow) {
        return channel(narrow.attribute().name(), 2, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of());
    }

    private static Channel angle(String attribute, double from, double to) {
        Channel c = channel(attribute, 2, 0, from, to, 32768, Optional.empty(), Optional.empty(), List.of());
        return new Channel(c.key(), 1, c.offsets(), 0, c.functions(), c.home(), OptionalLong.empty());
    }

    private static List<Channel> additive(int cell, Optional<ModeMaster> master, String... emitters) {
        return Stream.of(emitters)
                .map(e -> channel("ColorAdd_" + e, 1, cell, 0, 1, 255, master, Optional.empty(), List.of()))
                .toList();
    }

    private static Channel flag(String colour) {
        return channel("ColorSub_" + colour, 1, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of());
    }

    private static Channel wheel() {
        List<NamedRange> ranges = List.of(
                new NamedRange("Open", 0, 9, 1, 1, 1),
                new NamedRange("Red", 10, 19, 2, 2, 2),
                new NamedRange("Jade", 20, 255, 3, 3, 3));
        return channel("Color1", 1, 0, 1, 3, 0, Optional.empty(), Optional.of("Colours"), ranges);
    }

    private static Channel[] battenChannels() {
        List<Channel> all = new ArrayList<>(List.of(dimmer()));
        for (int cell = 1; cell <= 4; cell++) {
            all.addAll(additive(cell, Optional.empty(), "R", "G", "B"));
        }
        return all.toArray(Channel[]::new);
    }

    private static Channel[] curtainChannels() {
        List<Channel> all = new ArrayList<>();
        all.add(dimmer());
        all.add(channel("ColorMixMode", 1, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of()));
        all.addAll(additive(0, Optional.of(new ModeMaster("Head_ColorMixMode", 0, 127)), "W"));
        for (int cell = 1; cell <= 3; cell++) {
            all.addAll(additive(cell, Optional.of(new ModeMaster("Head_ColorMixMode", 128, 255)), "R", "G", "B"));
        }
        return all.toArray(Channel[]::new);
    }

    private static Channel[] blinkChannels() {
        ChannelFunction open = new ChannelFunction(
                "Shutter1",
                new Attribute("Shutter1"),
                0,
                63,
                0,
                1,
                0,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(new NamedRange("Closed", 0, 31, 0, 0, 0), new NamedRange("Open", 32, 63, 1, 1, 0)));
        return new Channel[] {
            channel("Dimmer", 1, 0, 0, 1, 255, Optional.empty(), Optional.empty(), List.of()),
            channel(
                    "Shutter1",
                    0,
                    40,
                    open,
                    function("Shutter1Strobe", 64, 191, 1, 20, null),
                    function("Shutter1StrobePulse", 192, 255, 1, 10, null))
        };
    }

    private static Channel[] twinChannels() {
        return new Channel[] {
            dimmer(),
            channel("ColorMixMode", 1, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of()),
            channel(
                    "ColorAdd_R",
                    0,
                    0,
                    function("ColorAdd_R", 0, 255, 0, 1, new ModeMaster("Head_ColorMixMode", 0, 127)),
                    function("ColorAdd_WW", 0, 255, 0, 1, new ModeMaster("Head_ColorMixMode", 128, 255))),
            channel("ColorAdd_G", 1, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of()),
            channel("ColorAdd_B", 1, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of())
        };
    }

    private static Channel[] panelChannels() {
        List<Channel> all = new ArrayList<>();
        all.add(dimmer());
        all.add(channel("ColorMixMode", 1, 0, 0, 1, 0, Optional.empty(), Optional.empty(), List.of()));
        all.addAll(additive(0, Optional.of(new ModeMaster("Head_ColorMixMode", 0, 127)), "W"));
        all.addAll(additive(0, Optional.of(new ModeMaster("Head_ColorMixMode", 128, 255)), "R", "G", "B"));
        return all.toArray(Channel[]::new);
    }
}
