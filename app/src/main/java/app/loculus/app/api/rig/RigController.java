package app.loculus.app.api.rig;

import app.loculus.app.output.FrameClock;
import app.loculus.app.output.LiveOutput;
import app.loculus.app.rig.Hung;
import app.loculus.app.rig.RigDevices;
import app.loculus.app.rig.RigLights;
import app.loculus.app.rig.RigNode;
import app.loculus.app.rig.VirtualRig;
import app.loculus.core.patch.Address;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What the simulated fixtures do with what they receive, and how each of them is set wrong. */
@RestController
class RigController {

    /** Longest wait for the last rendered frame to come in; a few ticks of the frame clock. */
    private static final long SETTLE_MS = 250;

    record FaultRequest(String address, Boolean dead) {}

    private final RigLights lights;
    private final VirtualRig rig;
    private final RigNode node;
    private final RigDevices devices;
    private final LiveOutput output;
    private final FrameClock clock;

    RigController(
            RigLights lights, VirtualRig rig, RigNode node, RigDevices devices, LiveOutput output, FrameClock clock) {
        this.node = node;
        this.devices = devices;
        this.lights = lights;
        this.rig = rig;
        this.output = output;
        this.clock = clock;
    }

    @GetMapping("/api/output")
    OutputView output() {
        Map<Integer, List<String>> takers = clock.takers();
        List<OutputView.OtherView> others = new ArrayList<>(
                OutputView.others(rig, Set.copyOf(output.frames().universes()), clock.own()));
        others.addAll(OutputView.onTheNet(clock.overheard()));
        return new OutputView(
                clock.universes(),
                clock.receivers(),
                clock.packets(),
                rig.port(),
                rig.onOtherPort(),
                node.port(),
                clock.trouble(),
                clock.sent().stream()
                        .map(s -> OutputView.SentView.of(
                                s, takers.getOrDefault(s.universe(), List.of()), clock.trouble(s.universe())))
                        .toList(),
                others);
    }

    @GetMapping("/api/rig/{number}")
    RigView fixture(@PathVariable int number) {
        Hung fixture = find(number);
        settle(fixture);
        return RigView.of(fixture, lights.light(fixture), devices.identifying().contains(number));
    }

    @PutMapping("/api/rig/{number}")
    RigView setWrong(@PathVariable int number, @RequestBody FaultRequest request) {
        Optional<Address> address =
                Optional.ofNullable(request.address()).filter(a -> !a.isBlank()).map(Address::parse);
        lights.set(number, Optional.of(RigLights.Fault.of(address, Boolean.TRUE.equals(request.dead()))));
        return fixture(number);
    }

    @DeleteMapping("/api/rig/{number}")
    RigView setRight(@PathVariable int number) {
        lights.set(number, Optional.empty());
        return fixture(number);
    }

    private Hung find(int number) {
        return lights.find(number)
                .orElseThrow(() -> Refusal.of(
                        "rig.missing",
                        "number",
                        "No fixture " + number + " hangs in the rig.",
                        WayOut.advice("The rig is that of the live show.")));
    }

    /** Waits until the rig has received what was rendered last for this fixture's universes. */
    private void settle(Hung fixture) {
        Set<Integer> universes =
                fixture.addresses().stream().map(a -> a.address().universe()).collect(Collectors.toSet());
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(SETTLE_MS);
        while (!universes.stream().allMatch(this::received) && System.nanoTime() < until) {
            java.util.concurrent.locks.LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(2));
        }
    }

    private boolean received(int universe) {
        return !output.frames().universes().contains(universe)
                || Arrays.equals(rig.slots(universe), output.frames().slots(universe));
    }
}
