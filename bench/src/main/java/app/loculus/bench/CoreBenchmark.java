package app.loculus.bench;

import app.loculus.core.check.Comparison;
import app.loculus.core.check.Hookup;
import app.loculus.core.check.RowVerdict;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.group.Group;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Submaster;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Reach;
import app.loculus.core.palette.ReachRow;
import app.loculus.core.patch.UnitId;
import app.loculus.core.play.Playing;
import app.loculus.core.play.Press;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** One method for each row of the speed table. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
public class CoreBenchmark {

    private Show patch5000;
    private List<HookupRow> hookup5000;
    private Show held2000;
    private Show colours2000;
    private List<UnitId> units2000;
    private final FrameRenderer full = new FrameRenderer();
    private final FrameRenderer incremental = new FrameRenderer();
    private Show[] flip;
    private int turn;
    private Show colours400;
    private Show recorded;
    private Coverage covered;
    private Show recipes5000;
    private boolean moved;
    private Show fading;
    private Playing fades = Playing.NOTHING;
    private long micros;
    private final FrameRenderer playing = new FrameRenderer();
    private Show moving;
    private Playing swings = Playing.NOTHING;
    private final FrameRenderer swinging = new FrameRenderer();

    @Setup
    public void prepare() {
        patch5000 = LargeShow.of(5000);
        hookup5000 = LargeShow.hookup(patch5000);
        Show patched = LargeShow.of(2000);
        held2000 = LargeShow.say(
                LargeShow.say(patched, "1 thru 200 at full colour xy 0.25, 0.39"), "record colour 1 \"One\" global");
        colours2000 = palettes(held2000, 200);
        colours400 = palettes(held2000, 400);
        covered = colours400.coverage();
        recorded = LargeShow.say(colours400, "record colour 7 replace");
        held2000 = LargeShow.say(held2000, "all");
        units2000 = colours2000.patch().fixtures().stream()
                .map(f -> UnitId.whole(f.id()))
                .toList();
        Show lit = LargeShow.say(held2000, "at 50 colour 1");
        flip = new Show[] {LargeShow.say(lit, "777 at 10"), LargeShow.say(lit, "777 at 90")};
        incremental.render(flip[0].scene());
        fading = fading(patched);
        for (CueList list : fading.lists()) {
            fades = fades.after(new Press.Go(list.id()), 0, fading.repertoire());
        }
        moving = moving(fading);
        for (CueList list : moving.lists()) {
            swings = swings.after(new Press.Go(list.id()), 0, moving.repertoire());
        }
        for (Submaster submaster : moving.submasters()) {
            swings = swings.after(new Press.Under(submaster.id(), Fraction.FULL), 0, moving.repertoire());
        }
        recipes5000 = LargeShow.recipes(patch5000);
        recipes5000.groups().forEach(recipes5000::units);
    }

    /** 300 recipes over 5,000 units, from nothing: another profile is in the show, so that nothing is known. */
    @Benchmark
    public int recipesFromNothing() {
        int units = 0;
        for (Group group : recipes5000.groups()) {
            units += recipes5000.chosen(group.content().choice()).size();
        }
        return units;
    }

    /** The same after one fixture was moved to another position. */
    @Benchmark
    public int recipesAfterOnePatchEdit() {
        moved = !moved;
        Show show = LargeShow.say(recipes5000, "hang 777 on \"Bridge " + (moved ? 7 : 8) + "\"");
        int units = 0;
        for (Group group : show.groups()) {
            units += show.units(group).size();
        }
        return units;
    }

    /** 400 palettes by the types of 2,000 fixtures, from nothing. Goal: below 100 ms. */
    @Benchmark
    public Coverage coverageOf400Palettes() {
        return Coverage.of(
                colours400.patch(), colours400.shelf(), new Resolver(colours400.scene()).giver(), Optional.empty());
    }

    /** The same after one palette was recorded anew. Goal: below 10 ms. */
    @Benchmark
    public Coverage coverageAfterOneEdit() {
        return Coverage.of(
                recorded.patch(), recorded.shelf(), recorded.resolver().giver(), Optional.of(covered));
    }

    private static Show palettes(Show show, int count) {
        Show now = show;
        for (int i = 0; i < count - 1; i++) {
            double x = 0.20 + 0.0005 * i;
            now = LargeShow.say(now, "1 thru 200 colour xy " + x + ", 0." + (25 + i % 15));
            now = LargeShow.say(now, "record colour " + (i + 2) + " global");
        }
        return now;
    }

    /** Goal: below 20 ms. */
    @Benchmark
    public Outcome previewOnePatchEditAmong5000() {
        return LargeShow.outcome(patch5000, "patch 2501 at 900.1");
    }

    /** Goal: below 20 ms. */
    @Benchmark
    public Outcome shiftABlockAmong5000() {
        return LargeShow.outcome(patch5000, "shift 1 thru 25 to 901.1");
    }

    /** Goal: below 20 ms. */
    @Benchmark
    public Outcome changeTheModeOf25Among5000() {
        return LargeShow.outcome(patch5000, "change 1 thru 25 to \"Skiff Wash / basic\"");
    }

    /** Goal, with reading and sending: below 1 s. */
    @Benchmark
    public List<RowVerdict> examineAHookupOf5000Rows() {
        return Hookup.examine(Show.empty("New"), LargeShow.PROFILES, hookup5000, Hookup.Clashing.UNPATCHED);
    }

    @Benchmark
    public Comparison compareAHookupOf5000Rows() {
        return Comparison.of(patch5000, LargeShow.PROFILES, hookup5000, EnumSet.allOf(PaperField.class));
    }

    /** Goal: below 20 ms. */
    @Benchmark
    public List<List<ReachRow>> reachOf200PalettesOver2000Units() {
        Reach reach = new Reach(colours2000.patch(), colours2000.resolver().giver(), units2000);
        List<List<ReachRow>> rows = new ArrayList<>();
        for (Palette palette : colours2000.palettes()) {
            rows.add(reach.of(palette));
        }
        return rows;
    }

    /** Goal: below 10 ms. */
    @Benchmark
    public Outcome applyAColourTo2000UnitsOf10Types() {
        return LargeShow.outcome(held2000, "colour 1");
    }

    /** Goal: below 5 ms. */
    @Benchmark
    public Frames fullFrameOf2000Units() {
        return full.render(flip[0].scene());
    }

    /** Goal: below 0.2 ms. */
    @Benchmark
    public Frames incrementalFrameAfterOneValue() {
        turn ^= 1;
        return incremental.update(flip[turn].scene());
    }

    /** Every 44th of a second another frame, while five lists fade on all 2,000 units. Goal, with effects: below 8 ms. */
    @Benchmark
    public Frames frameWithFiveFadesRunning() {
        micros += 22_727;
        return playing.update(fading.scene().played(fades.layer(micros), false, 1));
    }

    /** The same with twenty effects beside them, each on a hundred units. Goal: below 8 ms. */
    @Benchmark
    public Frames frameWithFiveFadesAndTwentyEffectsRunning() {
        micros += 22_727;
        return swinging.update(moving.scene().played(swings.layer(micros), false, 1));
    }

    /** Waves of light, circles, runs through colours and zooms by chance, each under a submaster. */
    private static Show moving(Show faded) {
        Show show = LargeShow.say(faded, "1 thru 200 colour xy 0.25, 0.39");
        show = LargeShow.say(show, "record colour 1 \"Glass\" global");
        show = LargeShow.say(show, "1 thru 200 colour xy 0.5, 0.4");
        show = LargeShow.say(show, "record colour 2 \"Lamp\" global");
        show = LargeShow.say(show, "clear all");
        String[] movements = {
            "sine of dimmer at 20 thru 80 rate 30 offset round",
            "circle of position size 20 rate 12 offset round",
            "run colour 1 thru 2 rate 10 offset round",
            "random of zoom at 10 thru 90 rate 60"
        };
        for (int i = 1; i <= 20; i++) {
            show = LargeShow.say(show, "all every 20 from " + i);
            show = LargeShow.say(show, movements[i % movements.length]);
            show = LargeShow.say(show, "record submaster " + i + " \"Moving " + i + "\"");
            show = LargeShow.say(show, "clear all");
        }
        return show;
    }

    private static Show fading(Show patched) {
        String[] values = {
            "all at 20 thru 90",
            "all colour xy 0.25, 0.39",
            "all pan at -90 thru 90",
            "all tilt at -30 thru 60",
            "all zoom at 10 thru 90"
        };
        Show show = patched;
        for (int i = 1; i <= values.length; i++) {
            show = LargeShow.say(show, "list " + i + " \"List " + i + "\"");
            show = LargeShow.say(show, values[i - 1]);
            show = LargeShow.say(show, "record cue 1 of list " + i + " in 3600 rest 3600");
            show = LargeShow.say(show, "clear all");
        }
        return show;
    }
}
