package app.loculus.app.api.parcel;

import app.loculus.app.api.paper.PaperAbout;
import app.loculus.app.session.Overview;
import app.loculus.app.session.ShowVersions;
import app.loculus.app.session.Snapshot;
import app.loculus.core.check.HookupPaper;
import app.loculus.core.look.CueList;
import app.loculus.core.paper.PaperKind;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.formats.csv.HookupWriter;
import app.loculus.formats.cues.CueTextWriter;
import app.loculus.formats.cues.ShowCues;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.mvr.SceneWriter;
import app.loculus.formats.paper.Making;
import app.loculus.formats.paper.PaperOptions;
import app.loculus.formats.paper.PaperWriter;
import app.loculus.formats.paper.SheetTables;
import app.loculus.formats.parcel.Parcel;
import app.loculus.formats.showfile.ShowArchive;
import app.loculus.formats.showfile.ShowFile;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** What can go along with a show, each in an open format or on paper. */
@Component
class Goods {

    /** One thing that goes along or stays. */
    enum Kind {
        SHOW("Show file"),
        PAPER("Paper"),
        HOOKUP("Channel hookup"),
        PROFILES("Profiles"),
        SCENE("Scene"),
        CUES("Cues as text");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    /** @param fact what there is of it; @param leftOut what its format cannot say; @param empty whether there is nothing of it */
    record Good(Kind kind, String fact, List<String> leftOut, boolean empty) {}

    private final ShowVersions versions;
    private final Overview overview;
    private final PaperAbout abouts;

    Goods(ShowVersions versions, Overview overview, PaperAbout abouts) {
        this.versions = versions;
        this.overview = overview;
        this.abouts = abouts;
    }

    List<Good> of(Snapshot snapshot) {
        Show show = snapshot.show();
        int kept = versions.of(snapshot.id()).size();
        Set<String> cues = new LinkedHashSet<>();
        show.lists().forEach(l -> cues.addAll(ShowCues.of(show, l).said()));
        int profiles = inUse(show).size();
        return List.of(
                new Good(
                        Kind.SHOW,
                        kept == 0 ? "as it is now" : "with " + Numbers.count(kept, "version"),
                        List.of(),
                        false),
                new Good(Kind.PAPER, PaperKind.values().length + " kinds of sheet, as PDF and XLSX", List.of(), false),
                new Good(
                        Kind.HOOKUP,
                        "CSV and XLSX, " + Numbers.count(show.patch().size(), "row"),
                        List.of(),
                        show.patch().size() == 0),
                new Good(Kind.PROFILES, Numbers.count(profiles, "fixture file"), List.of(), profiles == 0),
                new Good(
                        Kind.SCENE,
                        "MVR 1.6: " + Numbers.count(show.patch().size(), "fixture") + ", "
                                + Numbers.count(show.marks().size(), "mark"),
                        SceneWriter.leftOut(show),
                        show.patch().size() == 0 && show.marks().isEmpty()),
                new Good(
                        Kind.CUES,
                        "USITT ASCII 3.0: " + Numbers.count(show.lists().size(), "list"),
                        List.copyOf(cues),
                        show.lists().isEmpty()));
    }

    private static List<Profile> inUse(Show show) {
        return show.patch().fixtures().stream()
                .map(f -> show.patch().profileOf(f))
                .distinct()
                .toList();
    }

    /** The parts of a parcel, each made when its turn comes. */
    List<Parcel.Part> parts(Snapshot snapshot, Set<Kind> kinds, PaperOptions options, Making making) {
        Show show = snapshot.show();
        String name = safe(show.name());
        List<Parcel.Part> parts = new ArrayList<>();
        if (kinds.contains(Kind.SHOW)) {
            parts.add(new Parcel.Part(
                    name + ShowArchive.SUFFIX,
                    "the show with its versions, to be opened in Loculus",
                    () -> ShowArchive.write(
                            new ShowFile(show, versions.file(snapshot.id()).versions()))));
        }
        if (kinds.contains(Kind.PAPER)) {
            PaperKind.Material material = PaperAbout.material(snapshot, overview);
            List<PaperKind> sheets = Arrays.stream(PaperKind.values())
                    .filter(k -> k != PaperKind.LABELS)
                    .toList();
            parts.add(new Parcel.Part(
                    "paper/" + name + ".pdf",
                    "paper, to be printed",
                    () -> PaperWriter.write(
                            PaperAbout.sheets(material, sheets, making), abouts.of(snapshot), options, making)));
            parts.add(new Parcel.Part(
                    "paper/" + name + " labels.pdf",
                    "labels, to be printed on label sheets",
                    () -> PaperWriter.write(
                            PaperAbout.sheets(material, List.of(PaperKind.LABELS), making),
                            abouts.of(snapshot),
                            options,
                            making)));
            parts.add(new Parcel.Part(
                    "paper/" + name + ".xlsx",
                    "the same as tables",
                    () -> SheetTables.workbook(PaperAbout.sheets(material, sheets, making))));
        }
        if (kinds.contains(Kind.HOOKUP)) {
            parts.add(new Parcel.Part(
                    "hookup/" + name + ".csv",
                    "the channel hookup as separated text",
                    () -> HookupWriter.csv(HookupPaper.of(show))));
            parts.add(new Parcel.Part(
                    "hookup/" + name + ".xlsx",
                    "the channel hookup as a workbook",
                    () -> HookupWriter.workbook(HookupPaper.of(show))));
        }
        if (kinds.contains(Kind.PROFILES)) {
            Set<String> taken = new LinkedHashSet<>();
            for (Profile profile : inUse(show)) {
                parts.add(new Parcel.Part(
                        "profiles/" + free(safe(ArchiveWriter.fileName(profile)), taken),
                        profile.fullName(),
                        () -> ArchiveWriter.write(profile)));
            }
        }
        if (kinds.contains(Kind.SCENE)) {
            parts.add(new Parcel.Part(
                    "scene/" + name + ".mvr",
                    "where everything hangs, for drawing and visualising",
                    () -> SceneWriter.write(show)));
        }
        if (kinds.contains(Kind.CUES)) {
            for (CueList list : show.lists()) {
                parts.add(new Parcel.Part(
                        "cues/" + list.number() + " " + safe(list.name()) + ".asc",
                        "the cues of " + list + " as text",
                        () -> CueTextWriter.write(ShowCues.of(show, list))));
            }
        }
        return parts;
    }

    List<String> leftOut(Snapshot snapshot, Set<Kind> kinds) {
        return of(snapshot).stream()
                .filter(g -> kinds.contains(g.kind()))
                .flatMap(g -> g.leftOut().stream().map(l -> g.kind().words() + ": " + l))
                .toList();
    }

    /** No part of it leads out of the parcel, and every file system takes it. */
    static String safe(String name) {
        String safe = name.replaceAll("[^\\p{L}\\p{N} ._-]", "_")
                .replaceAll("^\\.+", "_")
                .strip();
        return safe.isEmpty()
                ? "show"
                : safe.substring(0, Math.min(safe.length(), 100)).strip();
    }

    private static String free(String name, Set<String> taken) {
        String free = name;
        for (int i = 2; !taken.add(free.toLowerCase(java.util.Locale.ROOT)); i++) {
            int dot = name.lastIndexOf('.');
            free = dot < 0 ? name + " " + i : name.substring(0, dot) + " " + i + name.substring(dot);
        }
        return free;
    }
}
