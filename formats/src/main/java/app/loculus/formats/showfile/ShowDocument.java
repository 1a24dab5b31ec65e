package app.loculus.formats.showfile;

import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.ObjectReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A show as one JSON object with a field for each kind of part, in the order of kinds and keys; profiles are beside it.
 * A part there is once is the field's value; parts that know their key stand in a list; others with their key beside.
 */
final class ShowDocument {

    private static final ObjectMapper JSON = ShowJson.strict();

    private ShowDocument() {}

    /** Writes it as it goes, so that the size of a show is no matter. */
    static byte[] octets(Show show) throws IOException {
        ByteArrayOutputStream octets = new ByteArrayOutputStream();
        try (JsonGenerator out = JSON.createGenerator(octets)) {
            out.writeStartObject();
            for (PartKind<?, ?> kind : PartKinds.ALL) {
                if (written(kind)) {
                    out.writeFieldName(kind.name());
                    field(kind, show, out);
                }
            }
            out.writeEndObject();
        }
        return octets.toByteArray();
    }

    /** Parts of one kind alone. */
    static byte[] octets(PartKind<?, ?> kind, Show show) throws IOException {
        ByteArrayOutputStream octets = new ByteArrayOutputStream();
        try (JsonGenerator out = JSON.createGenerator(octets)) {
            field(kind, show, out);
        }
        return octets.toByteArray();
    }

    private static boolean written(PartKind<?, ?> kind) {
        return kind != PartKinds.PROFILES;
    }

    private static <K, V> void field(PartKind<K, V> kind, Show show, JsonGenerator out) throws IOException {
        if (kind.once()) {
            JSON.writeValue(out, show.get(kind, kind.keys().read().apply("")));
            return;
        }
        out.writeStartArray();
        for (Map.Entry<K, V> part : show.all(kind).entrySet()) {
            out.writeRawValue(element(kind, part.getKey(), part.getValue()));
            out.writeRaw('\n');
        }
        out.writeEndArray();
    }

    private static <K, V> String element(PartKind<K, V> kind, K key, V part) throws IOException {
        String alone = JSON.writeValueAsString(part);
        return kind.keyOf(part).isPresent()
                ? alone
                : "{\"" + kind.keys().field() + "\":" + JSON.writeValueAsString(key) + ",\"" + kind.name() + "\":"
                        + alone + "}";
    }

    /**
     * Reads a show as this version and the one before write it, part by part.
     *
     * @param version that of the manifest
     * @param loose takes sentences about what refers to nothing; it is left out
     * @throws Refusal when a part is missing, not understood, or they do not fit together
     */
    static Show read(byte[] octets, int version, Profiles profiles, Common common, List<String> loose)
            throws IOException {
        ObjectReader reader = JSON.reader().withAttribute(ValuesForm.class, common.values());
        List<Change<?, ?>> parts = new ArrayList<>();
        Set<PartKind<?, ?>> found = new HashSet<>();
        try (JsonParser in = JSON.createParser(octets)) {
            if (in.nextToken() != JsonToken.START_OBJECT) {
                throw broken("it is no object");
            }
            while (in.nextToken() == JsonToken.FIELD_NAME) {
                PartKind<?, ?> kind = PartKinds.named(in.currentName())
                        .filter(ShowDocument::written)
                        .orElse(null);
                in.nextToken();
                if (kind == null) {
                    in.skipChildren();
                } else if (in.hasToken(JsonToken.VALUE_NULL) || !found.add(kind)) {
                    throw broken("its " + kind.words() + " are missing, or there twice");
                } else {
                    kind(kind, version, in, reader, parts);
                }
            }
        }
        PartKinds.ALL.stream()
                .filter(kind -> written(kind) && !found.contains(kind) && !Earlier.without(kind, version))
                .findFirst()
                .ifPresent(kind -> {
                    throw broken("its " + kind.words() + " are missing");
                });
        return put(parts, profiles, loose);
    }

    private static <K, V> void kind(
            PartKind<K, V> kind, int version, JsonParser in, ObjectReader reader, List<Change<?, ?>> parts)
            throws IOException {
        if (kind.once()) {
            @SuppressWarnings("unchecked") // the key of what there is once
            K key = (K) Whole.SHOW;
            add(kind, key, value(kind, Earlier.part(kind, JSON.readTree(in), version), kind.parts()), parts);
            return;
        }
        if (!in.hasToken(JsonToken.START_ARRAY)) {
            throw broken("its " + kind.words() + " are no list");
        }
        Set<K> seen = new HashSet<>();
        while (in.nextToken() != JsonToken.END_ARRAY) {
            if (in.currentToken() == null) {
                throw broken("its " + kind.words() + " are cut off");
            }
            K key = kind.ownKeys() && !Earlier.changed(kind, version)
                    ? whole(kind, in, reader, parts)
                    : one(kind, Earlier.part(kind, JSON.readTree(in), version), parts);
            if (!seen.add(key)) {
                throw broken("it has " + key + " twice among its " + kind.words());
            }
        }
    }

    /** A part that knows its key, without a tree of it in between: looks are large. */
    private static <K, V> K whole(PartKind<K, V> kind, JsonParser in, ObjectReader reader, List<Change<?, ?>> parts)
            throws IOException {
        if (!in.hasToken(JsonToken.START_OBJECT)) {
            throw broken("one of its " + kind.words() + " is empty");
        }
        V part;
        try {
            part = reader.forType(kind.parts()).readValue(in);
        } catch (JsonProcessingException e) {
            throw unread(kind, e);
        }
        K key = kind.keyOf(part).orElseThrow();
        add(kind, key, part, parts);
        return key;
    }

    private static Refusal unread(PartKind<?, ?> kind, JsonProcessingException e) {
        return e.getCause() instanceof Refusal refusal
                ? refusal
                : broken("one of its " + kind.words() + " cannot be read");
    }

    /** The same for the document of an earlier version, brought up to this one. */
    static Show show(JsonNode document, int version, Profiles profiles, List<String> loose) {
        List<Change<?, ?>> parts = new ArrayList<>();
        PartKinds.ALL.stream()
                .filter(kind -> written(kind) && !Earlier.without(kind, version))
                .forEach(kind -> read(kind, document, parts));
        return put(parts, profiles, loose);
    }

    private static Show put(List<Change<?, ?>> read, Profiles profiles, List<String> loose) {
        List<Change<?, ?>> parts = new ArrayList<>();
        for (Profile p : profiles.all()) {
            parts.add(new Change<>(PartKinds.PROFILES, p.id(), Optional.empty(), Optional.of(p)));
        }
        parts.addAll(read);
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
            throw unread(kind, e);
        }
    }

    static Refusal broken(String why) {
        return Refusal.of("show.file", "file", "The show file does not fit together: " + why + ".");
    }
}
