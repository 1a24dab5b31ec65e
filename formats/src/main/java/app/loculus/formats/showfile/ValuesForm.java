package app.loculus.formats.showfile;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import java.io.IOException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Values of a unit as one text; an object of attributes, as earlier versions have it, is read as well. */
final class ValuesForm {

    private ValuesForm() {}

    static void register(SimpleModule module) {
        module.addSerializer(UnitValues.class, new Writer());
        module.addDeserializer(UnitValues.class, new Reader());
    }

    private static final class Writer extends StdSerializer<UnitValues> {
        Writer() {
            super(UnitValues.class);
        }

        @Override
        public void serialize(UnitValues values, JsonGenerator out, SerializerProvider provider) throws IOException {
            out.writeString(ValuesText.of(values));
        }
    }

    private static final class Reader extends StdDeserializer<UnitValues> {
        Reader() {
            super(UnitValues.class);
        }

        @Override
        public UnitValues deserialize(JsonParser in, DeserializationContext context) throws IOException {
            try {
                return in.hasToken(JsonToken.VALUE_STRING)
                        ? shared(in.getText(), context)
                        : attributes(in.readValueAsTree(), in);
            } catch (RuntimeException e) {
                throw JsonMappingException.from(in, "Values that cannot be read", e);
            }
        }

        /** Units that have the same are given the same. */
        @SuppressWarnings("unchecked") // what is kept under the name
        private static UnitValues shared(String text, DeserializationContext context) {
            Map<String, UnitValues> known = (Map<String, UnitValues>) context.getAttribute(ValuesForm.class);
            if (known == null) {
                known = new HashMap<>();
                context.setAttribute(ValuesForm.class, known);
            }
            return known.computeIfAbsent(text, ValuesText::read);
        }

        private static UnitValues attributes(JsonNode node, JsonParser in) throws IOException {
            JsonNode byAttribute = node.path("byAttribute");
            if (!byAttribute.isObject()) {
                throw JsonMappingException.from(in, "Values without attributes");
            }
            Map<Attribute, Touched> values = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> value : byAttribute.properties()) {
                Touched touched = in.getCodec().treeToValue(value.getValue(), Touched.class);
                if (touched == null) {
                    throw JsonMappingException.from(in, "A value that is empty");
                }
                values.put(new Attribute(value.getKey()), touched);
            }
            JsonNode asked = node.path("asked");
            return new UnitValues(
                    values,
                    asked.isObject()
                            ? Optional.of(in.getCodec().treeToValue(asked, Chromaticity.class))
                            : Optional.empty());
        }
    }
}
