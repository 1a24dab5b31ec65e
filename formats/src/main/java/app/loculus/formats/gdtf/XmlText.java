package app.loculus.formats.gdtf;

import java.math.BigDecimal;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes elements with attributes, in pairs of name and value. */
final class XmlText {

    private final XMLStreamWriter out;

    XmlText(XMLStreamWriter out) {
        this.out = out;
    }

    /** Begins an element that may get further attributes. */
    void begin(String element, String... attributes) {
        try {
            out.writeStartElement(element);
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        for (int i = 0; i < attributes.length; i += 2) {
            attribute(attributes[i], attributes[i + 1]);
        }
    }

    void attribute(String name, String value) {
        try {
            out.writeAttribute(name, printable(value));
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    void open(String element, String... attributes) {
        begin(element, attributes);
    }

    void empty(String element, String... attributes) {
        begin(element, attributes);
        close();
    }

    void close() {
        try {
            out.writeEndElement();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Without characters that XML 1.0 cannot carry. */
    private static String printable(String text) {
        return text.replaceAll("[^\\x09\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]", " ");
    }

    /** Names separate node paths with points, so they hold none. */
    static String name(String text) {
        return text.replace('.', ' ');
    }

    /** To six decimals, which is finer than any eye or meter. */
    static String rounded(double value) {
        return number(Math.round(value * 1e6) / 1e6);
    }

    /** A decimal point, no exponent, as short as it is exact. */
    static String number(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
