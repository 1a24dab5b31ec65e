package app.loculus.formats.mvr;

import app.loculus.formats.xml.Xml;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.UUID;
import org.w3c.dom.Element;

/** Small readers for the elements of a scene. */
final class SceneText {

    private SceneText() {}

    /** What a child element says; empty where there is none. */
    static String of(Element parent, String child) {
        return Xml.child(parent, child).map(e -> e.getTextContent().strip()).orElse("");
    }

    static String name(Element element) {
        return element.getAttribute("name").strip();
    }

    static boolean yes(Element parent, String child) {
        return of(parent, child).equalsIgnoreCase("true");
    }

    /** As it is compared: other writers use large letters, and braces. */
    static String identity(String written) {
        return written.strip().toLowerCase(Locale.ROOT).replaceAll("[{}]", "");
    }

    static String identity(Element element) {
        return identity(element.getAttribute("uuid"));
    }

    /** One for what came without, the same each time. */
    static String made(String from) {
        return UUID.nameUUIDFromBytes(from.getBytes(StandardCharsets.UTF_8)).toString();
    }
}
