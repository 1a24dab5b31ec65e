package app.loculus.bench;

import app.loculus.core.finding.Finding;
import app.loculus.core.finding.Findings;
import app.loculus.core.paper.PaperKind;
import app.loculus.core.show.Show;
import app.loculus.formats.paper.About;
import app.loculus.formats.paper.PaperWriter;
import java.util.List;
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

/** Looking a large show over, and putting it on paper. 5,000 fixtures, twenty cues on everybody. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class HandOverBenchmark {

    private static final int CUES = 20;
    private static final About ABOUT = new About("Large", 1, "1 Dec 2026");

    private Show show;
    private Show named;
    private Show recorded;
    private PaperKind.Material material;
    private PaperKind.Material small;

    @Setup
    public void prepare() {
        Show now = LargeShow.say(LargeShow.say(LargeShow.of(5000), "starter groups"), "starter palettes");
        for (int i = 1; i <= CUES; i++) {
            now = LargeShow.say(now, "all at " + 4 * i + " colour " + (1 + i % 3));
            now = LargeShow.say(LargeShow.say(now, "record cue " + i), "clear all");
        }
        show = now;
        Findings.of(show, LargeShow.PROFILES);
        named = show;
        recorded = LargeShow.say(show, "1 at 33");
        material = new PaperKind.Material(show, () -> Findings.of(show, LargeShow.PROFILES), chapter -> false);
        Show few = LargeShow.of(600);
        small = new PaperKind.Material(few, () -> Findings.of(few, LargeShow.PROFILES), chapter -> false);
    }

    private int turn;

    /** The edit, and everything that is found after it. */
    @Benchmark
    public List<Finding> findingsAfterANote() {
        named = LargeShow.say(named, "note 7 \"" + turn++ + "\"");
        return Findings.of(named, LargeShow.PROFILES).all();
    }

    /** The edit, and everything that is found after it. */
    @Benchmark
    public List<Finding> findingsAfterACueWasRecordedAnew() {
        recorded = LargeShow.say(LargeShow.say(recorded, "1 at " + turn++ % 100), "record cue 3 merge");
        return Findings.of(recorded, LargeShow.PROFILES).all();
    }

    @Benchmark
    public byte[] hookupOf600OnPaper() {
        return PaperWriter.write(PaperKind.HOOKUP_BY_POSITION.of(small), ABOUT);
    }

    @Benchmark
    public byte[] hookupOf5000OnPaper() {
        return PaperWriter.write(PaperKind.HOOKUP_BY_POSITION.of(material), ABOUT);
    }
}
