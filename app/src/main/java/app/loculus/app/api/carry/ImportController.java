package app.loculus.app.api.carry;

import app.loculus.app.api.Asked;
import app.loculus.app.api.EditResult;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.core.carry.PictureLikeness;
import app.loculus.core.edit.carry.BringParts;
import app.loculus.core.look.LookId;
import app.loculus.core.mark.MarkId;
import app.loculus.core.niche.NichePageId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import app.loculus.formats.picture.GoboLikeness;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Palettes, looks, effects, marks and pages of another show, looked at first and taken with all that they refer to. */
@RestController
class ImportController {

    /** @param sort palette, look, effect, mark or page; @param key names it in what is asked for */
    record ImportablePart(String sort, String key, String label) {}

    record ImportAnswer(Integer theirs, Integer ours) {}

    /**
     * @param from the other show
     * @param keys of the parts that are wanted
     * @param match {@code number} or {@code type}: how fixtures of the two shows answer to each other
     * @param answers fixtures that were said to answer to each other
     */
    record ImportRequest(Long from, List<String> keys, String match, List<ImportAnswer> answers, Boolean preview) {}

    private final Shows shows;
    private final PictureLikeness pictures = new GoboLikeness();

    ImportController(Shows shows) {
        this.shows = shows;
    }

    /** All that another show could take of this one. */
    @GetMapping("/api/shows/{id}/importable")
    List<ImportablePart> importable(@PathVariable long id) {
        Show show = shows.get(id).show();
        List<ImportablePart> parts = new ArrayList<>();
        show.palettes().forEach(p -> parts.add(part("palette", p.id().value(), p.toString())));
        show.looks().forEach(l -> parts.add(part("look", l.id().value(), l.toString())));
        show.lists()
                .forEach(list -> show.cues(list.id())
                        .forEach(c -> parts.add(
                                part("look", c.look().value(), "list " + list.number() + " " + c + " as a look"))));
        show.all(PartKinds.SUBMASTERS)
                .values()
                .forEach(s -> parts.add(part("look", s.look().value(), s + " as a look")));
        show.effects().forEach(e -> parts.add(part("effect", e.id().value(), e.toString())));
        show.marks().forEach(m -> parts.add(part("mark", m.id().value(), "mark " + m)));
        show.nichePages().forEach(p -> parts.add(part("page", p.id().value(), p.toString())));
        return parts;
    }

    private static ImportablePart part(String sort, int id, String label) {
        return new ImportablePart(sort, sort + " " + id, label);
    }

    @PostMapping("/api/shows/{id}/import")
    EditResult take(@PathVariable long id, @RequestBody ImportRequest request, Asked asked) {
        if (request.from() == null || request.from() == id) {
            throw Refusal.of("carry.from", "from", "It is to be said which other show the parts come from.");
        }
        Show from = shows.get(request.from()).show();
        Set<String> keys = request.keys() == null
                ? Set.of()
                : request.keys().stream().filter(Objects::nonNull).collect(Collectors.toSet());
        BringParts.Wanted wanted = new BringParts.Wanted(
                of(keys, "palette", PaletteId::new, from.all(PartKinds.PALETTES).keySet()),
                of(keys, "effect", EffectId::new, from.all(PartKinds.EFFECTS).keySet()),
                of(keys, "look", LookId::new, from.all(PartKinds.LOOKS).keySet()),
                of(keys, "mark", MarkId::new, from.all(PartKinds.MARKS).keySet()),
                of(
                        keys,
                        "page",
                        NichePageId::new,
                        from.all(PartKinds.NICHE_PAGES).keySet()));
        Map<Integer, Integer> told = new LinkedHashMap<>();
        if (request.answers() != null) {
            request.answers().stream()
                    .filter(a -> a != null && a.theirs() != null && a.ours() != null)
                    .forEach(a -> told.put(a.theirs(), a.ours()));
        }
        boolean preview = Boolean.TRUE.equals(request.preview());
        Edited edited = shows.edit(
                id,
                new BringParts(from, wanted, "type".equals(request.match()), told, pictures),
                asked.editing(preview, "", null, null, request));
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        return EditResult.of(edited, preview);
    }

    /** Those of one sort that the other show still has. */
    private static <T> Set<T> of(Set<String> keys, String sort, IntFunction<T> id, Set<T> there) {
        return keys.stream()
                .filter(k -> k.matches(sort + " \\d{1,9}"))
                .map(k -> id.apply(Integer.parseInt(k.substring(sort.length() + 1))))
                .filter(there::contains)
                .collect(Collectors.toSet());
    }
}
