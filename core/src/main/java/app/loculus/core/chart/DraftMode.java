package app.loculus.core.chart;

import java.util.List;

/**
 * One mode of a draft.
 *
 * @param cells how often the channels that are {@code inCell} are repeated; 0 for none
 */
public record DraftMode(String name, int cells, List<DraftChannel> channels) {

    public DraftMode {
        name = name == null ? "" : name;
        channels = channels == null ? List.of() : List.copyOf(channels);
    }
}
