package app.loculus.app.api.devices;

import app.loculus.app.api.Asked;
import app.loculus.app.api.ProblemView;
import app.loculus.app.api.devices.DeviceViews.DeviceDetailsView;
import app.loculus.app.api.devices.DeviceViews.DevicesView;
import app.loculus.app.devices.Devices;
import app.loculus.app.library.Library;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.check.DeviceChange;
import app.loculus.core.check.DeviceComparison;
import app.loculus.core.check.DeviceRow;
import app.loculus.core.device.Device;
import app.loculus.core.device.Uid;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Devices found: what hangs on the lines against the patch; either is set from the other where somebody says so. */
@RestController
class DevicesController {

    /** More than anybody reads. */
    private static final int MOST_TOLD = 12;

    /** @param keys of rows; {@code preview} to be told and nothing else */
    record DeviceKeys(List<String> keys, Boolean preview) {

        DeviceKeys {
            keys = keys == null ? List.of() : List.copyOf(keys);
        }
    }

    /** @param uid of a device that is {@code number}; absent to keep all that are told apart now */
    record KnowRequest(String uid, Integer number) {}

    /** @param on whether fixtures show themselves on the stage */
    record IdentifyRequest(List<Integer> numbers, List<String> keys, boolean on) {

        IdentifyRequest {
            numbers = numbers == null ? List.of() : List.copyOf(numbers);
            keys = keys == null ? List.of() : List.copyOf(keys);
        }
    }

    /** @param what label, lamp or reset; {@code value} the label, or on and off */
    record TellRequest(String key, String what, String value) {}

    private final Devices devices;
    private final Shows shows;
    private final Library library;

    DevicesController(Devices devices, Shows shows, Library library) {
        this.devices = devices;
        this.shows = shows;
        this.library = library;
    }

    private record Now(Snapshot snapshot, Devices.Search search, DeviceComparison comparison) {

        DevicesView view(boolean all) {
            return DevicesView.of(
                    search,
                    comparison,
                    all,
                    snapshot.show().all(PartKinds.DEVICES).keySet());
        }

        List<Device> of(List<String> keys, List<Integer> numbers) {
            Set<String> wanted = new HashSet<>(keys);
            Set<Integer> fixtures = new HashSet<>(numbers);
            return comparison.all().stream()
                    .filter(r -> wanted.contains(r.key())
                            || r.patched()
                                    .map(s -> fixtures.contains(s.number()))
                                    .orElse(false))
                    .flatMap(r -> r.device().stream())
                    .toList();
        }
    }

    private Now now(long id) {
        Snapshot snapshot = shows.get(id);
        Devices.Search search = devices.of(id);
        return new Now(snapshot, search, DeviceComparison.of(snapshot.show(), library.profiles(), search.found()));
    }

    /** What was found last against the patch of now. */
    @GetMapping("/api/shows/{id}/devices")
    DevicesView devices(@PathVariable long id, @RequestParam(defaultValue = "false") boolean all) {
        return now(id).view(all);
    }

    @PostMapping("/api/shows/{id}/devices/search")
    DevicesView search(@PathVariable long id, @RequestParam(defaultValue = "false") boolean all) {
        devices.search(id);
        return now(id).view(all);
    }

    /** Sets devices to what is patched. */
    @PostMapping("/api/shows/{id}/devices/set")
    DevicesView set(@PathVariable long id, @RequestBody DeviceKeys request) {
        Now now = now(id);
        List<DeviceChange> changes = now.comparison.settings(request.keys());
        if (changes.isEmpty()) {
            throw Refusal.of(
                    "devices.set",
                    "device",
                    "No message makes these devices what is patched.",
                    WayOut.advice("Search again, or take what they say into the patch."));
        }
        List<String> words = new ArrayList<>();
        words.add((Boolean.TRUE.equals(request.preview()) ? "Sets " : "Sent to ")
                + Numbers.count(changes.size(), "device"));
        changes.stream().limit(MOST_TOLD).forEach(c -> words.add(c.words()));
        if (changes.size() > MOST_TOLD) {
            words.add("And " + (changes.size() - MOST_TOLD) + " more");
        }
        if (Boolean.TRUE.equals(request.preview())) {
            return now.view(false).saying(words, List.of());
        }
        Devices.Told told = devices.set(id, changes);
        return now(id).view(false).saying(words, refused(told));
    }

    private static List<ProblemView> refused(Devices.Told told) {
        return ProblemView.all(told.not().stream()
                .map(w -> Problem.warning("devices.not", "device", w))
                .toList());
    }

    /** The patch becomes what devices say. */
    @PostMapping("/api/shows/{id}/devices/take")
    DevicesView take(@PathVariable long id, @RequestBody DeviceKeys request, Asked asked) {
        Now now = now(id);
        return edited(
                id, now, now.comparison.taking(request.keys()), Boolean.TRUE.equals(request.preview()), asked, request);
    }

    /** Keeps which device is which fixture. */
    @PostMapping("/api/shows/{id}/devices/know")
    DevicesView know(@PathVariable long id, @RequestBody KnowRequest request, Asked asked) {
        Now now = now(id);
        ShowEdit edit = request.uid() == null || request.number() == null
                ? now.comparison.knowing(
                        now.comparison.all().stream().map(DeviceRow::key).toList())
                : now.comparison.knowing(
                        Uid.parse(request.uid()), now.snapshot.show().patch().number(request.number()));
        return edited(id, now, edit, false, asked, request);
    }

    private DevicesView edited(long id, Now now, ShowEdit edit, boolean preview, Asked asked, Object request) {
        Edited edited = shows.edit(id, edit, asked.editing(preview, "", now.snapshot.revision(), null, request));
        if (edited.outcome().refused() && !preview) {
            throw new Refusal(edited.outcome().problems());
        }
        return now(id).view(false)
                .saying(
                        edited.outcome().words(),
                        ProblemView.all(edited.outcome().problems()));
    }

    /** Fixtures show themselves on the stage, or no more; searched for first when nothing was. */
    @PutMapping("/api/shows/{id}/devices/identify")
    DevicesView identify(@PathVariable long id, @RequestBody IdentifyRequest request) {
        if (devices.of(id).at().isEmpty()) {
            if (!request.on()) {
                return now(id).view(false);
            }
            devices.search(id);
        }
        List<Device> meant = now(id).of(request.keys(), request.numbers());
        if (meant.isEmpty()) {
            throw Refusal.of(
                    "devices.silent",
                    "device",
                    "No device answers for that.",
                    WayOut.advice("Search again under Patch, Devices."));
        }
        Devices.Told told = devices.each(id, meant, d -> s -> s.identify(d.uid(), request.on()));
        return now(id).view(false)
                .saying(
                        List.of((request.on() ? "Identifies: " : "Identifies no more: ")
                                + Numbers.count(told.done(), "device")),
                        refused(told));
    }

    /** No device shows itself any more. */
    @DeleteMapping("/api/shows/{id}/devices/identify")
    DevicesView endShowing(@PathVariable long id) {
        List<Device> shown = devices.of(id).found().devices().stream()
                .filter(Device::identifies)
                .toList();
        Devices.Told told = devices.each(id, shown, d -> s -> s.identify(d.uid(), false));
        return now(id).view(false)
                .saying(List.of("Identifies no more: " + Numbers.count(told.done(), "device")), refused(told));
    }

    /** Writes a label, lights or puts out a lamp, resets. */
    @PutMapping("/api/shows/{id}/devices/tell")
    DevicesView tell(@PathVariable long id, @RequestBody TellRequest request) {
        List<Device> meant = now(id).of(List.of(String.valueOf(request.key())), List.of());
        if (meant.isEmpty()) {
            throw Refusal.of("devices.silent", "device", "No device answers for that.", WayOut.advice("Search again."));
        }
        String value = request.value() == null ? "" : request.value();
        Devices.Told told = switch (String.valueOf(request.what())) {
            case "label" -> devices.each(id, meant, d -> s -> s.label(d.uid(), value));
            case "lamp" -> devices.each(id, meant, d -> s -> s.lamp(d.uid(), value.equals("on")));
            case "reset" -> devices.each(id, meant, d -> s -> s.reset(d.uid()));
            default ->
                throw Refusal.of("devices.what", "what", "“" + request.what() + "” is none of label, lamp and reset.");
        };
        return now(id).view(false).saying(List.of(), refused(told));
    }

    /** One device looked at closely. */
    @GetMapping("/api/shows/{id}/devices/{line}/{uid}")
    DeviceDetailsView details(@PathVariable long id, @PathVariable int line, @PathVariable String uid) {
        Device device = devices.find(id, Uid.parse(uid), line);
        return DeviceDetailsView.of(devices.details(id, device), device);
    }
}
