package app.loculus.core.device;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a search found.
 *
 * @param unclear what answers and cannot be read
 * @param lines those that were searched
 * @param busMicros how long the slowest of the lines took, by its baud rate; all are searched at once
 */
public record FoundDevices(List<Device> devices, List<Unclear> unclear, List<Integer> lines, long busMicros) {

    public static final FoundDevices NONE = new FoundDevices(List.of(), List.of(), List.of(), 0);

    /**
     * Something that answers on a line and cannot be read.
     *
     * @param garbled whether several answer as one; else it fell silent
     */
    public record Unclear(Uid uid, int line, boolean garbled) {}

    public FoundDevices {
        devices = List.copyOf(devices);
        unclear = List.copyOf(unclear);
        lines = List.copyOf(lines);
    }

    /** With a newer state of some of them. */
    public FoundDevices with(List<Device> newer) {
        Map<Device.Place, Device> now = new HashMap<>();
        newer.forEach(d -> now.put(d.place(), d));
        return new FoundDevices(
                devices.stream().map(d -> now.getOrDefault(d.place(), d)).toList(), unclear, lines, busMicros);
    }
}
