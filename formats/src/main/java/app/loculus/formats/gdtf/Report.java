package app.loculus.formats.gdtf;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.DmxValue;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Reads values out of attributes; what is odd becomes a warning that names the element. */
final class Report {

    private final Problems problems = new Problems();

    /** Elements that are named in front of what stands in them. */
    private static final Set<String> OUTER = Set.of("DMXMode", "DMXChannel", "ChannelFunction", "Wheel");

    /** Nobody reads more; what is beyond is counted. */
    private static final int MOST = 200;

    private final Set<String> said = new HashSet<>();
    private int beyond;

    List<Problem> warnings() {
        if (beyond == 0) {
            return problems.all();
        }
        List<Problem> all = new ArrayList<>(problems.all());
        all.add(Problem.warning("gdtf.odd", "description.xml", beyond + " more like these."));
        return all;
    }

    /** Says something once, however often it is come across. */
    void odd(Element element, String words) {
        String place = place(element);
        if (!said.add(place + words)) {
            return;
        }
        if (said.size() > MOST) {
            beyond++;
        } else {
            problems.add(Problem.warning("gdtf.odd", place, words));
        }
    }

    double number(Element element, String attribute, double otherwise) {
        String text = Xml.text(element, attribute, "");
        try {
            double number = text.isEmpty() ? otherwise : Double.parseDouble(text);
            if (Double.isFinite(number)) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Told below, with what is used instead.
        }
        odd(element, attribute + " “" + text + "” is no number; " + otherwise + " is used.");
        return otherwise;
    }

    DmxValue dmx(Element element, String attribute, String otherwise) {
        String text = Xml.text(element, attribute, otherwise);
        try {
            return DmxValue.parse(text);
        } catch (Refusal e) {
            odd(element, attribute + " “" + text + "” is no DMX value; " + otherwise + " is used.");
            return DmxValue.parse(otherwise);
        }
    }

    /** Where an element stands, outside in: {@code DMXMode “wide”, DMXChannel 3 “Head_Dimmer”, ChannelFunction “Dim”}. */
    static String place(Element element) {
        List<String> parts = new ArrayList<>();
        for (Node at = element; at instanceof Element e; at = at.getParentNode()) {
            if (e == element || OUTER.contains(e.getTagName())) {
                parts.add(0, one(e));
            }
        }
        return String.join(", ", parts);
    }

    private static String one(Element e) {
        String name = e.getTagName().equals("DMXChannel") ? ChannelReader.key(e) : e.getAttribute("Name");
        String offset = e.getAttribute("Offset").isBlank() ? "" : " " + e.getAttribute("Offset");
        return e.getTagName() + offset + (name.isEmpty() ? "" : " “" + name + "”");
    }
}
