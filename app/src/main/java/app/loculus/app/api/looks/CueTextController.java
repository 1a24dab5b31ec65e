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
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Quoted;
import app.loculus.core.unit.Seconds;
import app.loculus.formats.cues.CueText;
import app.loculus.formats.cues.CueTextReader;
import app.loculus.formats.cues.CueTextWriter;
import app.loculus.formats.cues.ShowCues;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
     * @param preview whether nothing is to be kept
     */
    record CueTextRequest(byte[] file, boolean dimmers, boolean preview) {}

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
        EditRequest context = asked.editing(request.preview(), "", null, null, request.file(), request.dimmers());
        return EditResult.of(shows.edit(id, edit(text, request.dimmers()), context), request.preview());
    }

    private ShowEdit edit(CueText text, boolean dimmers) {
        TakeInCues cues = new TakeInCues(
                text.cues().stream().map(CueTextController::sheet).toList(),
                text.groups().stream().map(CueTextController::sheet).toList(),
                text.submasters().stream().map(CueTextController::sheet).toList());
        return draft -> {
            if (dimmers) {
                shows.lines().readAll(patched(draft.show(), text)).on(draft);
            }
            cues.on(draft);
            text.said().forEach(words -> draft.warn(Problem.warning("cues.left", "file", words)));
        };
    }

    /** Lines that patch what the text has and the show has not. */
    private List<String> patched(Show show, CueText text) {
        List<Integer> there =
                show.patch().fixtures().stream().map(f -> f.number()).toList();
        String type = dimmer(show);
        return text.patch().entrySet().stream()
                .filter(e -> !there.contains(e.getKey()))
                .flatMap(e -> e.getValue().stream()
                        .map(d -> "patch " + e.getKey() + " as " + type + " at " + d.universe() + "." + d.slot()
                                + (d.equals(e.getValue().get(0)) ? "" : " also")))
                .collect(Collectors.toList());
    }

    /** A dimmer of one slot. */
    /** A plain dimmer: that of the show, if it has one. */
    private String dimmer(Show show) {
        List<Profile> all = new ArrayList<>(show.patch().fixtures().stream()
                .map(f -> show.patch().profileOf(f))
                .distinct()
                .toList());
        all.addAll(library.profiles().all());
        for (Profile profile : all) {
            for (Mode mode : profile.modes()) {
                boolean plain =
                        mode.slots() == 1 && mode.parameter(0, Attribute.DIMMER).isPresent();
                if (plain) {
                    return Quoted.of(profile.fullName() + " / " + mode.name());
                }
            }
        }
        throw Refusal.of("cues.dimmer", "file", "There is no profile of a plain dimmer in the library.");
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
