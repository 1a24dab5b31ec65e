package app.loculus.app.api.devices;

import app.loculus.app.api.ProblemView;
import app.loculus.app.devices.Devices;
import app.loculus.core.check.DeviceComparison;
import app.loculus.core.check.DeviceRow;
import app.loculus.core.device.Device;
import app.loculus.core.device.Personality;
import app.loculus.core.device.Uid;
import app.loculus.formats.rdm.DeviceDetails;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Devices on the wire. */
final class DeviceViews {

    private DeviceViews() {}

    /**
     * @param address as it says, {@code 3.41}
     * @param label what is written into it
     */
    record DeviceView(
            String uid, int line, String model, String mode, String address, String label, boolean identifies) {

        static DeviceView of(Device d) {
            return new DeviceView(
                    d.uid().toString(),
                    d.line(),
                    d.model().toString(),
                    d.mode().map(Personality::toString).orElse(""),
                    d.address(),
                    d.label(),
                    d.identifies());
        }
    }

    /**
     * A place of the patch and what hangs there.
     *
     * @param number 0 for what is not patched
     * @param patched its address in the patch, empty when it has none
     * @param device absent when nothing answers
     * @param faults a word or two each; none when all is right
     * @param words a sentence for each of them
     * @param by how it was told that the device is this fixture
     * @param known whether that was kept
     * @param settable whether the device can be set to what is patched
     * @param takeable whether the patch can become what the device says
     */
    record DeviceRowView(
            String key,
            int number,
            String name,
            String type,
            String patched,
            DeviceView device,
            List<String> faults,
            List<String> words,
            String by,
            boolean known,
            boolean settable,
            boolean takeable) {

        static DeviceRowView of(DeviceRow row, DeviceComparison comparison) {
            return new DeviceRowView(
                    row.key(),
                    row.patched().map(DeviceRow.Spot::number).orElse(0),
                    row.patched().map(s -> s.claim().fixture().name()).orElse(""),
                    row.patched().map(s -> s.type().toString()).orElse(""),
                    row.patched().map(s -> s.claim().at().address().toString()).orElse(""),
                    row.device().map(DeviceView::of).orElse(null),
                    row.faults().stream().map(DeviceRow.Fault::words).toList(),
                    row.words(),
                    row.by().words(),
                    row.by() == DeviceRow.By.KNOWN,
                    comparison.settable(row),
                    comparison.takeable(row));
        }
    }

    /**
     * @param searchedAt ISO 8601, empty while nothing was searched
     * @param lines universes whose lines were searched
     * @param busMillis how long the slowest line took, by its baud rate
     * @param found devices that answered, {@code right} those that are as patched, {@code kept} those known for good
     * @param rows those that differ, or all when asked for
     * @param words what something does or did
     * @param problems why not, or warnings
     */
    record DevicesView(
            String searchedAt,
            int lines,
            long busMillis,
            Counts counts,
            List<DeviceRowView> rows,
            List<String> words,
            List<ProblemView> problems) {

        static DevicesView of(Devices.Search search, DeviceComparison comparison, boolean all, Set<Uid> kept) {
            boolean searched = search.at().isPresent();
            List<DeviceRow> rows = searched ? comparison.all() : List.of();
            return new DevicesView(
                    search.at().map(Instant::toString).orElse(""),
                    search.found().lines().size(),
                    search.found().busMicros() / 1000,
                    new Counts(
                            search.found().devices().size(),
                            (int) rows.stream().filter(DeviceRow::right).count(),
                            (int) search.found().devices().stream()
                                    .filter(d -> kept.contains(d.uid()))
                                    .count(),
                            (int) search.found().devices().stream()
                                    .filter(Device::identifies)
                                    .count()),
                    rows.stream()
                            .filter(r -> all || !r.right())
                            .map(r -> DeviceRowView.of(r, comparison))
                            .collect(Collectors.toList()),
                    List.of(),
                    List.of());
        }

        DevicesView saying(List<String> nowWords, List<ProblemView> nowProblems) {
            return new DevicesView(searchedAt, lines, busMillis, counts, rows, nowWords, nowProblems);
        }
    }

    /** @param found how many answered, {@code right} of them as patched, {@code kept} known for good, {@code shown} that show themselves */
    record Counts(int found, int right, int kept, int shown) {}

    /** @param normal whether the value is as it should be */
    record SensorView(String name, int value, String unit, boolean normal) {}

    /** What is not told is empty. {@code lamp} is on, off or empty; {@code trouble} why nothing was told. */
    record DeviceDetailsView(
            String software,
            String hours,
            String lampHours,
            String lamp,
            List<SensorView> sensors,
            List<String> modes,
            String trouble) {

        static DeviceDetailsView of(DeviceDetails d, Device device) {
            return new DeviceDetailsView(
                    d.software(),
                    d.hours().map(String::valueOf).orElse(""),
                    d.lampHours().map(String::valueOf).orElse(""),
                    d.lamp().map(on -> on ? "on" : "off").orElse(""),
                    d.sensors().stream()
                            .map(s -> new SensorView(s.name(), s.value(), s.unit(), s.normal()))
                            .toList(),
                    device.model().personalities().stream()
                            .map(p -> p.name() + ", " + p.slots() + (p.slots() == 1 ? " slot" : " slots"))
                            .toList(),
                    d.trouble());
        }
    }
}
