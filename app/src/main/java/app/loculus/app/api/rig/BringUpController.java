package app.loculus.app.api.rig;

import app.loculus.app.api.Asked;
import app.loculus.app.output.LiveOutput;
import app.loculus.app.rig.RigLights;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.check.PracticeFault;
import app.loculus.core.check.PracticeRig;
import app.loculus.core.edit.hand.Solo;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Refusal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Brings fixtures of the live show up one by one, and hides faults in the virtual rig to practise on. */
@RestController
class BringUpController {

    /** @param look open, highlight, red, green or blue; @param level percent */
    record BringUpRequest(List<Integer> numbers, String look, Double level) {

        BringUpRequest {
            numbers = numbers == null ? List.of() : List.copyOf(numbers);
        }
    }

    /** @param seed the same seed hides the same faults; absent for a draw of its own */
    record PracticeRequest(Long seed) {}

    record BringUpView(List<Integer> numbers, String look, double level) {}

    record FindingView(int number, String verdict, String words) {}

    /**
     * @param hidden how many fixtures were set wrong
     * @param findings empty until they are asked for
     */
    record PracticeView(int hidden, List<FindingView> findings) {}

    private final Shows shows;
    private final LiveOutput output;
    private final RigLights lights;
    private final Random seeds = new Random();

    BringUpController(Shows shows, LiveOutput output, RigLights lights) {
        this.shows = shows;
        this.output = output;
        this.lights = lights;
    }

    @PutMapping("/api/bring-up")
    BringUpView bringUp(@RequestBody BringUpRequest request, Asked asked) {
        Snapshot live = live();
        Patch patch = live.show().patch();
        List<FixtureId> fixtures =
                request.numbers().stream().map(n -> patch.number(n).id()).toList();
        Solo.Look look = Solo.Look.of(request.look());
        double level = level(request.level());
        output.bringUp(asked.page(), live.id(), fixtures, look, level);
        return new BringUpView(request.numbers(), look.word(), level);
    }

    private static double level(Double percent) {
        double level = percent == null ? 100 : percent;
        if (!(level >= 0 && level <= 100)) {
            throw Refusal.of("rig.level", "level", level + " % is outside 0 to 100.");
        }
        return level;
    }

    /** The show itself goes out again. */
    @DeleteMapping("/api/bring-up")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end() {
        output.endBringUp();
    }

    private Snapshot live() {
        return shows.live().orElseThrow(() -> Refusal.of("rig.none", "rig", "No show is open."));
    }

    /** Sets some fixtures of the rig wrong without saying which. */
    @PostMapping("/api/rig/practice")
    PracticeView practise(@RequestBody PracticeRequest request) {
        Patch patch = live().show().patch();
        long seed = request.seed() == null ? seeds.nextLong() : request.seed();
        Map<Integer, RigLights.Fault> wrong = new LinkedHashMap<>();
        PracticeRig.draw(patch, seed)
                .forEach(f -> wrong.put(
                        f.number(),
                        new RigLights.Fault(
                                f.address().map(Starts::at), f.dead(), f.mode(), true, f.twin(), f.stray())));
        if (wrong.isEmpty()) {
            throw Refusal.of("rig.practice", "rig", "Nothing is patched yet that could be set wrong.");
        }
        lights.setAll(wrong);
        return new PracticeView(wrong.size(), List.of());
    }

    /** How many faults are hidden. */
    @GetMapping("/api/rig/practice")
    PracticeView hidden() {
        return new PracticeView(truth().size(), List.of());
    }

    /** The marks in the show against what is really wrong. */
    @GetMapping("/api/rig/practice/result")
    PracticeView result() {
        List<PracticeFault> truth = truth();
        return new PracticeView(
                truth.size(),
                PracticeRig.compare(live().show().patch(), truth).stream()
                        .map(f -> new FindingView(
                                f.number(),
                                f.verdict().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                                f.words()))
                        .toList());
    }

    /** Puts the rig right. */
    @DeleteMapping("/api/rig/practice")
    PracticeView putRight() {
        lights.setAll(Map.of());
        return new PracticeView(0, List.of());
    }

    private List<PracticeFault> truth() {
        return lights.faults().entrySet().stream()
                .map(e -> new PracticeFault(
                        e.getKey(),
                        e.getValue().dead(),
                        e.getValue().starts().map(s -> s.addresses().get(0)),
                        e.getValue().mode(),
                        e.getValue().twin(),
                        e.getValue().stray(),
                        e.getValue().words()))
                .toList();
    }
}
