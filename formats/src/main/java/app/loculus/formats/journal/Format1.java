package app.loculus.formats.journal;

import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.formats.showfile.Earlier;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads what earlier versions wrote: a list of changes, each with the name of a class that is no more. */
final class Format1 {

    /** A kind of today and the field in which its key stood, empty for what there is once. */
    private record Was(PartKind<?, ?> kind, String key) {}

    private static final Map<String, Was> NAMES = Map.of(
            "Name", new Was(PartKinds.NAME, ""),
            "OfProfile", new Was(PartKinds.PROFILES, "id"),
            "OfFixture", new Was(PartKinds.FIXTURES, "id"),
            "OfGroup", new Was(PartKinds.GROUPS, "id"),
            "OfPalette", new Was(PartKinds.PALETTES, "id"),
            "OfUniverse", new Was(PartKinds.UNIVERSES, "universe"),
            "OfValues", new Was(PartKinds.VALUES, "unit"),
            "OfHand", new Was(PartKinds.HAND, ""));

    private final ObjectMapper json;

    Format1(ObjectMapper json) {
        this.json = json;
    }

    Delta read(JsonNode document) throws JsonProcessingException {
        List<Change<?, ?>> changes = new ArrayList<>();
        for (JsonNode change : document.path("changes")) {
            Was was = NAMES.get(change.path("is").asText());
            if (was == null) {
                throw new UnreadableEntry("it changes “" + change.path("is").asText() + "”");
            }
            changes.add(change(was.kind(), was.key(), change));
        }
        return new Delta(changes);
    }

    private <K, V> Change<K, V> change(PartKind<K, V> kind, String field, JsonNode node)
            throws JsonProcessingException {
        K key = field.isEmpty()
                ? kind.keys().read().apply("")
                : json.treeToValue(node.get(field), kind.keys().type());
        return new Change<>(kind, key, part(kind, key, node.get("before")), part(kind, key, node.get("after")));
    }

    private <K, V> Optional<V> part(PartKind<K, V> kind, K key, JsonNode node) throws JsonProcessingException {
        return node == null || node.isNull()
                ? Optional.empty()
                : kind.stored(key, json.treeToValue(Earlier.part(kind, node), kind.parts()));
    }
}
