package app.loculus.core.paper;

import app.loculus.core.edit.look.LookContents;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.Start;
import app.loculus.core.look.Submaster;
import app.loculus.core.look.Timing;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Seconds;
import java.util.ArrayList;
import java.util.List;

/** What is kept to be played: lists cue by cue with what each changes, submasters, looks. */
public final class LooksSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            new Sheet.Column("Who", 3.4),
            new Sheet.Column("What", 1.6),
            new Sheet.Column("Value", 2.8),
            new Sheet.Column("Before", 2.2));

    private LooksSheet() {}

    /** @param wanted asked before each cue; throws when nobody waits for it any more */
    public static Sheet of(Show show, Runnable wanted) {
        List<Sheet.Section> sections = new ArrayList<>();
        for (CueList list : show.lists()) {
            List<Cue> cues = show.cues(list.id());
            sections.add(
                    new Sheet.Section("List " + list.number() + " " + list.name(), words(list, cues), true, List.of()));
            List<LookContents.Counts> counts = LookContents.counts(show, list);
            for (int i = 0; i < cues.size(); i++) {
                wanted.run();
                sections.add(section(show, cues.get(i), counts.get(i).carried()));
            }
        }
        if (!show.submasters().isEmpty()) {
            sections.add(new Sheet.Section("Submasters", "", true, List.of()));
            show.submasters().forEach(s -> {
                wanted.run();
                sections.add(section(show, s));
            });
        }
        List<Look> looks =
                show.looks().stream().filter(l -> l.number().isPresent()).toList();
        if (!looks.isEmpty()) {
            sections.add(new Sheet.Section("Looks", "", true, List.of()));
            looks.forEach(l -> {
                wanted.run();
                sections.add(new Sheet.Section(
                        l.number().get() + " " + l.name(), "", false, rows(LookContents.of(show, l.values()))));
            });
        }
        return new Sheet("Cue lists", "Values that follow no palette are marked plain.", COLUMNS, sections);
    }

    private static String words(CueList list, List<Cue> cues) {
        return Numbers.count(cues.size(), "cue") + ", " + list.join().words()
                + (list.chase() ? ", played as a chase" : "") + ", released in " + list.release() + " s"
                + (list.note().isEmpty() ? "" : ". " + list.note());
    }

    /** @param carried how many units stand as earlier cues set them */
    private static Sheet.Section section(Show show, Cue cue, int carried) {
        List<LookContents.Row> own = LookContents.of(show, cue).stream()
                .filter(r -> r.stands() != LookContents.Stands.CARRIED)
                .toList();
        return new Sheet.Section(
                cue.number() + " " + cue.name(),
                times(cue.timing())
                        + next(cue.next())
                        + (carried == 0 ? "" : " · " + Numbers.count(carried, "unit") + " tracked")
                        + (cue.note().isEmpty() ? "" : ". " + cue.note()),
                false,
                rows(own));
    }

    private static Sheet.Section section(Show show, Submaster submaster) {
        Look look = show.look(submaster.look());
        return new Sheet.Section(
                submaster.number() + " " + submaster.name(), "", false, rows(LookContents.of(show, look.values())));
    }

    private static String times(Timing t) {
        return "in " + t.rising() + " · out " + t.falling() + " · rest " + t.others()
                + (t.delay().equals(Seconds.ZERO) ? "" : " · wait " + t.delay());
    }

    private static String next(Start next) {
        if (!next.byItself()) {
            return "";
        }
        if (next.after().equals(Seconds.ZERO)) {
            return next.trigger() == Start.Trigger.BEGAN
                    ? " · the next cue starts with it"
                    : " · the next cue follows on";
        }
        return " · the next cue follows " + next.after() + " s after its "
                + (next.trigger() == Start.Trigger.BEGAN ? "start" : "end");
    }

    private static List<List<String>> rows(List<LookContents.Row> rows) {
        return rows.stream()
                .map(r -> List.of(
                        r.who(),
                        r.what(),
                        r.value() + (r.plain() ? " (plain)" : ""),
                        r.stands() == LookContents.Stands.SAME ? "as it was" : r.was()))
                .toList();
    }
}
