package app.loculus.app.api.looks;

import app.loculus.app.api.Asked;
import app.loculus.app.api.Download;
import app.loculus.app.api.EditResult;
import app.loculus.app.library.Library;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Shows;
import app.loculus.core.edit.look.LookFinder;
import app.loculus.core.edit.look.TakeInCues;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Start;
import app.loculus.core.look.Timing;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Quoted;
import app.loculus.core.unit.Seconds;
import app.loculus.formats.cues.CueText;
import app.loculus.formats.cues.CueTextReader;
import app.loculus.formats.cues.CueTextWriter;
import app.loculus.formats.cues.PlainDimmers;
import app.loculus.formats.cues.ShowCues;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Cues as plain text, out and in. */
@RestController
class CueTextController {

    /**
     * @param file octets of the text
     * @param dimmers whether channels that no fixture has come in as dimmers, at the addresses of the text
     * @param dimmer as which of them, profile and mode; needed where several fit
     * @param preview whether nothing is to be kept
     */
    record CueTextRequest(byte[] file, boolean dimmers, String dimmer, boolean preview) {}

    private final Shows shows;
    private final Library library;

    CueTextController(Shows shows, Library library) {
        this.shows = shows;
        this.library = library;
    }

    /** The cues of a list with groups, submasters and dimmers, as USITT ASCII 3.0. @param list its number */
    @GetMapping("/api/shows/{id}/lists/{list}/text")
    ResponseEntity<byte[]> text(@PathVariable long id, @PathVariable int list) {
        Show show = shows.get(id).show();
        CueList found = LookFinder.list(show, list);
        return Download.of(
                show.name() + " " + found.name(),
                ".asc",
                MediaType.TEXT_PLAIN,
                CueTextWriter.write(ShowCues.of(show, found)));
    }

    /** Takes such a text in, as a list of its own. */
    @PostMapping("/api/shows/{id}/cues/text")
    EditResult takeIn(@PathVariable long id, @RequestBody CueTextRequest request, Asked asked) {
        if (request.file() == null) {
            throw Refusal.of("cues.nothing", "file", "No text was sent.");
        }
        CueText text = CueTextReader.read(request.file());
        EditRequest context =
                asked.editing(request.preview(), "", null, null, request.file(), request.dimmers(), request.dimmer());
        return EditResult.of(shows.edit(id, edit(text, request), context), request.preview());
    }

    /** What channels that no fixture has can come in as. */
    @GetMapping("/api/shows/{id}/cues/dimmers")
    List<String> dimmers(@PathVariable long id) {
        return PlainDimmers.of(shows.get(id).show(), library.profiles()).stream()
                .map(CueTextController::named)
                .toList();
    }

    private static String named(Profiles.Type type) {
        return type.profile().fullName() + " / " + type.mode().name();
    }

    private ShowEdit edit(CueText text, CueTextRequest request) {
        TakeInCues cues = new TakeInCues(
                text.cues().stream().map(CueTextController::sheet).toList(),
                text.groups().stream().map(CueTextController::sheet).toList(),
                text.submasters().stream().map(CueTextController::sheet).toList());
        return draft -> {
            if (request.dimmers()) {
                patch(draft, text, request.dimmer());
            }
            cues.on(draft);
            text.said().forEach(words -> draft.warn(Problem.warning("cues.left", "file", words)));
        };
    }

    /** Patches what the text has and the show has not, as dimmers that go as far up as the text says. */
    private void patch(Draft draft, CueText text, String as) {
        Set<Integer> there =
                draft.show().patch().fixtures().stream().map(f -> f.number()).collect(Collectors.toSet());
        Map<Integer, List<CueText.Dimmer>> wanted = new TreeMap<>(text.patch());
        wanted.keySet().removeAll(there);
        if (wanted.isEmpty()) {
            return;
        }
        Profiles.Type dimmer = dimmer(draft.show(), as);
        Map<Double, String> types = new HashMap<>();
        List<String> lines = new ArrayList<>();
        wanted.forEach((channel, all) -> {
            double level = all.get(0).level();
            String type = types.computeIfAbsent(level, share -> type(draft, dimmer, share));
            all.forEach(d -> lines.add("patch " + channel + " as " + type + " at " + d.universe() + "." + d.slot()
                    + (d.equals(all.get(0)) ? "" : " also")));
            all.stream()
                    .filter(d -> d.level() != level)
                    .forEach(d -> draft.warn(Problem.warning(
                            "cues.proportion",
                            "file",
                            "Channel " + channel + ": dimmer " + d.number() + " stands at "
                                    + Decimal.text(d.level() * 100, 1) + " % in the text and comes in at "
                                    + Decimal.text(level * 100, 1) + " %, like its first.")));
        });
        shows.lines().readAll(lines).on(draft);
    }

    private static String type(Draft draft, Profiles.Type dimmer, double share) {
        if (share >= 1) {
            return Quoted.of(named(dimmer));
        }
        Profile upTo = PlainDimmers.upTo(share, dimmer);
        draft.take(upTo);
        return Quoted.of(upTo.fullName() + " / " + dimmer.mode().name());
    }

    /** @param as empty where there is one that fits */
    private Profiles.Type dimmer(Show show, String as) {
        List<Profiles.Type> all = PlainDimmers.of(show, library.profiles());
        List<Profiles.Type> meant = all.stream()
                .filter(t -> as == null || as.isBlank() || named(t).equals(as))
                .toList();
        if (meant.size() == 1) {
            return meant.get(0);
        }
        if (all.isEmpty()) {
            throw Refusal.of("cues.dimmer", "file", "There is no profile of a plain dimmer in the library.");
        }
        throw Refusal.of(
                "cues.dimmer",
                "dimmer",
                (meant.isEmpty() ? "“" + as + "” is none of the plain dimmers here." : "Several dimmers fit.")
                        + " Channels can come in as "
                        + all.stream().map(CueTextController::named).collect(Collectors.joining(", ")) + ".",
                WayOut.advice("Choose one of them."));
    }

    private static TakeInCues.Sheet sheet(CueText.Sheet s) {
        Map<Integer, Fraction> levels = new LinkedHashMap<>();
        s.levels().forEach((channel, level) -> levels.put(channel, Fraction.clamp(level)));
        Timing timing = new Timing(
                Optional.ofNullable(s.up()).map(Seconds::of),
                Optional.ofNullable(s.down()).map(Seconds::of),
                Optional.empty(),
                Seconds.of(s.delay()));
        Start next = s.followOn() == null ? Start.PRESS : new Start(Start.Trigger.BEGAN, Seconds.of(s.followOn()));
        return new TakeInCues.Sheet(s.number(), s.name(), timing, next, levels);
    }
}
