package app.loculus.formats.showfile;

import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Set;

/** Shows as earlier versions wrote them, with what came later as it is when nobody has said anything. */
public final class Earlier {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** The first with recipes, and a look of highlight. */
    private static final int RECIPES = 3;

    /** The first with marks, that remembers which colour was asked for, and what is written on palettes. */
    private static final int ASKED = 4;

    /** The first with pages of niches. */
    private static final int PAGES = 5;

    /** The first with looks, cues and submasters. */
    private static final int LOOKS = 6;

    /** The first with effects. */
    private static final int EFFECTS = 7;

    /** The first with values as texts. */
    private static final int TEXTS = 8;

    /** The first that knows which list is chosen, which palettes the patch suggested, and a highlight in a colour. */
    private static final int CHOSEN = 9;

    /** The first with what people said about the state of the work. */
    private static final int LEDGER = 10;

    private static final Set<PartKind<?, ?>> OF_LEDGER =
            Set.of(PartKinds.ASIDES, PartKinds.SIGNATURES, PartKinds.PAPERWORK);

    /** The first with drawings, with devices that are known, and with an identity of the show. */
    private static final int DRAWINGS = 11;

    private static final Set<PartKind<?, ?>> OF_DRAWINGS =
            Set.of(PartKinds.DRAWINGS, PartKinds.DEVICES, PartKinds.IDENTITY);

    /** The first whose universes can change together and go by Art-Net, and whose fixtures can be inverted and gelled. */
    private static final int TOGETHER = 12;

    private Earlier() {}

    /** Whether a version could not yet write parts of a kind; there were none then. */
    static boolean without(PartKind<?, ?> kind, int version) {
        return version < LEDGER && OF_LEDGER.contains(kind) || version < DRAWINGS && OF_DRAWINGS.contains(kind);
    }

    /** @param version that of the manifest */
    static JsonNode upgraded(JsonNode document, int version) {
        if (version < RECIPES && document instanceof ObjectNode show) {
            show.path("groups").forEach(Earlier::group);
            if (show.get("hand") instanceof ObjectNode hand) {
                hand(hand);
            }
            if (!show.has("highlight")) {
                show.set(
                        "highlight",
                        NODES.objectNode()
                                .<ObjectNode>set("settings", NODES.arrayNode())
                                .putNull("rest"));
            }
        }
        if (version < ASKED && document instanceof ObjectNode show) {
            show.set("marks", NODES.arrayNode());
            show.path("palettes").forEach(Earlier::palette);
            show.path("values").forEach(Earlier::values);
        }
        if (version < PAGES && document instanceof ObjectNode show) {
            show.set("pages", NODES.arrayNode());
        }
        if (version < LOOKS && document instanceof ObjectNode show) {
            List.of("looks", "lists", "cues", "submasters").forEach(kind -> show.set(kind, NODES.arrayNode()));
            show.set("opened", NODES.objectNode().putNull("look"));
        }
        if (version < EFFECTS && document instanceof ObjectNode show) {
            show.set("effects", NODES.arrayNode());
        }
        if (version < TEXTS) {
            moved(document);
        }
        if (version < CHOSEN && document instanceof ObjectNode show) {
            chosen(PartKinds.HAND, show.path("hand"));
            chosen(PartKinds.HIGHLIGHT, show.path("highlight"));
            show.path("palettes").forEach(p -> chosen(PartKinds.PALETTES, p));
        }
        if (version < TOGETHER) {
            document.path("universes").forEach(u -> together(PartKinds.UNIVERSES, u));
            document.path("fixtures").forEach(f -> together(PartKinds.FIXTURES, f));
        }
        return document;
    }

    /** A part of a document that is read part by part. @param version that of the manifest */
    static JsonNode part(PartKind<?, ?> kind, JsonNode part, int version) {
        if (version < TEXTS) {
            moved(part);
        }
        if (version < CHOSEN) {
            chosen(kind, part);
        }
        if (version < TOGETHER) {
            together(kind, part);
        }
        return part;
    }

    /** Whether parts of a kind are to be brought up to this version. */
    static boolean changed(PartKind<?, ?> kind, int version) {
        return version < CHOSEN && kind == PartKinds.PALETTES
                || version < TEXTS && kind == PartKinds.LOOKS
                || version < TOGETHER && (kind == PartKinds.UNIVERSES || kind == PartKinds.FIXTURES);
    }

    /** What an effect moved was nowhere ahead. */
    private static void moved(JsonNode part) {
        part.findValues("use").forEach(use -> {
            if (use instanceof ObjectNode fields && fields.has("effect")) {
                fields.put("ahead", 0.0);
            }
        });
    }

    private static void chosen(PartKind<?, ?> kind, JsonNode part) {
        if (kind == PartKinds.HAND && part instanceof ObjectNode hand) {
            hand.putNull("list");
        } else if (kind == PartKinds.HIGHLIGHT && part instanceof ObjectNode look) {
            look.putNull("colour");
        } else if (kind == PartKinds.PALETTES && part.get("label") instanceof ObjectNode label) {
            label.put("starter", false);
        }
    }

    private static void palette(JsonNode palette) {
        if (palette instanceof ObjectNode fields) {
            fields.putNull("aim");
            fields.set(
                    "label",
                    NODES.objectNode().put("tint", "NONE").put("note", "").putNull("seconds"));
        }
    }

    private static void values(JsonNode unit) {
        if (unit.path("values") instanceof ObjectNode fields) {
            fields.putNull("asked");
            fields.path("byAttribute").forEach(v -> {
                if (v instanceof ObjectNode value) {
                    value.putNull("was");
                }
            });
        }
    }

    private static void group(JsonNode group) {
        if (group instanceof ObjectNode fields) {
            fields.put("tint", "NONE").put("note", "");
        }
    }

    /** A part of a journal or a table, which any version may have written. */
    public static JsonNode part(PartKind<?, ?> kind, JsonNode part) {
        if (kind == PartKinds.HAND && part instanceof ObjectNode hand && hand.has("share")) {
            hand(hand);
        }
        together(kind, part);
        return part;
    }

    /** Each universe changed by itself, and no head was inverted or gelled. */
    private static void together(PartKind<?, ?> kind, JsonNode part) {
        if (kind == PartKinds.UNIVERSES && part instanceof ObjectNode universe && !universe.has("sync")) {
            universe.put("sync", 0);
        } else if (kind == PartKinds.FIXTURES && part instanceof ObjectNode fixture && !fixture.has("inverted")) {
            fixture.set("inverted", NODES.objectNode().put("pan", false).put("tilt", false));
            fixture.putNull("gel");
        }
    }

    /** The selection before was the only one that was kept, and one share stood beside all patterns. */
    private static void hand(ObjectNode hand) {
        JsonNode last = hand.remove("last");
        JsonNode share = hand.remove("share");
        boolean before = last != null && !(last.isArray() ? last : last.path("steps")).isEmpty();
        hand.set("recent", before ? NODES.arrayNode().add(last) : NODES.arrayNode());
        if (hand.has("base")) {
            hand.set("asked", NODES.objectNode().put("is", "Units").set("selection", hand.get("base")));
        }
        turn(hand.path("patterns"), share == null ? 0 : share.asInt());
    }

    /** The last pattern that leaves a rest takes the share that was beside it. */
    private static void turn(JsonNode patterns, int share) {
        for (int i = patterns.size() - 1; i >= 0; i--) {
            if (patterns.get(i) instanceof ObjectNode pattern) {
                String is = pattern.path("is").asText();
                if (is.equals("EveryNth")) {
                    pattern.put(
                            "from",
                            (pattern.path("from").asInt() - 1 + share)
                                            % Math.max(1, pattern.path("n").asInt())
                                    + 1);
                    return;
                }
                if (is.equals("Part")) {
                    pattern.put(
                            "k",
                            (pattern.path("k").asInt() - 1 + share)
                                            % Math.max(1, pattern.path("of").asInt())
                                    + 1);
                    return;
                }
            }
        }
    }
}
