package app.loculus.core.paper;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.edit.palette.PaletteWords;
import app.loculus.core.edit.palette.ValueWords;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Palettes by kind: what each holds for whom, and who follows it. */
final class PalettesSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            Sheet.Column.number("No.", .6),
            new Sheet.Column("", .7, Sheet.Cells.FACE),
            new Sheet.Column("Name", 1.8),
            new Sheet.Column("Holds", 4.2),
            new Sheet.Column("Follows", 2.2),
            new Sheet.Column("Note", 1.3));

    /** Units and types with values of their own; more are counted. */
    private static final int MOST_OWNERS = 8;

    private PalettesSheet() {}

    static Sheet of(Show show) {
        List<Sheet.Section> sections = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            List<Palette> of =
                    show.palettes().stream().filter(p -> p.kind() == kind).toList();
            if (!of.isEmpty()) {
                String word = kind.word();
                sections.add(new Sheet.Section(
                        Character.toUpperCase(word.charAt(0)) + word.substring(1),
                        Numbers.count(of.size(), "palette"),
                        false,
                        of.stream().map(p -> row(show, p)).toList()));
            }
        }
        return new Sheet("Palettes", Numbers.count(show.palettes().size(), "palette"), true, COLUMNS, sections);
    }

    private static List<String> row(Show show, Palette palette) {
        return List.of(
                String.valueOf(palette.number()),
                palette.intent()
                        .map(c -> LinearRgb.of(c.withLuminance(1)).normalised().hex())
                        .orElse(""),
                palette.name(),
                holds(show, palette),
                follows(show, palette),
                palette.label().note());
    }

    private static String holds(Show show, Palette palette) {
        List<String> owners = new ArrayList<>();
        palette.intent().ifPresent(c -> owners.add("the colour, worked out for every type"));
        palette.aim().flatMap(show::mark).ifPresent(m -> owners.add("aimed at " + m));
        int more = 0;
        for (ScopeKey scope : palette.scopes()) {
            boolean aimed = palette.aim().isPresent()
                    && palette.entries(scope).values().stream()
                            .allMatch(e -> e.value() instanceof AttributeValue.Aimed);
            if (aimed) {
                // Where it points is said; which way over it gets there nobody looks for on paper.
                continue;
            }
            if (owners.size() < MOST_OWNERS) {
                owners.add(PaletteWords.owner(show, scope) + ": "
                        + palette.entries(scope).values().stream()
                                .filter(e -> !e.companion())
                                .map((Entry e) -> PaletteWords.label(show, scope, e.attribute()) + " "
                                        + ValueWords.of(show, e.value()))
                                .collect(Collectors.joining(", ")));
            } else {
                more++;
            }
        }
        return String.join("; ", owners) + (more == 0 ? "" : "; and " + more + " more");
    }

    private static String follows(Show show, Palette palette) {
        List<Coverage.Type> missing = show.coverage().missing(palette);
        List<Coverage.Crossing> all = show.coverage().of(palette);
        int following = 0;
        List<Coverage.Type> types = show.coverage().types();
        for (int i = 0; i < types.size(); i++) {
            following +=
                    all.get(i).applies() && !all.get(i).gap() ? types.get(i).fixtures() : 0;
        }
        String not = missing.stream()
                .map(t -> show.profiles().get(t.profile()).name())
                .distinct()
                .collect(Collectors.joining(", "));
        return Numbers.count(following, "fixture") + (not.isEmpty() ? "" : "; not " + not);
    }
}
