package app.loculus.formats.showfile;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.IntNode;
import com.fasterxml.jackson.databind.node.NullNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Changes a show's JSON behind the back of the checksum. */
final class ShowDocumentTampering {

    private static final ObjectMapper JSON = ShowJson.mapper();

    private ShowDocumentTampering() {}

    static void check(Show show, UnaryOperator<String> change, String word) {
        assertThatThrownBy(() -> tampered(show, change))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(word);
    }

    /** Leaves one value after the other out, empties it, or puts something else in its place. */
    static int eachValue(Show show) {
        JsonNode document = document(show);
        int refused = 0;
        for (ObjectNode object : objects(document, new ArrayList<>())) {
            for (String field : names(object)) {
                JsonNode was = object.get(field);
                for (JsonNode other : List.of(
                        NullNode.instance,
                        TextNode.valueOf("NaN"),
                        IntNode.valueOf(-7),
                        IntNode.valueOf(2_000_000_000))) {
                    object.set(field, other);
                    refused += refuses(document, show) ? 1 : 0;
                }
                object.remove(field);
                refused += refuses(document, show) ? 1 : 0;
                object.set(field, was);
            }
        }
        return refused;
    }

    private static boolean refuses(JsonNode document, Show show) {
        try {
            ShowDocument.read(
                    JSON.writeValueAsBytes(document),
                    ShowArchive.VERSION,
                    show.profiles(),
                    new Common(),
                    new ArrayList<>());
            return false;
        } catch (Refusal | IOException refused) {
            return true;
        }
    }

    private static JsonNode document(Show show) {
        try {
            return JSON.readTree(ShowDocument.octets(show));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static List<String> names(ObjectNode object) {
        List<String> names = new ArrayList<>();
        object.fieldNames().forEachRemaining(names::add);
        return names;
    }

    /** Every object of the document, of long lists the first and the last element. */
    private static List<ObjectNode> objects(JsonNode node, List<ObjectNode> found) {
        if (node instanceof ObjectNode object) {
            found.add(object);
        }
        for (int i = 0; i < node.size() && node.isArray(); i += Math.max(1, node.size() - 1)) {
            objects(node.get(i), found);
        }
        if (node.isObject()) {
            node.forEach(child -> objects(child, found));
        }
        return found;
    }

    private static Show tampered(Show show, UnaryOperator<String> change) throws IOException {
        String text = JSON.writerWithDefaultPrettyPrinter().writeValueAsString(document(show));
        List<String> loose = new ArrayList<>();
        Show read = ShowDocument.read(
                change.apply(text).getBytes(java.nio.charset.StandardCharsets.UTF_8),
                ShowArchive.VERSION,
                show.profiles(),
                new Common(),
                loose);
        if (!loose.isEmpty()) {
            throw ShowDocument.broken(loose.get(0));
        }
        return read;
    }
}
