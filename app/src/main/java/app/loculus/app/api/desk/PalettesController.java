package app.loculus.app.api.desk;

import app.loculus.app.api.PaletteFace;
import app.loculus.app.api.edits.Named;
import app.loculus.app.session.Shows;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.edit.palette.PaletteComparison;
import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.edit.palette.PaletteWords;
import app.loculus.core.edit.palette.ValueWords;
import app.loculus.core.edit.starter.StarterPalette;
import app.loculus.core.edit.starter.StarterPalettes;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Palettes: on their shelf, by what they hold, by whom they reach, and those that are obvious. */
@RestController
class PalettesController {

    private final Shows shows;

    PalettesController(Shows shows) {
        this.shows = shows;
    }

    @GetMapping("/api/shows/{id}/palettes")
    List<PaletteView> palettes(@PathVariable long id) {
        return PaletteView.all(shows.get(id).show());
    }

    /**
     * One value of a palette.
     *
     * @param scope global, type, mode or unit; @param of the profile's id, or the unit's label
     * @param owner for whom, in words
     */
    record EntryView(
            String scope,
            String of,
            String mode,
            String owner,
            String attribute,
            String label,
            String value,
            boolean companion) {}

    /** @param usedBy palettes that follow it, and groups that ask for those who use it */
    record ContentsView(String intent, List<EntryView> entries, List<String> units, List<String> usedBy) {}

    @GetMapping("/api/shows/{id}/palettes/{kind}/{number}")
    ContentsView contents(@PathVariable long id, @PathVariable String kind, @PathVariable int number) {
        Show show = shows.get(id).show();
        Palette palette = PaletteFinder.number(show, Named.kind(kind), number);
        List<String> units = show.programmer().values().entrySet().stream()
                .filter(e -> e.getValue().followed().contains(palette.id()))
                .map(e -> show.label(e.getKey()))
                .toList();
        return new ContentsView(
                palette.intent().map(Object::toString).orElse(""),
                palette.entries().stream().map(e -> entry(show, e)).toList(),
                units,
                PaletteWords.usedBy(show, palette));
    }

    private static EntryView entry(Show show, Entry e) {
        String scope = e.scope().ownUnit().isPresent()
                ? "unit"
                : e.scope().ownMode().isPresent()
                        ? "mode"
                        : e.scope().ownProfile().isPresent() ? "type" : "global";
        return new EntryView(
                scope,
                e.scope()
                        .ownUnit()
                        .map(show::label)
                        .or(() -> e.scope().ownProfile().map(p -> p.value()))
                        .orElse(""),
                e.scope().ownMode().orElse(""),
                PaletteWords.owner(show, e.scope()),
                e.attribute().name(),
                PaletteWords.label(show, e.scope(), e.attribute()),
                ValueWords.of(show, e.value()),
                e.companion());
    }

    /** Two palettes side by side. @param against kind of the second; @param other its number */
    @GetMapping("/api/shows/{id}/palettes/{kind}/{number}/against/{against}/{other}")
    PaletteComparison compare(
            @PathVariable long id,
            @PathVariable String kind,
            @PathVariable int number,
            @PathVariable String against,
            @PathVariable int other) {
        Show show = shows.get(id).show();
        return PaletteComparison.of(
                show,
                PaletteFinder.number(show, Named.kind(kind), number),
                PaletteFinder.number(show, Named.kind(against), other));
    }

    /** Fixtures of one profile in one mode. */
    record TypeView(String profile, String name, String mode, int fixtures) {}

    /**
     * How a type follows a palette.
     *
     * @param way own, mode, type, global, computed, like, none, mixed; empty where the kind does not apply
     * @param grade of the worst difference, empty for none
     */
    record CrossingView(String way, String words, String difference, String grade, boolean gap, boolean eye) {}

    record CoveredView(String kind, int number, String name, PaletteFace face, List<CrossingView> types) {}

    /** @param gaps crossings at which somebody misses something; @param lacking palettes that have one */
    record CoverageView(List<TypeView> types, List<CoveredView> palettes, long gaps, long lacking) {}

    /** Palettes by types, those with gaps first. */
    @GetMapping("/api/shows/{id}/coverage")
    CoverageView coverage(@PathVariable long id) {
        Show show = shows.get(id).show();
        Coverage coverage = show.coverage();
        List<CoveredView> palettes = show.palettes().stream()
                .sorted(java.util.Comparator.comparingInt(p -> rank(coverage.of(p))))
                .map(p -> new CoveredView(
                        p.kind().word(),
                        p.number(),
                        p.name(),
                        PaletteFace.of(show, p),
                        coverage.of(p).stream()
                                .map(PalettesController::crossing)
                                .toList()))
                .toList();
        return new CoverageView(
                coverage.types().stream()
                        .map(t -> new TypeView(
                                t.profile().value(),
                                show.profiles().get(t.profile()).name(),
                                t.mode(),
                                t.fixtures()))
                        .toList(),
                palettes,
                coverage.gaps(),
                coverage.lacking());
    }

    /** How one unit follows. @param way own, mode, type, global, computed, like or none */
    record UnitCrossingView(String unit, String name, String way, String words, String difference, boolean gap) {}

    /** One crossing unit by unit, those that do not follow first. @param type identity of the profile */
    @GetMapping("/api/shows/{id}/coverage/{kind}/{number}")
    List<UnitCrossingView> crossing(
            @PathVariable long id,
            @PathVariable String kind,
            @PathVariable int number,
            @RequestParam String type,
            @RequestParam String mode) {
        Show show = shows.get(id).show();
        Palette palette = PaletteFinder.number(show, Named.kind(kind), number);
        Coverage coverage = show.coverage();
        return coverage.types().stream()
                .filter(t -> t.profile().value().equals(type) && t.mode().equals(mode))
                .flatMap(t -> coverage.each(palette, t, show.resolver().giver()).stream())
                .map(o -> new UnitCrossingView(
                        show.label(o.unit()),
                        show.patch().get(o.unit().fixture()).name(),
                        o.given().follows().name().toLowerCase(Locale.ROOT),
                        o.given().words(),
                        o.given().difference().map(Object::toString).orElse(""),
                        o.gap()))
                .toList();
    }

    private static int rank(List<Coverage.Crossing> crossings) {
        return crossings.stream().anyMatch(Coverage.Crossing::gap)
                ? 0
                : crossings.stream().anyMatch(Coverage.Crossing::needsAnEye) ? 1 : 2;
    }

    private static CrossingView crossing(Coverage.Crossing c) {
        String way = !c.applies()
                ? ""
                : c.units().size() > 1
                        ? "mixed"
                        : c.units().keySet().iterator().next().name().toLowerCase(Locale.ROOT);
        return new CrossingView(
                way,
                c.words(),
                c.worst().map(ColourDifference::toString).orElse(""),
                c.worst().map(d -> d.grade().words()).orElse(""),
                c.gap(),
                c.needsAnEye());
    }

    /** @param key kind and name, by which it is asked for; @param there what of it is there already */
    record StarterPaletteView(
            String key,
            String kind,
            String family,
            String name,
            String swatch,
            List<String> types,
            String there,
            int adds) {}

    /** @param palettes how many stand at it */
    record MarkView(int id, String name, double x, double y, double z, int palettes) {}

    /** Named places on stage, in metres. */
    @GetMapping("/api/shows/{id}/marks")
    List<MarkView> marks(@PathVariable long id) {
        Show show = shows.get(id).show();
        return show.marks().stream()
                .map(m -> new MarkView(m.id().value(), m.name(), m.at().x(), m.at().y(), m.at().z(), (int)
                        show.palettes().stream()
                                .filter(p -> p.aim().filter(m.id()::equals).isPresent())
                                .count()))
                .toList();
    }

    /** Palettes that are obvious from the patch. */
    @GetMapping("/api/shows/{id}/palettes/starters")
    List<StarterPaletteView> starters(@PathVariable long id) {
        Show show = shows.get(id).show();
        return StarterPalettes.of(show).stream().map(s -> starter(show, s)).toList();
    }

    private static StarterPaletteView starter(Show show, StarterPalette s) {
        return new StarterPaletteView(
                s.kind().word() + " " + s.name(),
                s.kind().word(),
                s.family(),
                s.name(),
                s.intent().map(PaletteFace::hex).orElse(""),
                s.types().stream().map(t -> show.profiles().get(t).name()).toList(),
                s.there().map(Palette::toString).orElse(""),
                s.there().isEmpty() ? 1 : s.fresh().size());
    }
}
