package app.loculus.formats.showfile;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;

/** Shows as earlier versions wrote them, with what came later as it is when nobody has said anything. */
final class Earlier {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** The first with recipes, and a look of highlight. */
    private static final int RECIPES = 3;

    private Earlier() {}

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
        return document;
    }

    private static void group(JsonNode group) {
        if (group instanceof ObjectNode fields) {
            fields.put("tint", "NONE").put("note", "");
        }
    }

    /** The selection before was the only one that was kept. */
    private static void hand(ObjectNode hand) {
        JsonNode last = hand.remove("last");
        hand.remove("share");
        hand.set(
                "recent",
                last == null || last.path("steps").isEmpty()
                        ? NODES.arrayNode()
                        : NODES.arrayNode().add(last));
        if (hand.has("base")) {
            hand.set("asked", NODES.objectNode().put("is", "Units").set("selection", hand.get("base")));
        }
    }
}
