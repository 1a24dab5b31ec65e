package app.loculus.formats.cues;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.facts.ProfileFacts;
import app.loculus.core.profile.words.StandardAttributes;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.formats.gdtf.DescriptionReader;
import app.loculus.formats.gdtf.DescriptionWriter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;

/** Dimmers of one slot, as which the channels of a text come in; and those that stay below full. */
public final class PlainDimmers {

    private static final long TOP = 255;

    /** What a slot does above the share: it is never sent there. */
    private static final Attribute NOTHING = new Attribute("NoFeature");

    private PlainDimmers() {}

    /** Those that the show uses; where it uses none, those of the library. */
    public static List<Profiles.Type> of(Show show, Profiles library) {
        List<Profiles.Type> used = show.patch().fixtures().stream()
                .map(f -> new Profiles.Type(
                        show.patch().profileOf(f), show.patch().modeOf(f)))
                .filter(t -> plain(t.mode()))
                .distinct()
                .toList();
        return used.isEmpty()
                ? library.all().stream()
                        .flatMap(p -> p.modes().stream().map(m -> new Profiles.Type(p, m)))
                        .filter(t -> plain(t.mode()))
                        .toList()
                : used;
    }

    private static boolean plain(Mode mode) {
        return mode.slots() == 1 && proportion(mode) == 1;
    }

    /**
     * How far up the dimmer of a mode goes, 0 to 1: what its slot is sent at full. Empty for one that has none in a slot, or
     * that is brightest elsewhere than at its upper end: no text can say those.
     */
    static Optional<Double> top(Mode mode, int cell) {
        return mode.parameter(cell, Attribute.DIMMER)
                .map(mode::channelOf)
                .filter(c -> !c.virtual())
                .map(c -> c.functions().stream()
                        .filter(f -> f.attribute().equals(Attribute.DIMMER))
                        .findFirst()
                        .filter(f -> f.from() == 0 && !f.runsDown())
                        .map(f -> (double) f.to() / c.resolution().max())
                        .orElse(1.0));
    }

    private static double proportion(Mode mode) {
        return top(mode, 0).orElse(0.0);
    }

    /** The same dimmer, whose slot is sent this share of full at most: at full it stays there, and below it in proportion. */
    public static Profile upTo(double share, Profiles.Type of) {
        long top = Math.max(1, Math.round(share * TOP));
        Channel channel = new Channel(
                "Head_Dimmer",
                1,
                List.of(1),
                0,
                Stream.of(function("Dimmer 1", Attribute.DIMMER, 0, top), function("Nothing 2", NOTHING, top + 1, TOP))
                        .filter(f -> f.from() <= TOP)
                        .toList(),
                0,
                OptionalLong.of(top));
        Mode mode = new Mode(of.mode().name(), List.of(channel), 0, of.mode().lamp(), Map.of(), Map.of());
        Profile made = new Profile(
                new ProfileId("proportional"),
                of.profile().maker(),
                of.profile().name() + " at " + Decimal.text(100.0 * top / TOP, 1) + " percent",
                Stream.of(Attribute.DIMMER, NOTHING)
                        .map(a -> StandardAttributes.of(a).definition())
                        .toList(),
                List.of(),
                List.of(mode),
                List.of(),
                "",
                ProfileFacts.NONE);
        return DescriptionReader.read(DescriptionWriter.write(made));
    }

    private static ChannelFunction function(String name, Attribute attribute, long from, long to) {
        return new ChannelFunction(
                name, attribute, from, to, 0, 1, from, Optional.empty(), Optional.empty(), Optional.empty(), List.of());
    }
}
