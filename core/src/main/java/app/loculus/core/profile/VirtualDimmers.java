package app.loculus.core.profile;

import app.loculus.core.unit.Resolution;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** Gives each part that has emitters and no dimmer a channel without slots that dims them. */
final class VirtualDimmers {

    private VirtualDimmers() {}

    static List<Channel> added(List<Channel> channels, Cells cells) {
        List<Channel> out = new ArrayList<>(channels);
        for (int cell = 0; cell <= cells.count(); cell++) {
            if (hasEmitters(channels, cell) && !hasDimmer(channels, cell)) {
                out.add(dimmer(cell, underDimmer(channels, cells, cell)));
                whiteAtHome(out, cell);
            }
        }
        return List.copyOf(out);
    }

    /** Whether something that the cell lies in has a dimmer. */
    private static boolean underDimmer(List<Channel> channels, Cells cells, int cell) {
        return cells.outwards(cell).stream().skip(1).anyMatch(outer -> hasDimmer(channels, outer));
    }

    private static boolean hasDimmer(List<Channel> channels, int cell) {
        return channels.stream().anyMatch(c -> c.cell() == cell && c.attribute().equals(Attribute.DIMMER));
    }

    private static boolean hasEmitters(List<Channel> channels, int cell) {
        return channels.stream().anyMatch(c -> c.cell() == cell && c.attribute().isAdditive());
    }

    private static Channel dimmer(int cell, boolean open) {
        long max = new Resolution(1).max();
        long home = open ? max : 0;
        ChannelFunction function = new ChannelFunction(
                "Virtual dimmer",
                Attribute.DIMMER,
                0,
                max,
                0,
                1,
                home,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
        return new Channel("virtual dimmer " + cell, 1, List.of(), cell, List.of(function), home, OptionalLong.of(max));
    }

    private static void whiteAtHome(List<Channel> channels, int cell) {
        boolean visible = channels.stream().anyMatch(c -> c.cell() == cell && shows(c, true));
        boolean dark = channels.stream()
                .filter(c -> c.cell() == cell && shows(c, visible))
                .allMatch(c -> c.home() == dark(c));
        if (dark) {
            channels.replaceAll(c -> c.cell() == cell && shows(c, visible) ? open(c) : c);
        }
    }

    /** Emitters that make what a lamp shows: the visible ones, and the others where it has none of these. */
    private static boolean shows(Channel c, boolean visible) {
        return visible ? c.attribute().isVisibleAdditive() : c.attribute().isAdditive();
    }

    private static long dark(Channel c) {
        return FunctionValue.lit(c.homeFunction(), 0).dmx();
    }

    private static Channel open(Channel c) {
        long full = FunctionValue.lit(c.homeFunction(), 1).dmx();
        return c.at(full);
    }
}
