package app.loculus.app.devices;

import app.loculus.app.rig.RigLines;
import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.check.DeviceChange;
import app.loculus.core.device.Device;
import app.loculus.core.device.FoundDevices;
import app.loculus.core.device.FoundDevices.Unclear;
import app.loculus.core.device.Uid;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.formats.rdm.DeviceDetails;
import app.loculus.formats.rdm.DeviceReader;
import app.loculus.formats.rdm.DeviceSetter;
import app.loculus.formats.rdm.Discovery;
import app.loculus.formats.rdm.RdmController;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The devices of the live show as they were found last. One speaks on the lines at a time. */
@Component
public class Devices {

    /**
     * What was found, for which show and when.
     *
     * @param show 0 while nothing was searched
     */
    public record Search(long show, FoundDevices found, Optional<Instant> at) {

        static final Search NONE = new Search(0, FoundDevices.NONE, Optional.empty());
    }

    /** What came of telling devices something: the words of each that did not do it. */
    public record Told(int done, List<String> not) {}

    private final Shows shows;
    private final RigLines lines;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private volatile Search last = Search.NONE;

    Devices(Shows shows, RigLines lines, Clock clock, ApplicationEventPublisher events) {
        this.shows = shows;
        this.lines = lines;
        this.clock = clock;
        this.events = events;
    }

    /** What was found last in a show. */
    public Search of(long show) {
        Search now = last;
        return now.show() == show ? now : Search.NONE;
    }

    /** Another show is live: what hangs there is another rig. */
    @EventListener
    @Order(4)
    void changed(ShowChanged event) {
        if (event.live() && event.snapshot().id() != last.show()) {
            last = Search.NONE;
        }
    }

    /** Looks for everything that hangs on the lines. @throws Refusal when the show is not live */
    public synchronized Search search(long show) {
        live(show);
        List<Device> devices = new ArrayList<>();
        List<Unclear> unclear = new ArrayList<>();
        Map<Integer, List<Uid>> before = of(show).found().devices().stream()
                .collect(Collectors.groupingBy(Device::line, Collectors.mapping(Device::uid, Collectors.toList())));
        List<Integer> numbers = UdpLine.numbers(lines.address());
        DeviceReader reader = new DeviceReader();
        long longest = 0;
        for (int number : numbers) {
            try (UdpLine line = new UdpLine(lines.address(), number)) {
                RdmController controller = new RdmController(line);
                Discovery.Found found = Discovery.of(controller, before.getOrDefault(number, List.of()));
                longest = Math.max(longest, controller.micros());
                found.unclear().forEach(u -> unclear.add(new Unclear(u, number, true)));
                for (Uid uid : found.devices()) {
                    DeviceReader.Read read = reader.read(controller, uid, number);
                    read.device()
                            .ifPresentOrElse(devices::add, () -> unclear.add(new Unclear(uid, number, read.garbled())));
                }
            }
        }
        last = new Search(show, new FoundDevices(devices, unclear, numbers, longest), Optional.of(clock.instant()));
        tell(show);
        return last;
    }

    private Snapshot live(long show) {
        return shows.live()
                .filter(s -> s.id() == show)
                .orElseThrow(() -> Refusal.of(
                        "devices.live",
                        "show",
                        "This show is not open, so nothing of it hangs on the lines.",
                        WayOut.advice("Open it first.")));
    }

    private void tell(long show) {
        events.publishEvent(new DevicesChanged(show));
    }

    /** One that was found. @throws Refusal when none was */
    public Device find(long show, Uid uid, int line) {
        return of(show).found().devices().stream()
                .filter(d -> d.uid().equals(uid) && d.line() == line)
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "devices.gone",
                        "device",
                        "Device " + uid + " was not found on line " + line + ".",
                        WayOut.advice("Search again.")));
    }

    /** Sets devices as they are to be, and reads them again. */
    public synchronized Told set(long show, Collection<DeviceChange> changes) {
        Map<Device, DeviceChange> byDevice = new LinkedHashMap<>();
        changes.forEach(c -> byDevice.put(c.device(), c));
        return each(show, byDevice.keySet(), d -> s -> s.set(byDevice.get(d)));
    }

    /** Tells each of some devices something, and reads it again. */
    public synchronized Told each(
            long show, Collection<Device> devices, Function<Device, Function<DeviceSetter, Optional<String>>> what) {
        live(show);
        List<Device> now = new ArrayList<>();
        List<String> not = new ArrayList<>();
        DeviceReader reader = new DeviceReader();
        Map<Integer, List<Device>> byLine =
                devices.stream().collect(Collectors.groupingBy(Device::line, LinkedHashMap::new, Collectors.toList()));
        byLine.forEach((number, there) -> {
            try (UdpLine line = new UdpLine(lines.address(), number)) {
                RdmController controller = new RdmController(line);
                DeviceSetter setter = new DeviceSetter(controller);
                for (Device d : there) {
                    what.apply(d).apply(setter).ifPresent(w -> not.add(d + ": " + w + "."));
                    reader.read(controller, d.uid(), number).device().ifPresent(now::add);
                }
            }
        });
        Search before = of(show);
        last = new Search(show, before.found().with(now), before.at());
        tell(show);
        return new Told(devices.size() - not.size(), not);
    }

    /** A device looked at closely. */
    public synchronized DeviceDetails details(long show, Device device) {
        live(show);
        try (UdpLine line = new UdpLine(lines.address(), device.line())) {
            return new DeviceReader().details(new RdmController(line), device.uid());
        }
    }
}
