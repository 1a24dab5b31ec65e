package app.loculus.app.store;

import app.loculus.core.group.GroupContent;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/** Deltas and hands as JSON for the journal. Profiles are written as their id and looked up when read. */
final class DeltaCodec {

    private final ObjectMapper json;

    /** @param profiles finds a profile by its id */
    DeltaCodec(Function<ProfileId, Profile> profiles) {
        SimpleModule module = new SimpleModule();
        module.addSerializer(Profile.class, new ProfileWriter());
        module.addDeserializer(Profile.class, new ProfileReader(profiles));
        module.addKeyDeserializer(Attribute.class, new AttributeKey());
        json = new ObjectMapper()
                .registerModules(new Jdk8Module(), module)
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .addMixIn(Palette.class, PaletteForm.class);
        Stream.of(Change.class, AttributeValue.class, ScopeKey.class, GroupContent.class, Pattern.class)
                .forEach(this::oneOf);
    }

    private void oneOf(Class<?> sealed) {
        json.addMixIn(sealed, OneOf.class);
        json.registerSubtypes(sealed.getPermittedSubclasses());
    }

    String write(Delta delta) {
        return text(delta);
    }

    Delta delta(String text) {
        return read(text, Delta.class);
    }

    String write(Hand hand) {
        return text(hand);
    }

    Hand hand(String text) {
        return read(text, Hand.class);
    }

    private String text(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private <T> T read(String text, Class<T> type) {
        try {
            return json.readValue(text, type);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("The journal cannot be read: " + e.getOriginalMessage(), e);
        }
    }

    /** A sealed type is written with the simple name of its record. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    private interface OneOf {}

    @JsonAutoDetect(
            getterVisibility = JsonAutoDetect.Visibility.NONE,
            isGetterVisibility = JsonAutoDetect.Visibility.NONE,
            fieldVisibility = JsonAutoDetect.Visibility.NONE)
    private abstract static class PaletteForm {
        @JsonCreator
        PaletteForm(
                @JsonProperty("id") PaletteId id,
                @JsonProperty("kind") Kind kind,
                @JsonProperty("number") int number,
                @JsonProperty("name") String name,
                @JsonProperty("intent") Optional<app.loculus.core.colour.Chromaticity> intent,
                @JsonProperty("entries") java.util.Collection<Entry> entries) {}

        @JsonProperty("id")
        abstract PaletteId id();

        @JsonProperty("kind")
        abstract Kind kind();

        @JsonProperty("number")
        abstract int number();

        @JsonProperty("name")
        abstract String name();

        @JsonProperty("intent")
        abstract Optional<app.loculus.core.colour.Chromaticity> intent();

        @JsonProperty("entries")
        abstract List<Entry> entries();
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

    private static final class AttributeKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return new Attribute(key);
        }
    }
}
