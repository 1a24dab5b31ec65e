package app.loculus.formats.gdtf;

import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ModeMaster;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A description names a master channel once; of its copies the nearest is meant: the cell's own, else an outer one. */
final class Masters {

    private Masters() {}

    static List<Channel> nearest(List<Channel> channels, Cells cells) {
        List<Channel> out = new ArrayList<>();
        for (Channel channel : channels) {
            List<ChannelFunction> functions = channel.functions().stream()
                    .map(f -> f.with(f.master().map(m -> nearest(m, channel, channels, cells))))
                    .toList();
            out.add(channel.with(functions));
        }
        return out;
    }

    private static ModeMaster nearest(ModeMaster master, Channel of, List<Channel> channels, Cells cells) {
        List<Channel> copies = channels.stream()
                .filter(c -> c.plainKey().equals(master.channel()))
                .toList();
        Optional<Channel> near = cells.outwards(of.cell()).stream()
                .flatMap(cell -> copies.stream().filter(c -> c.cell() == cell))
                .findFirst();
        return near.or(() -> copies.stream().findFirst())
                .map(c -> new ModeMaster(c.key(), master.from(), master.to()))
                .orElse(master);
    }
}
