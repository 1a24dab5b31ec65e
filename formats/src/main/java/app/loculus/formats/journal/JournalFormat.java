package app.loculus.formats.journal;

import app.loculus.core.group.GroupContent;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.formats.showfile.Earlier;
import app.loculus.formats.showfile.ShowJson;
import app.loculus.formats.showfile.ValuesText;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/** Writes deltas for the journal and reads them again. Profiles are written as their id and looked up. */
public final class JournalFormat {

    private static final int FORMAT = 2;

    /** A delta is never larger; what claims to be is damaged. */
    private static final int LARGEST = 256 << 20;

    /** A change of whichever part, for finding those that are alike. */
    private record Alike(PartKind<?, ?> kind, Optional<?> before, Optional<?> after) {}

    private final ObjectMapper json;

    /** @param profiles finds a profile by its id */
    public JournalFormat(Function<ProfileId, Profile> profiles) {
        SimpleModule module = new SimpleModule();
        module.addSerializer(Profile.class, new ProfileWriter());
        module.addDeserializer(Profile.class, new ProfileReader(profiles));
        SelectionForm.register(module);
        json = ShowJson.mapper().registerModule(module);
    }

    public byte[] write(Delta delta) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(FORMAT);
        Deflater deflater = new Deflater(Deflater.BEST_SPEED);
        try (DeflaterOutputStream deflated = new DeflaterOutputStream(out, deflater, 1 << 13);
                JsonGenerator text = json.createGenerator(deflated)) {
            text.writeStartObject();
            text.writeArrayFieldStart("changes");
            for (Map.Entry<Alike, List<String>> e : alike(delta).entrySet()) {
                write(e.getKey(), e.getValue(), text);
            }
            text.writeEndArray();
            text.writeEndObject();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            deflater.end();
        }
        return out.toByteArray();
    }

    private static Map<Alike, List<String>> alike(Delta delta) {
        Map<Alike, List<String>> found = new LinkedHashMap<>();
        for (Change<?, ?> c : delta.changes()) {
            found.computeIfAbsent(new Alike(c.kind(), c.before(), c.after()), a -> new ArrayList<>())
                    .add(key(c));
        }
        return found;
    }

    private static <K> String key(Change<K, ?> change) {
        return change.kind().keys().text().apply(change.key());
    }

    private static void write(Alike alike, List<String> keys, JsonGenerator text) throws IOException {
        text.writeStartObject();
        text.writeStringField("kind", alike.kind().name());
        text.writeArrayFieldStart("keys");
        for (String run : alike.kind().keys().counted() ? KeyRuns.shortened(keys) : keys) {
            text.writeString(run);
        }
        text.writeEndArray();
        if (alike.before().isPresent()) {
            text.writeObjectField("before", alike.before().get());
        }
        if (alike.after().isPresent()) {
            text.writeObjectField("after", alike.after().get());
        }
        text.writeEndObject();
    }

    /** @throws UnreadableEntry when the octets are damaged or of a kind that is not known here */
    public Delta read(byte[] octets) {
        try {
            if (octets.length == 0 || octets[0] != FORMAT) {
                throw new UnreadableEntry("it is of a format that is not known here");
            }
            try (InflaterInputStream in =
                    new InflaterInputStream(new ByteArrayInputStream(octets, 1, octets.length - 1))) {
                byte[] text = in.readNBytes(LARGEST);
                List<Change<?, ?>> changes = new ArrayList<>();
                for (JsonNode change : json.readTree(text).path("changes")) {
                    read(kind(change.path("kind").asText()), change, changes);
                }
                return new Delta(changes);
            }
        } catch (IOException | RuntimeException e) {
            throw UnreadableEntry.of(e);
        }
    }

    private static PartKind<?, ?> kind(String name) {
        return PartKinds.named(name).orElseThrow(() -> new UnreadableEntry("it changes “" + name + "”"));
    }

    private <K, V> void read(PartKind<K, V> kind, JsonNode change, List<Change<?, ?>> changes)
            throws JsonProcessingException {
        Optional<V> before = part(kind, change.get("before"));
        Optional<V> after = part(kind, change.get("after"));
        List<String> runs = new ArrayList<>();
        change.path("keys").forEach(k -> runs.add(k.asText()));
        for (String key : kind.keys().counted() ? KeyRuns.spelledOut(runs) : runs) {
            changes.add(new Change<>(kind, kind.keys().read().apply(key), before, after));
        }
    }

    private <V> Optional<V> part(PartKind<?, V> kind, JsonNode node) throws JsonProcessingException {
        return node == null || node.isNull()
                ? Optional.empty()
                : Optional.of(json.treeToValue(Earlier.part(kind, node), kind.parts()));
    }

    /** Keys in their written form, runs short. */
    public <K> List<String> writeKeys(PartKind<K, ?> kind, List<K> keys) {
        List<String> texts = keys.stream().map(kind.keys().text()).toList();
        return kind.keys().counted() ? KeyRuns.shortened(texts) : texts;
    }

    public <K> List<K> readKeys(PartKind<K, ?> kind, List<String> written) {
        return (kind.keys().counted() ? KeyRuns.spelledOut(written) : written)
                .stream().map(kind.keys().read()).toList();
    }

    /** One part alone, as text. */
    public <V> String writePart(PartKind<?, V> kind, V part) {
        if (part instanceof UnitValues values) {
            return ValuesText.of(values);
        }
        try {
            return json.writeValueAsString(part);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(kind + " cannot be written", e);
        }
    }

    /** @throws UnreadableEntry when the text is damaged */
    public <V> V readPart(PartKind<?, V> kind, String text) {
        try {
            if (kind.parts() == UnitValues.class) {
                return kind.parts().cast(ValuesText.read(text));
            }
            return json.treeToValue(Earlier.part(kind, json.readTree(ShowJson.today(text))), kind.parts());
        } catch (IOException | RuntimeException e) {
            throw UnreadableEntry.of(e);
        }
    }

    /** Working values of several units as text: those that have the same together. */
    public String writeValues(Map<UnitId, UnitValues> values) {
        Map<UnitValues, List<UnitId>> sharing = new LinkedHashMap<>();
        values.forEach((unit, held) ->
                sharing.computeIfAbsent(held, h -> new ArrayList<>()).add(unit));
        ArrayNode all = json.createArrayNode();
        sharing.forEach((held, units) -> all.addArray()
                .add(String.join(" ", writeKeys(PartKinds.VALUES, units)))
                .add(ValuesText.of(held)));
        return all.toString();
    }

    /** @throws UnreadableEntry when the text is damaged */
    public Map<UnitId, UnitValues> readValues(String text) {
        try {
            Map<UnitId, UnitValues> values = new LinkedHashMap<>();
            for (JsonNode sharing : json.readTree(text)) {
                UnitValues held = ValuesText.read(sharing.get(1).asText());
                readKeys(PartKinds.VALUES, List.of(sharing.get(0).asText().split(" ")))
                        .forEach(unit -> values.put(unit, held));
            }
            return values;
        } catch (IOException | RuntimeException e) {
            throw UnreadableEntry.of(e);
        }
    }

    /** What a group holds, alone, as text. */
    public String writeContent(GroupContent content) {
        try {
            return json.writerFor(GroupContent.class).writeValueAsString(content);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A group cannot be written", e);
        }
    }

    /** @throws UnreadableEntry when the text is damaged */
    public GroupContent readContent(String text) {
        try {
            return json.readValue(text, GroupContent.class);
        } catch (IOException | RuntimeException e) {
            throw UnreadableEntry.of(e);
        }
    }

    /** @throws UnreadableEntry as above */
    public Delta readFormat1(String text) {
        try {
            return new Format1(json).read(json.readTree(ShowJson.today(text)));
        } catch (IOException | RuntimeException e) {
            throw UnreadableEntry.of(e);
        }
    }

    private static final class ProfileWriter extends StdSerializer<Profile> {
        ProfileWriter() {
            super(Profile.class);
        }

        @Override
        public void serialize(Profile profile, JsonGenerator out, SerializerProvider provider) throws IOException {
            out.writeString(profile.id().value());
        }
    }

    private static final class ProfileReader extends StdDeserializer<Profile> {
        private final transient Function<ProfileId, Profile> profiles;

        ProfileReader(Function<ProfileId, Profile> profiles) {
            super(Profile.class);
            this.profiles = profiles;
        }

        @Override
        public Profile deserialize(JsonParser in, DeserializationContext context) throws IOException {
            return profiles.apply(new ProfileId(in.getText()));
        }
    }
}
