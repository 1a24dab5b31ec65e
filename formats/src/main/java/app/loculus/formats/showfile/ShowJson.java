package app.loculus.formats.showfile;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.group.GroupContent;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.Pattern;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** How the parts of a show are written as JSON. */
public final class ShowJson {

    private ShowJson() {}

    /** @param further sealed types beside those of a show's parts */
    public static ObjectMapper mapper(Class<?>... further) {
        SimpleModule module = new SimpleModule();
        module.addKeyDeserializer(Attribute.class, new AttributeKey());
        ObjectMapper json = new ObjectMapper()
                .registerModules(new Jdk8Module(), module)
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .addMixIn(Palette.class, PaletteForm.class);
        Stream.concat(
                        Stream.of(AttributeValue.class, ScopeKey.class, GroupContent.class, Pattern.class),
                        Stream.of(further))
                .forEach(type -> {
                    json.addMixIn(type, OneOf.class);
                    json.registerSubtypes(type.getPermittedSubclasses());
                });
        return json;
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
                @JsonProperty("intent") Optional<Chromaticity> intent,
                @JsonProperty("entries") Collection<Entry> entries) {}

        @JsonProperty("id")
        abstract PaletteId id();

        @JsonProperty("kind")
        abstract Kind kind();

        @JsonProperty("number")
        abstract int number();

        @JsonProperty("name")
        abstract String name();

        @JsonProperty("intent")
        abstract Optional<Chromaticity> intent();

        @JsonProperty("entries")
        abstract List<Entry> entries();
    }

    private static final class AttributeKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return new Attribute(key);
        }
    }
}
