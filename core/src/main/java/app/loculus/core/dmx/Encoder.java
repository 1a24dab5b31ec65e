package app.loculus.core.dmx;

import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.Patch;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Resolution;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Writes one fixture's resolved values into the slots of its addresses. */
public final class Encoder {

    /** Slots of one address of a fixture: what one break of its mode sends. */
    record Piece(int universe, int firstSlot, byte[] slots, Mode mode, int breakNumber) {

        /** The channels in it, each with one octet or more. */
        List<Channel> channels() {
            return mode.channels().stream()
                    .filter(c -> !c.virtual() && c.breakNumber() == breakNumber)
                    .toList();
        }
    }

    private Encoder() {}

    static List<Piece> encode(Patch patch, Fixture fixture, List<Resolved> channels) {
        Map<Integer, byte[]> breaks = breaks(patch.modeOf(fixture), fixture.inverted(), channels);
        List<Piece> pieces = new ArrayList<>();
        for (Claim claim : patch.claimsOf(fixture)) {
            int number = claim.at().breakNumber();
            pieces.add(new Piece(claim.universe(), claim.first(), breaks.get(number), patch.modeOf(fixture), number));
        }
        return pieces;
    }

    private static Map<Integer, byte[]> breaks(Mode mode, Inverted inverted, List<Resolved> channels) {
        Map<Integer, byte[]> breaks = new TreeMap<>();
        mode.footprint().forEach((number, slots) -> breaks.put(number, new byte[slots]));
        for (int i = 0; i < channels.size(); i++) {
            Channel channel = mode.channels().get(i);
            if (!channel.virtual()) {
                write(channel, sent(mode, inverted, i, channels), breaks.get(channel.breakNumber()));
            }
        }
        return breaks;
    }

    /** What a channel sends, scaled by the virtual channels that act on it, turned over where its head is; in its resolution. */
    public static long sent(Mode mode, Inverted inverted, int channel, List<Resolved> channels) {
        Resolved resolved = channels.get(channel);
        double level = 1;
        for (int dimmer : mode.dimmersOf(channel)) {
            level *= channels.get(dimmer).place().light();
        }
        FunctionValue place = resolved.place();
        return inverted.turned(
                place.function(),
                level == 1 ? place.dmx() : scaled(place, level).dmx());
    }

    /** Light scales as light, whichever way it runs; everything else from the foot of its function. */
    private static FunctionValue scaled(FunctionValue place, double level) {
        Attribute attribute = place.function().attribute();
        return attribute.isAdditive() || attribute.equals(Attribute.DIMMER)
                ? FunctionValue.lit(place.function(), place.light() * level)
                : new FunctionValue(
                        place.function(), Fraction.clamp(place.fraction().value() * level));
    }

    private static void write(Channel channel, long dmx, byte[] slots) {
        Resolution resolution = channel.resolution();
        for (int octet = 0; octet < channel.offsets().size(); octet++) {
            slots[channel.offsets().get(octet) - 1] = (byte) resolution.octet(dmx, octet);
        }
    }
}
