package app.loculus.app.api.looks;

import app.loculus.core.edit.look.DarkMoves;
import app.loculus.core.edit.look.LookContents;
import app.loculus.core.edit.look.Plain;
import app.loculus.core.edit.look.SetList;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Seconds;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Everything that is kept to be played.
 *
 * @param opened what holds the look that is open, in words; empty when none is
 * @param openedLine how the line names it
 */
record LooksView(
        List<ListView> lists, List<KeptView> submasters, List<KeptView> looks, String opened, String openedLine) {

    /**
     * @param join tracking or complete
     * @param rate steps a minute; @param crossfade in percent; @param direction forwards, backwards, bounce or random
     * @param release in seconds
     * @param words how it is played
     */
    record ListView(
            int id,
            int number,
            String name,
            String note,
            String join,
            boolean chase,
            double rate,
            double crossfade,
            String direction,
            int seed,
            double release,
            String words,
            List<CueView> cues) {}

    /**
     * Times in seconds; null where the cue gives none.
     *
     * @param rises what counts for intensity that rises; @param falls; @param others likewise
     * @param next press, begin or end: what starts the cue behind it; @param after how long after, in seconds
     * @param changes units of which something is another than before; @param carried units as earlier cues set them
     * @param plain units that hold plain values
     * @param units how many it sets something of
     * @param moves units that move while they come in and could do so in the dark
     */
    record CueView(
            int id,
            String number,
            String name,
            String note,
            Double in,
            Double out,
            Double rest,
            double waits,
            double rises,
            double falls,
            double others,
            String next,
            double after,
            int changes,
            int carried,
            int plain,
            int units,
            int moves) {}

    /** A look or a submaster. @param plain units that hold plain values */
    record KeptView(int id, int number, String name, int units, int plain) {}

    /** As long as only working values change it stays what it is. */
    static LooksView of(Show show) {
        return show.lasting(LooksView.class, () -> anew(show));
    }

    private static LooksView anew(Show show) {
        Optional<Look> opened = show.get(PartKinds.OPENED, Whole.SHOW).look().map(show::look);
        return new LooksView(
                show.lists().stream().map(l -> list(show, l)).toList(),
                show.submasters().stream().map(s -> kept(show, s)).toList(),
                show.looks().stream()
                        .map(l -> new KeptView(
                                l.id().value(),
                                l.number().orElseThrow(),
                                l.name(),
                                l.values().size(),
                                Plain.of(show, l.values()).size()))
                        .toList(),
                opened.map(l -> LookHolders.words(show, l)).orElse(""),
                opened.map(l -> line(show, l.id())).orElse(""));
    }

    private static KeptView kept(Show show, Submaster s) {
        Look look = show.look(s.look());
        return new KeptView(
                s.id().value(),
                s.number(),
                s.name(),
                look.values().size(),
                Plain.of(show, look.values()).size());
    }

    /** How the line names what holds a look. */
    private static String line(Show show, LookId look) {
        return show.all(PartKinds.CUES).values().stream()
                .filter(c -> c.look().equals(look))
                .findFirst()
                .map(c -> "cue " + c.number() + " of list "
                        + show.list(c.list()).orElseThrow().number())
                .or(() -> show.submasters().stream()
                        .filter(s -> s.look().equals(look))
                        .findFirst()
                        .map(s -> "submaster " + s.number()))
                .orElseGet(() -> "look " + show.look(look).number().orElseThrow());
    }

    private static ListView list(Show show, CueList l) {
        List<Cue> cues = show.cues(l.id());
        List<LookContents.Counts> counts = LookContents.counts(show, l);
        List<DarkMoves.Found> moves = DarkMoves.of(show, l);
        List<CueView> views = new ArrayList<>();
        for (int i = 0; i < cues.size(); i++) {
            views.add(cue(show, cues.get(i), counts.get(i), moves.get(i).moves().size()));
        }
        return new ListView(
                l.id().value(),
                l.number(),
                l.name(),
                l.note(),
                l.join() == CueList.Join.CARRYING_ON ? "tracking" : "complete",
                l.chase(),
                l.tempo().rate(),
                l.tempo().crossfade().value() * 100,
                l.tempo().direction().word(),
                l.tempo().seed(),
                l.release().value(),
                SetList.words(l),
                views);
    }

    private static CueView cue(Show show, Cue c, LookContents.Counts counts, int moves) {
        return new CueView(
                c.id().value(),
                c.number().toString(),
                c.name(),
                c.note(),
                seconds(c.timing().in()),
                seconds(c.timing().out()),
                seconds(c.timing().rest()),
                c.timing().delay().value(),
                c.timing().rising().value(),
                c.timing().falling().value(),
                c.timing().others().value(),
                switch (c.next().trigger()) {
                    case PRESS -> "press";
                    case BEGAN -> "begin";
                    case ENDED -> "end";
                },
                c.next().after().value(),
                counts.changes(),
                counts.carried(),
                counts.plain(),
                show.look(c.look()).values().size(),
                moves);
    }

    private static Double seconds(Optional<Seconds> time) {
        return time.map(Seconds::value).orElse(null);
    }
}
