package app.loculus.core.edit.starter;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Label;
import app.loculus.core.palette.Palette;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Limits;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * Records palettes that are obvious from the patch; what is there already gets what it lacks.
 *
 * @param names kind and name of those wanted, as {@code beam Ripple}; everything but what is guarded when absent
 */
public record RecordStarterPalettes(Optional<List<String>> names) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.reads(PartKinds.FIXTURES);
        draft.reads(PartKinds.PALETTES);
        Show show = draft.show();
        List<StarterPalette> wanted =
                StarterPalettes.of(show).stream().filter(this::wanted).toList();
        List<StarterPalette> fresh =
                wanted.stream().filter(StarterPalette::adds).toList();
        if (fresh.isEmpty()) {
            throw Refusal.of(
                    "palette.starters",
                    "palette",
                    wanted.isEmpty()
                            ? "Nothing is patched that palettes could be made for."
                            : "All of these palettes are there already.",
                    WayOut.advice("Patch fixtures, or choose others."));
        }
        Map<Kind, TreeSet<Integer>> taken = new LinkedHashMap<>();
        show.palettes()
                .forEach(p ->
                        taken.computeIfAbsent(p.kind(), k -> new TreeSet<>()).add(p.number()));
        int id = show.next(PartKinds.PALETTES).value();
        int added = 0;
        for (StarterPalette s : fresh) {
            if (s.there().isPresent()) {
                draft.put(s.there().get().holding(with(s)));
            } else {
                int number = next(taken.computeIfAbsent(s.kind(), k -> new TreeSet<>()));
                String name = s.name().substring(0, Math.min(s.name().length(), Limits.NAME));
                draft.put(new Palette(
                        new PaletteId(id++),
                        s.kind(),
                        number,
                        name,
                        s.intent(),
                        Optional.empty(),
                        Label.STARTER,
                        s.entries()));
                added++;
            }
        }
        draft.say("Records " + Numbers.count(added, "palette")
                + (added == fresh.size() ? "" : " and completes " + (fresh.size() - added))
                + (fresh.size() == wanted.size() ? "" : "; " + (wanted.size() - fresh.size()) + " are there already"));
    }

    private static List<Entry> with(StarterPalette s) {
        return new ArrayList<>(Stream.concat(s.there().orElseThrow().entries().stream(), s.fresh().stream())
                .toList());
    }

    /** Takes the lowest number nobody has. */
    private static int next(TreeSet<Integer> taken) {
        int next = 1;
        for (int number : taken) {
            next = number == next ? next + 1 : next;
        }
        if (next > 9999) {
            throw Refusal.of("palette.number", "palette", "All numbers to 9999 are taken.");
        }
        taken.add(next);
        return next;
    }

    private boolean wanted(StarterPalette starter) {
        return names.map(n -> n.contains(starter.kind().word() + " " + starter.name()))
                .orElse(!starter.family().equals("Guarded"));
    }
}
