package app.loculus.app.live;

import static app.loculus.core.show.PartKinds.CUES;
import static app.loculus.core.show.PartKinds.DEVICES;
import static app.loculus.core.show.PartKinds.DRAWINGS;
import static app.loculus.core.show.PartKinds.EFFECTS;
import static app.loculus.core.show.PartKinds.FIXTURES;
import static app.loculus.core.show.PartKinds.GROUPS;
import static app.loculus.core.show.PartKinds.HAND;
import static app.loculus.core.show.PartKinds.HIGHLIGHT;
import static app.loculus.core.show.PartKinds.LISTS;
import static app.loculus.core.show.PartKinds.LOOKS;
import static app.loculus.core.show.PartKinds.MARKS;
import static app.loculus.core.show.PartKinds.NAME;
import static app.loculus.core.show.PartKinds.NICHE_PAGES;
import static app.loculus.core.show.PartKinds.OPENED;
import static app.loculus.core.show.PartKinds.PALETTES;
import static app.loculus.core.show.PartKinds.PROFILES;
import static app.loculus.core.show.PartKinds.SUBMASTERS;
import static app.loculus.core.show.PartKinds.UNIVERSES;
import static app.loculus.core.show.PartKinds.VALUES;

import app.loculus.app.session.ShowChanged;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What pages draw from. Each view says what of a show it is made of, so that pages are told what to look at again. A new
 * kind of part is named here by the views that read it; a law over random lines holds all of it against what changes.
 */
enum View {
    SHOW("show", everything()),
    CHECK("check", everything()),
    PAPER("paper", everything()),
    PARCEL("parcel", everything()),
    PATCH("patch", of(PROFILES, UNIVERSES, FIXTURES)),
    GROUPS_VIEW("groups", of(FIXTURES, PROFILES, GROUPS)),
    STARTER_GROUPS("starters", of(FIXTURES, PROFILES, GROUPS)),
    DESK("desk", of(PROFILES, GROUPS, HIGHLIGHT, PALETTES, HAND, VALUES, MARKS, EFFECTS), of(FIXTURES)),
    PALETTES_VIEW("palettes", of(PROFILES, PALETTES, HAND, MARKS, FIXTURES)),
    COVERAGE("coverage", of(PROFILES, PALETTES, MARKS, FIXTURES)),
    STARTER_PALETTES("palette starters", of(PROFILES, PALETTES), of(FIXTURES)),
    CONTENTS(
            "contents",
            of(PROFILES, PALETTES, GROUPS, EFFECTS, VALUES, LOOKS, LISTS, CUES, SUBMASTERS, OPENED, MARKS, FIXTURES)),
    MARKS_VIEW("marks", of(MARKS, PALETTES)),
    PAGES("pages", of(NICHE_PAGES)),
    VALUE_TABLE("value table", of(VALUES, HAND, PALETTES, MARKS, FIXTURES, PROFILES, HIGHLIGHT, EFFECTS)),
    MATCH("match", of(VALUES, HAND, PALETTES, MARKS, FIXTURES, PROFILES, HIGHLIGHT)),
    HOLDERS("holders", of(VALUES, HAND, PALETTES, MARKS, FIXTURES, PROFILES, HIGHLIGHT)),
    LOOKS_VIEW("looks", of(LOOKS, LISTS, CUES, SUBMASTERS, OPENED, PALETTES, GROUPS, FIXTURES, PROFILES, EFFECTS)),
    LOOK_CONTENTS(
            "look contents",
            of(LOOKS, LISTS, CUES, SUBMASTERS, OPENED, PALETTES, GROUPS, FIXTURES, PROFILES, EFFECTS, VALUES)),
    LOOK_LIGHT("look light", of(LOOKS, LISTS, CUES, SUBMASTERS, PALETTES, MARKS, EFFECTS, FIXTURES, PROFILES)),
    EFFECTS_VIEW("effects", of(EFFECTS, HAND, VALUES, LOOKS, PALETTES, MARKS, FIXTURES, PROFILES)),
    STARTER_EFFECTS("effect starters", of(EFFECTS, HAND, VALUES, PALETTES, FIXTURES, PROFILES)),
    SCENERY("scenery", of(DRAWINGS)),
    DEVICES_VIEW("devices", of(DEVICES, FIXTURES, PROFILES)),
    VERSIONS("versions", of()),
    SHOWS("shows", of(NAME)),
    PROFILES_VIEW("profiles", of(PROFILES), of(FIXTURES)),
    PROFILE("profile", of(PROFILES), of(FIXTURES));

    /** What is drawn from the versions that are kept. */
    static final Set<String> OF_VERSIONS = Set.of(VERSIONS.word, SHOW.word, CHECK.word, PAPER.word, PARCEL.word);

    /** What is drawn from what devices say. */
    static final Set<String> OF_DEVICES = Set.of(DEVICES_VIEW.word);

    /** More fixtures than this are not listed: the patch is looked at as a whole. */
    static final int MOST_FIXTURES = 200;

    /** What is drawn from what the lights do. */
    private static final List<View> LIT =
            List.of(DESK, HOLDERS, VALUE_TABLE, MATCH, LOOK_CONTENTS, EFFECTS_VIEW, STARTER_EFFECTS);

    private final String word;
    private final Set<PartKind<?, ?>> reads;
    private final Set<PartKind<?, ?>> whenNoticed;

    View(String word, Set<PartKind<?, ?>> reads) {
        this(word, reads, of());
    }

    /**
     * @param word as pages ask for it
     * @param reads kinds it is made of
     * @param whenNoticed kinds of which it only shows what those see that refer to them
     */
    View(String word, Set<PartKind<?, ?>> reads, Set<PartKind<?, ?>> whenNoticed) {
        this.word = word;
        this.reads = reads;
        this.whenNoticed = whenNoticed;
    }

    String word() {
        return word;
    }

    private static Set<PartKind<?, ?>> everything() {
        return Set.copyOf(PartKinds.ALL);
    }

    private static Set<PartKind<?, ?>> of(PartKind<?, ?>... kinds) {
        return Set.of(kinds);
    }

    private boolean stale(ShowChanged event) {
        return event.kinds().stream().anyMatch(reads::contains)
                || event.noticed().stream().anyMatch(p -> whenNoticed.contains(p.kind()))
                || event.all();
    }

    /** Those that may look otherwise after a change; the patch is not among them where its few fixtures are told. */
    static Set<String> stale(ShowChanged event, boolean fixturesTold) {
        List<View> found =
                new ArrayList<>(Stream.of(values()).filter(v -> v.stale(event)).toList());
        if (fixturesTold) {
            found.remove(PATCH);
        }
        boolean lit = event.touches(VALUES)
                || event.touches(HAND)
                || event.touches(PALETTES)
                || event.touches(MARKS)
                || event.touches(EFFECTS);
        if (lit && event.snapshot().show().byLight()) {
            found.add(GROUPS_VIEW);
        }
        return words(found);
    }

    /** Those that may look otherwise because something else plays. @param byLight whether that decides who is in a group */
    static Set<String> lit(boolean byLight) {
        List<View> found = new ArrayList<>(LIT);
        if (byLight) {
            found.add(GROUPS_VIEW);
        }
        return words(found);
    }

    /** Those that show profiles: the library has others. */
    static Set<String> ofLibrary() {
        return words(Stream.of(values()).filter(v -> v.reads.contains(PROFILES)).toList());
    }

    private static Set<String> words(List<View> views) {
        return views.stream().map(View::word).collect(Collectors.toCollection(LinkedHashSet::new));
    }
}
