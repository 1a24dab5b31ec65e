package app.loculus.core.edit.niche;

import app.loculus.core.niche.NichePage;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Finds pages by what they are of and their name. */
final class PageFinder {

    private PageFinder() {}

    static Optional<NichePage> find(Show show, Optional<Kind> of, String name) {
        return show.nichePages().stream()
                .filter(p -> p.of().equals(of) && p.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }

    /** @throws Refusal naming the pages there are */
    static NichePage named(Draft draft, Optional<Kind> of, String name) {
        NichePage page = find(draft.show(), of, name).orElseThrow(() -> unknown(draft.show(), of, name));
        draft.reads(PartKinds.NICHE_PAGES, page.id());
        return page;
    }

    private static Refusal unknown(Show show, Optional<Kind> of, String name) {
        List<String> there = show.nichePages().stream()
                .filter(p -> p.of().equals(of))
                .map(p -> "“" + p.name() + "”")
                .toList();
        String subject = of.map(Kind::word).orElse("group");
        return Refusal.of(
                "page.unknown",
                "page",
                "There is no " + subject + " page “" + name + "”.",
                WayOut.advice(
                        there.isEmpty()
                                ? "Set one first: page " + subject + " \"" + name + "\" from 101."
                                : "There are " + there.stream().limit(8).collect(Collectors.joining(", ")) + "."));
    }
}
