package app.loculus.formats.csv;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What a column of a hookup can hold, with the headers people give it. */
public enum HookupField {
    NUMBER(
            "number",
            "no",
            "nr",
            "num",
            "fixture",
            "fixture no",
            "fixture number",
            "unit",
            "channel",
            "chan",
            "ch",
            "id",
            "#"),
    NAME("name", "label", "title", "fixture name"),
    PROFILE("profile", "type", "fixture type", "instrument", "instrument type", "model", "kind"),
    MODE("mode", "dmx mode", "personality"),
    ADDRESS("address", "dmx", "dmx address", "addr", "universe.address", "patch", "start address", "universe/address"),
    POSITION("position", "location", "hang", "hanging position", "where"),
    PURPOSE("purpose", "use", "job", "focus", "notes"),
    UNIVERSE("universe", "univ", "uni", "dmx universe", "universe no"),
    SLOT("slot", "dmx slot", "start slot", "dmx start", "slot no");

    private final List<String> headers;

    HookupField(String... headers) {
        this.headers = List.of(headers);
    }

    public static Optional<HookupField> recognise(String header) {
        String plain =
                header.strip().toLowerCase(Locale.ROOT).replaceAll("[.:]$", "").replaceAll("\\s+", " ");
        return Arrays.stream(values()).filter(f -> f.headers.contains(plain)).findFirst();
    }
}
