package app.loculus.formats.xml;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.ErrorHandler;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;

/** Parses XML with external entities off and a limit on its size; small readers for elements. */
public final class Xml {

    /** A description without pictures stays far below; characters. */
    public static final int LONGEST = 8_000_000;

    private Xml() {}

    /**
     * @param code that refusals of this format begin with; @param file what it is called in the archive
     * @param advice what to do about one that is not well-formed
     */
    public static Element parse(String xml, String code, String file, String advice) {
        if (xml.length() > LONGEST) {
            throw Refusal.of(
                    code + ".large",
                    file,
                    "“" + file + "” has " + xml.length() + " characters; at most " + LONGEST + " are read.");
        }
        try {
            DocumentBuilder builder = factory().newDocumentBuilder();
            builder.setErrorHandler(new Silent());
            return builder.parse(new InputSource(new StringReader(xml))).getDocumentElement();
        } catch (SAXParseException e) {
            throw Refusal.of(
                    code + ".xml",
                    "line " + e.getLineNumber() + ", column " + e.getColumnNumber(),
                    "This is not well-formed XML that can be read: " + e.getMessage(),
                    WayOut.advice(advice));
        } catch (SAXException | IOException | ParserConfigurationException e) {
            throw Refusal.of(code + ".xml", file, "“" + file + "” cannot be read: " + e.getMessage());
        }
    }

    private static DocumentBuilderFactory factory() throws ParserConfigurationException {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
        factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
        factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
        factory.setXIncludeAware(false);
        factory.setExpandEntityReferences(false);
        return factory;
    }

    private static final class Silent implements ErrorHandler {
        @Override
        public void warning(SAXParseException e) {
            // Only errors decide.
        }

        @Override
        public void error(SAXParseException e) throws SAXException {
            throw e;
        }

        @Override
        public void fatalError(SAXParseException e) throws SAXException {
            throw e;
        }
    }

    /** Child elements of a name, in order; of any name for {@code *}. */
    public static List<Element> children(Element parent, String name) {
        List<Element> found = new ArrayList<>();
        for (Node node = parent.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element element
                    && (name.equals("*") || element.getTagName().equals(name))) {
                found.add(element);
            }
        }
        return found;
    }

    public static Optional<Element> child(Element parent, String name) {
        return children(parent, name).stream().findFirst();
    }

    /** Elements at the end of a path of child names. */
    public static List<Element> path(Element parent, String... names) {
        List<Element> now = List.of(parent);
        for (String name : names) {
            now = now.stream().flatMap(e -> children(e, name).stream()).toList();
        }
        return now;
    }

    /** The attribute, or the default where it is missing or empty. */
    public static String text(Element element, String attribute, String otherwise) {
        String value = element.getAttribute(attribute).strip();
        return value.isEmpty() ? otherwise : value;
    }
}
