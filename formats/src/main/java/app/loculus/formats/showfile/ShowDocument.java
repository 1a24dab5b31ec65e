package app.loculus.formats.showfile;

import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A show as one JSON object with a field for each kind of part, in the order of kinds and keys; profiles are beside it.
 * A part there is once is the field's value; parts that know their key stand in a list; others with their key beside.
 */
final class ShowDocument {

    private static final ObjectMapper JSON = ShowJson.strict();

    private ShowDocument() {}

    static JsonNode of(Show show) {
        ObjectNode document = JSON.createObjectNode();
        PartKinds.ALL.stream()
                .filter(ShowDocument::written)
                .forEach(kind -> document.set(kind.name(), field(kind, show)));
        return document;
    }

    private static boolean written(PartKind<?, ?> kind) {
        return kind != PartKinds.PROFILES;
    }

    private static <K, V> JsonNode field(PartKind<K, V> kind, Show show) {
        if (kind.once()) {
            return JSON.valueToTree(show.get(kind, kind.keys().read().apply("")));
        }
        ArrayNode list = JSON.createArrayNode();
        show.all(kind).forEach((key, part) -> list.add(element(kind, key, part)));
        return list;
    }

    private static <K, V> JsonNode element(PartKind<K, V> kind, K key, V part) {
        JsonNode alone = JSON.valueToTree(part);
        return kind.keyOf(part).isPresent()
                ? alone
                : JSON.createObjectNode()
                        .<ObjectNode>set(kind.keys().field(), JSON.valueToTree(key))
                        .set(kind.name(), alone);
    }

    /**
     * @param loose takes sentences about what refers to nothing; it is left out
     * @throws Refusal when a part is missing, not understood, or they do not fit together
     */
    static Show show(JsonNode document, Profiles profiles, List<String> loose) {
        List<Change<?, ?>> parts = new ArrayList<>();
        for (Profile p : profiles.all()) {
            parts.add(new Change<>(PartKinds.PROFILES, p.id(), Optional.empty(), Optional.of(p)));
        }
        PartKinds.ALL.stream().filter(ShowDocument::written).forEach(kind -> read(kind, document, parts));
        String name = parts.stream()
                .flatMap(c -> c.of(PartKinds.NAME).stream())
                .flatMap(c -> c.after().stream())
                .findFirst()
                .orElseThrow(() -> broken("it has no name"));
        return Show.of(name, parts, loose);
    }

    private static <K, V> void read(PartKind<K, V> kind, JsonNode document, List<Change<?, ?>> parts) {
        JsonNode field = document.get(kind.name());
        if (field == null || field.isNull()) {
            throw broken("its " + kind.words() + " are missing");
        }
        if (kind.once()) {
            @SuppressWarnings("unchecked") // the key of what there is once
            K key = (K) Whole.SHOW;
            add(kind, key, value(kind, field, kind.parts()), parts);
            return;
        }
        if (!field.isArray()) {
            throw broken("its " + kind.words() + " are no list");
        }
        Set<K> seen = new LinkedHashSet<>();
        for (JsonNode element : field) {
            K key = one(kind, element, parts);
            if (!seen.add(key)) {
                throw broken("it has " + key + " twice among its " + kind.words());
            }
        }
    }

    private static <K, V> K one(PartKind<K, V> kind, JsonNode element, List<Change<?, ?>> parts) {
        boolean beside = element.has(kind.keys().field()) && element.has(kind.name());
        V part = value(kind, beside ? element.get(kind.name()) : element, kind.parts());
        K key = kind.keyOf(part)
                .orElseGet(() -> value(
                        kind, element.path(kind.keys().field()), kind.keys().type()));
        add(kind, key, part, parts);
        return key;
    }

    private static <K, V> void add(PartKind<K, V> kind, K key, V part, List<Change<?, ?>> parts) {
        parts.add(new Change<>(kind, key, Optional.empty(), kind.stored(key, part)));
    }

    private static <T> T value(PartKind<?, ?> kind, JsonNode node, Class<T> type) {
        if (node.isNull() || node.isMissingNode()) {
            throw broken("one of its " + kind.words() + " is empty");
        }
        try {
            return JSON.treeToValue(node, type);
        } catch (JsonProcessingException e) {
            if (e.getCause() instanceof Refusal refusal) {
                throw refusal;
            }
            throw broken("one of its " + kind.words() + " cannot be read");
        }
    }

    static Refusal broken(String why) {
        return Refusal.of("show.file", "file", "The show file does not fit together: " + why + ".");
    }
}
