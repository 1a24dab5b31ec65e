package app.loculus.formats.journal;

import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Step;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/** Selections written short: a text a step, units joined by +, runs of single units as {@code 1-2000}. */
final class SelectionForm {

    private SelectionForm() {}

    static void register(SimpleModule module) {
        module.addSerializer(Selection.class, new Writer());
        module.addDeserializer(Selection.class, new Reader());
    }

    private static final class Writer extends StdSerializer<Selection> {
        Writer() {
            super(Selection.class);
        }

        @Override
        public void serialize(Selection selection, JsonGenerator out, SerializerProvider provider) throws IOException {
            List<String> steps = selection.steps().stream()
                    .map(s -> s.units().stream().map(UnitId::toString).collect(Collectors.joining("+")))
                    .toList();
            out.writeStartArray();
            for (String run : runs(steps)) {
                out.writeString(run);
            }
            out.writeEndArray();
        }

        /** Steps of several units stand alone. */
        private static List<String> runs(List<String> steps) {
            List<String> runs = new ArrayList<>();
            List<String> singles = new ArrayList<>();
            for (String step : steps) {
                if (step.contains("+")) {
                    runs.addAll(KeyRuns.shortened(singles));
                    singles.clear();
                    runs.add(step);
                } else {
                    singles.add(step);
                }
            }
            runs.addAll(KeyRuns.shortened(singles));
            return runs;
        }
    }

    private static final class Reader extends StdDeserializer<Selection> {
        Reader() {
            super(Selection.class);
        }

        @Override
        public Selection deserialize(JsonParser in, DeserializationContext context) throws IOException {
            JsonNode node = in.readValueAsTree();
            return new Selection(node.isArray() ? steps(node) : earlier(node));
        }

        private static List<Step> steps(JsonNode node) {
            List<Step> steps = new ArrayList<>();
            for (JsonNode step : node) {
                String text = step.asText();
                if (text.contains("+")) {
                    steps.add(new Step(
                            Arrays.stream(text.split("\\+")).map(UnitId::parse).toList()));
                } else {
                    KeyRuns.spelledOut(List.of(text)).forEach(u -> steps.add(Step.of(UnitId.parse(u))));
                }
            }
            return steps;
        }

        /** {@code {"steps":[{"units":[{"fixture":{"value":1},"cell":0}]}]}}, as format 1 has it. */
        private static List<Step> earlier(JsonNode node) {
            List<Step> steps = new ArrayList<>();
            for (JsonNode step : node.path("steps")) {
                List<UnitId> units = new ArrayList<>();
                step.path("units")
                        .forEach(u -> units.add(
                                UnitId.parse(u.path("fixture").path("value").asInt() + "."
                                        + u.path("cell").asInt())));
                steps.add(new Step(units));
            }
            return steps;
        }
    }
}
