package app.loculus.formats.journal;

import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;

/** Working values as one text; an object of attributes, as format 1 has it, is read as well. */
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
            JsonNode node = in.readValueAsTree();
            if (node.isTextual()) {
                return ValuesText.read(node.asText());
            }
            Map<Attribute, Touched> values = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> value : node.path("byAttribute").properties()) {
                values.put(new Attribute(value.getKey()), in.getCodec().treeToValue(value.getValue(), Touched.class));
            }
            return new UnitValues(values);
        }
    }
}
