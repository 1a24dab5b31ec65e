package app.loculus.formats.showfile;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.drawing.DrawingFile;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.group.GroupContent;
import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Label;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Grid;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Sort;
import app.loculus.core.selection.State;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.jsontype.NamedType;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** How the parts of a show are written as JSON. */
public final class ShowJson {

    private ShowJson() {}

    /** What the records of sealed types are called in files and journals; for good, whatever they are called here. */
    private static final Map<Class<?>, String> NAMES = Map.ofEntries(
            Map.entry(AttributeValue.Level.class, "Level"),
            Map.entry(AttributeValue.Physical.class, "Physical"),
            Map.entry(AttributeValue.Named.class, "Named"),
            Map.entry(AttributeValue.Dmx.class, "Dmx"),
            Map.entry(AttributeValue.Aimed.class, "Aimed"),
            Map.entry(AttributeValue.Released.class, "Released"),
            Map.entry(AttributeValue.Reference.class, "Reference"),
            Map.entry(AttributeValue.Moved.class, "Moved"),
            Map.entry(Movement.Wave.class, "Wave"),
            Map.entry(Movement.Shape.class, "Shape"),
            Map.entry(Movement.Run.class, "Run"),
            Map.entry(Span.Around.class, "Around"),
            Map.entry(Span.Between.class, "Between"),
            Map.entry(ScopeKey.Global.class, "Global"),
            Map.entry(ScopeKey.Type.class, "Type"),
            Map.entry(ScopeKey.TypeMode.class, "TypeMode"),
            Map.entry(ScopeKey.Unit.class, "Unit"),
            Map.entry(GroupContent.Fixed.class, "Fixed"),
            Map.entry(Pattern.EveryNth.class, "EveryNth"),
            Map.entry(Pattern.Blocks.class, "Blocks"),
            Map.entry(Pattern.Part.class, "Part"),
            Map.entry(Pattern.Mirror.class, "Mirror"),
            Map.entry(Pattern.Reverse.class, "Reverse"),
            Map.entry(Pattern.Shuffle.class, "Shuffle"),
            Map.entry(Pattern.One.class, "One"),
            Map.entry(Pattern.Opened.class, "Opened"),
            Map.entry(Sort.class, "Sort"),
            Map.entry(Grid.class, "Grid"),
            Map.entry(GroupContent.Recipe.class, "Recipe"),
            Map.entry(Choice.Units.class, "Units"),
            Map.entry(Choice.Everything.class, "Everything"),
            Map.entry(Choice.OfType.class, "OfType"),
            Map.entry(Choice.AtPosition.class, "AtPosition"),
            Map.entry(Choice.ForPurpose.class, "ForPurpose"),
            Map.entry(Choice.OnUniverse.class, "OnUniverse"),
            Map.entry(Choice.OfGroup.class, "OfGroup"),
            Map.entry(Choice.Joined.class, "Joined"),
            Map.entry(Choice.Where.class, "Where"),
            Map.entry(Choice.Arranged.class, "Arranged"),
            Map.entry(State.Lit.class, "Lit"),
            Map.entry(State.Dark.class, "Dark"),
            Map.entry(State.Active.class, "Active"),
            Map.entry(State.Level.class, "AtLevel"),
            Map.entry(State.Uses.class, "Uses"),
            Map.entry(State.MovedBy.class, "MovedBy"),
            Map.entry(State.InGroup.class, "InGroup"),
            Map.entry(State.Unpatched.class, "Unpatched"),
            Map.entry(State.Answered.class, "Answered"),
            Map.entry(State.Among.class, "Among"),
            Map.entry(State.And.class, "And"),
            Map.entry(State.Or.class, "Or"),
            Map.entry(State.Not.class, "Not"));

    /** Reads what older versions wrote, with fields left out that came later. */
    public static ObjectMapper mapper() {
        SimpleModule module = new SimpleModule();
        module.addKeyDeserializer(Attribute.class, new AttributeKey());
        module.addKeyDeserializer(UnitId.class, new UnitKey());
        ValuesForm.register(module);
        ObjectMapper json = new ObjectMapper()
                .registerModules(new Jdk8Module(), module)
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .disable(MapperFeature.AUTO_DETECT_IS_GETTERS)
                .addMixIn(Palette.class, PaletteForm.class)
                .addMixIn(DrawingFile.class, DrawingFileForm.class);
        Stream.of(
                        AttributeValue.class,
                        ScopeKey.class,
                        GroupContent.class,
                        Pattern.class,
                        Choice.class,
                        State.class,
                        Movement.class,
                        Span.class)
                .forEach(type -> json.addMixIn(type, OneOf.class));
        NAMES.forEach((type, name) -> json.registerSubtypes(new NamedType(type, name)));
        return json;
    }

    /** In format 1 a sealed type stood with the name of its class, {@code AttributeValue$Level}. */
    private static final java.util.regex.Pattern CLASS_NAME =
            java.util.regex.Pattern.compile("\"is\"\\s*:\\s*\"\\w+\\$(\\w+)\"");

    /** Text that an earlier version wrote, with the names of today. */
    public static String today(String text) {
        return CLASS_NAME.matcher(text).replaceAll("\"is\":\"$1\"");
    }

    /** Nothing may be left out or empty, and text is no number. */
    static ObjectMapper strict() {
        return mapper().enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
                .enable(DeserializationFeature.FAIL_ON_MISSING_CREATOR_PROPERTIES)
                .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
                .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
                .setDefaultSetterInfo(JsonSetter.Value.forContentNulls(Nulls.FAIL));
    }

    /** A sealed type is written with the name of its record. */
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
                @JsonProperty("aim") Optional<MarkId> aim,
                @JsonProperty("label") Label label,
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

        @JsonProperty("aim")
        abstract Optional<MarkId> aim();

        @JsonProperty("label")
        abstract Label label();

        @JsonProperty("entries")
        abstract List<Entry> entries();
    }

    private static final class AttributeKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return new Attribute(key);
        }
    }

    private static final class UnitKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return UnitId.parse(key);
        }
    }

    /** Its octets in Base64. */
    private abstract static class DrawingFileForm {
        @JsonCreator
        DrawingFileForm(@JsonProperty("name") String name, @JsonProperty("octets") byte[] octets) {}

        @JsonProperty
        abstract String name();

        @JsonProperty
        abstract byte[] octets();
    }
}
