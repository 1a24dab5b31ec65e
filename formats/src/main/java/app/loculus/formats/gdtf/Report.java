package app.loculus.formats.gdtf;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.DmxValue;
import java.util.List;
import org.w3c.dom.Element;

/** Reads values out of attributes; what is odd becomes a warning that names the element. */
final class Report {

    private final Problems problems = new Problems();

    List<Problem> warnings() {
        return problems.all();
    }

    void odd(Element element, String words) {
        problems.add(Problem.warning("gdtf.odd", place(element), words));
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

    static String place(Element element) {
        String name = element.getAttribute("Name");
        return element.getTagName() + (name.isEmpty() ? "" : " “" + name + "”");
    }
}
