package app.loculus.app.store;

import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.formats.showfile.ShowJson;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import java.io.IOException;
import java.util.function.Function;

/** Deltas and hands as JSON for the journal. Profiles are written as their id and looked up when read. */
final class DeltaCodec {

    private final ObjectMapper json;

    /** @param profiles finds a profile by its id */
    DeltaCodec(Function<ProfileId, Profile> profiles) {
        SimpleModule module = new SimpleModule();
        module.addSerializer(Profile.class, new ProfileWriter());
        module.addDeserializer(Profile.class, new ProfileReader(profiles));
        json = ShowJson.mapper(Change.class).registerModule(module);
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
