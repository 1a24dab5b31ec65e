package app.loculus.app.api.patch;

import app.loculus.app.api.Asked;
import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.check.Comparison;
import app.loculus.core.edit.ledger.HoldToPaper;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.problem.Refusal;
import app.loculus.formats.csv.HookupField;
import app.loculus.formats.csv.HookupReader;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Holds paperwork against the patch, and takes the paper's word where it is asked to. */
@RestController
class ComparisonController {

    /**
     * @param text rows as text
     * @param file its octets in Base64 instead: a workbook, or text in whatever encoding
     * @param mapping field by header, for headers a person has mapped
     * @param take keys of the differences in which the paper is right
     * @param hold what the paper is called, when the patch is to be held to it from now on
     */
    record ComparisonRequest(
            String text, byte[] file, Map<String, String> mapping, List<String> take, Boolean preview, String hold) {}

    /**
     * @param words what taking them does or did, empty when nothing was to be taken
     * @param problems why that cannot be done, or warnings that come with it
     */
    record ComparisonView(
            List<Paper.HeaderView> headers,
            List<String> fields,
            int rows,
            int agreeing,
            List<DifferenceView> differences,
            List<String> words,
            List<ProblemView> problems,
            boolean done,
            List<String> remarks,
            long revision) {}

    private final Shows shows;
    private final Library library;
    private final Clock clock;

    ComparisonController(Shows shows, Library library, Clock clock) {
        this.clock = clock;
        this.shows = shows;
        this.library = library;
    }

    @PostMapping("/api/shows/{id}/comparison")
    ComparisonView compare(@PathVariable long id, @RequestBody ComparisonRequest request, Asked asked) {
        Paper.Understood paper =
                new Paper(request.text(), request.file(), request.mapping()).read(List.of(HookupField.NUMBER));
        HookupReader.Read read = paper.read();
        Snapshot before = shows.get(id);
        Comparison comparison = comparison(before, read);
        if (request.hold() != null && !request.hold().isBlank()) {
            return held(id, request, asked, paper, before);
        }
        if (request.take() == null || request.take().isEmpty()) {
            return view(paper, comparison, List.of(), List.of(), false, before.revision());
        }
        boolean preview = Boolean.TRUE.equals(request.preview());
        EditRequest context = asked.editing(
                preview, "", before.revision(), null, request.take(), request.text(), Arrays.hashCode(request.file()));
        Edited edited = shows.edit(id, comparison.taking(request.take()), context);
        if (edited.outcome().refused() && !preview) {
            throw new Refusal(edited.outcome().problems());
        }
        Snapshot now = shows.get(id);
        return view(
                paper,
                preview ? comparison : comparison(now, read),
                edited.outcome().words(),
                ProblemView.all(edited.outcome().problems()),
                !preview,
                now.revision());
    }

    private ComparisonView held(
            long id, ComparisonRequest request, Asked asked, Paper.Understood paper, Snapshot before) {
        HookupReader.Read read = paper.read();
        LocalDate today = LocalDate.now(clock.withZone(ZoneId.systemDefault()));
        EditRequest context =
                asked.editing(false, "", null, null, request.hold(), request.text(), Arrays.hashCode(request.file()));
        Edited edited = shows.edit(
                id,
                new HoldToPaper(new Paperwork(request.hold(), today.toString(), columns(read), read.rows())),
                context);
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        return view(
                paper,
                comparison(before, read),
                edited.outcome().words(),
                ProblemView.all(edited.outcome().problems()),
                true,
                edited.revision());
    }

    private Comparison comparison(Snapshot snapshot, HookupReader.Read read) {
        return Comparison.of(snapshot.show(), library.profiles(), read.rows(), columns(read));
    }

    private static Set<PaperField> columns(HookupReader.Read read) {
        Set<HookupField> there =
                read.headers().values().stream().flatMap(Optional::stream).collect(Collectors.toSet());
        Set<PaperField> columns = EnumSet.of(PaperField.NUMBER);
        add(columns, PaperField.NAME, there.contains(HookupField.NAME));
        add(columns, PaperField.TYPE, there.contains(HookupField.PROFILE));
        add(columns, PaperField.ADDRESS, there.contains(HookupField.ADDRESS) || there.contains(HookupField.SLOT));
        add(columns, PaperField.POSITION, there.contains(HookupField.POSITION));
        add(columns, PaperField.PURPOSE, there.contains(HookupField.PURPOSE));
        return columns;
    }

    private static void add(Set<PaperField> columns, PaperField field, boolean there) {
        if (there) {
            columns.add(field);
        }
    }

    private static ComparisonView view(
            Paper.Understood paper,
            Comparison comparison,
            List<String> words,
            List<ProblemView> problems,
            boolean done,
            long revision) {
        return new ComparisonView(
                Paper.headers(paper.read()),
                Paper.fields(),
                paper.read().rows().size(),
                comparison.agreeing(),
                comparison.differences().stream().map(DifferenceView::of).toList(),
                words,
                problems,
                done,
                paper.remarks(),
                revision);
    }
}
