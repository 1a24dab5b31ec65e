package app.loculus.app.api.rig;

import app.loculus.app.api.Asked;
import app.loculus.app.output.LiveOutput;
import app.loculus.app.rig.RigLights;
import app.loculus.app.rig.VirtualRig;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.colour.LinearRgb;
import app.loculus.core.dmx.StripSlots;
import app.loculus.core.patch.Address;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.simulation.CellLight;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The test strip: drives one address slot by slot while a profile is being built. */
@RestController
class StripController {

    private static final long SETTLE_MS = 300;

    /**
     * @param mode which mode of the draft stands at the address
     * @param slots value by slot of the fixture, from 1; slots that are absent stand at home
     */
    record StripRequest(ProfileDraft draft, String mode, String address, Map<Integer, Integer> slots) {}

    /** One slot with what stands on it. */
    record StripSlot(int slot, String attribute, int value) {}

    /** What the virtual fixture does with what it receives. */
    record StripView(
            String address,
            List<StripSlot> slots,
            double intensity,
            String srgb,
            double pan,
            double tilt,
            double beam,
            String gobo,
            List<String> cells) {}

    private final LiveOutput output;
    private final RigLights lights;
    private final VirtualRig rig;

    StripController(LiveOutput output, RigLights lights, VirtualRig rig) {
        this.output = output;
        this.lights = lights;
        this.rig = rig;
    }

    @PutMapping("/api/strip")
    StripView drive(@RequestBody StripRequest request, Asked asked) {
        Profile profile = DraftBuilder.build(ProfileDraft.orEmpty(request.draft()));
        Mode mode = profile.mode(request.mode() == null ? "" : request.mode());
        Address at = Address.parse(request.address() == null ? "" : request.address());
        List<Integer> values = StripSlots.of(mode, request.slots() == null ? Map.of() : request.slots());
        if (!at.fits(values.size())) {
            throw Refusal.of(
                    "strip.address",
                    "address",
                    "It needs " + values.size() + " slots; " + at + " leaves " + (Address.SLOTS - at.slot() + 1) + ".");
        }
        output.strip(asked.page(), at, values);
        settle(at, values);
        return view(mode, at, values, lights.light(profile, mode, at));
    }

    @DeleteMapping("/api/strip")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end() {
        output.endStrip();
    }

    /** Waits until the rig has received what is being sent. */
    private void settle(Address at, List<Integer> values) {
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(SETTLE_MS);
        while (!received(at, values) && System.nanoTime() < until) {
            java.util.concurrent.locks.LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(2));
        }
    }

    private boolean received(Address at, List<Integer> values) {
        byte[] slots = rig.slots(at.universe());
        int from = at.slot() - 1;
        return IntStream.range(0, values.size())
                .allMatch(i -> from + i < slots.length && (slots[from + i] & 0xFF) == values.get(i));
    }

    private static StripView view(Mode mode, Address at, List<Integer> values, List<CellLight> lights) {
        CellLight whole = lights.get(0);
        List<StripSlot> slots = mode.channels().stream()
                .flatMap(c -> c.offsets().stream()
                        .filter(o -> o <= values.size())
                        .map(o -> new StripSlot(
                                o, c.attribute().name() + (c.cell() > 0 ? " " + c.cell() : ""), values.get(o - 1))))
                .sorted(java.util.Comparator.comparingInt(StripSlot::slot))
                .toList();
        return new StripView(
                at.toString(),
                slots,
                whole.intensity(),
                hex(whole),
                whole.panDegrees(),
                whole.tiltDegrees(),
                whole.beamDegrees(),
                whole.gobo().orElse(""),
                lights.stream().skip(1).map(StripController::lit).toList());
    }

    private static String hex(CellLight light) {
        return LinearRgb.of(light.hue()).normalised().hex();
    }

    /** The colour of a cell as bright as it is. */
    private static String lit(CellLight light) {
        LinearRgb hue = LinearRgb.of(light.hue()).normalised();
        double level = light.intensity();
        return new LinearRgb(hue.red() * level, hue.green() * level, hue.blue() * level).hex();
    }
}
