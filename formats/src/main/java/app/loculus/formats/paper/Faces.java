package app.loculus.formats.paper;

import com.ibm.icu.text.ArabicShaping;
import com.ibm.icu.text.ArabicShapingException;
import com.ibm.icu.text.Bidi;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * The faces that one document is set in, embedded as far as they are used: Latin in the application's own, Greek, Cyrillic
 * and signs, Hebrew, Arabic, ideographs in others. What runs from right to left is put in the order it is seen in, Arabic
 * letters in the forms they have in a word. What none of them has a shape for is spelled out in words: {@code ‹violin›}.
 */
final class Faces {

    /** What a text is set as. */
    enum Style {
        TEXT,
        BOLD,
        HEADING
    }

    /** A file of letters; those further down are asked for what those above have not. */
    private enum Face {
        TEXT("Text.ttf"),
        BOLD("Bold.ttf"),
        HEADING("Heading.ttf"),
        /** The free face that PDFBox brings along: Greek, Cyrillic, signs. */
        MORE("/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf"),
        HEBREW("Hebrew.ttf"),
        ARABIC("Arabic.ttf"),
        IDEOGRAPHS("Ideographs.ttf");

        private final String file;
        private volatile byte[] octets;

        Face(String file) {
            this.file = file;
        }

        /** Read once for all documents. */
        byte[] octets() throws IOException {
            byte[] known = octets;
            if (known == null) {
                Class<?> near = file.startsWith("/") ? PDFont.class : Faces.class;
                try (InputStream in = near.getResourceAsStream(file)) {
                    known = in.readAllBytes();
                }
                octets = known;
            }
            return known;
        }
    }

    private static final List<Face> FURTHER = List.of(Face.MORE, Face.HEBREW, Face.ARABIC, Face.IDEOGRAPHS);

    private static final int PER_EM = 1000;

    /** A stretch of a line in one face, as it is seen from left to right. */
    record Run(PDFont font, String text) {}

    /** A face as one document has it. */
    private record Loaded(PDFont font, CmapLookup letters) {}

    /** Which face sets a letter, and how wide it is, in thousandths. */
    private record Letter(Loaded face, String text, double width) {}

    private final PDDocument document;
    private final Map<Face, Loaded> loaded = new EnumMap<>(Face.class);
    private final Map<Style, Map<Integer, Letter>> known = new EnumMap<>(Style.class);

    Faces(PDDocument document) {
        this.document = document;
        for (Style style : Style.values()) {
            known.put(style, new HashMap<>());
        }
    }

    private Loaded face(Face face) {
        return loaded.computeIfAbsent(face, f -> {
            try {
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(f.octets()));
                return new Loaded(
                        PDType0Font.load(document, new ByteArrayInputStream(f.octets()), true),
                        font.getUnicodeCmapLookup());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private Letter letter(int codePoint, Style style) {
        return known.get(style).computeIfAbsent(codePoint, c -> {
            int shown = Character.isWhitespace(c) ? ' ' : c;
            Loaded own = face(Face.valueOf(style.name()));
            if (own.letters().getGlyphId(shown) > 0) {
                return measured(own, Character.toString(shown));
            }
            for (Face further : FURTHER) {
                Loaded other = face(further);
                if (other.letters().getGlyphId(shown) > 0) {
                    return measured(other, Character.toString(shown));
                }
            }
            // A mark that only joins or turns others needs no shape of its own.
            boolean unseen = Character.getType(c) == Character.FORMAT || Character.getType(c) == Character.CONTROL;
            return measured(own, unseen ? "" : spelled(c));
        });
    }

    private static Letter measured(Loaded face, String text) {
        try {
            return new Letter(face, text, text.isEmpty() ? 0 : face.font().getStringWidth(text));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String spelled(int codePoint) {
        String name = Character.getName(codePoint);
        return "‹" + (name == null ? "U+" + Integer.toHexString(codePoint) : name).toLowerCase(Locale.ROOT) + "›";
    }

    /** Whether a text has to be put in another order, or in other forms, than it is stored in. */
    static boolean turned(String text) {
        return text.codePoints().anyMatch(c -> {
            byte way = Character.getDirectionality(c);
            return way == Character.DIRECTIONALITY_RIGHT_TO_LEFT
                    || way == Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC;
        });
    }

    /** As it is seen from left to right. */
    private static String seen(String text) {
        if (!turned(text)) {
            return text;
        }
        try {
            String shaped =
                    new ArabicShaping(ArabicShaping.LETTERS_SHAPE | ArabicShaping.TEXT_DIRECTION_LOGICAL).shape(text);
            Bidi bidi = new Bidi();
            bidi.setPara(shaped, Bidi.LEVEL_DEFAULT_LTR, null);
            return bidi.writeReordered(Bidi.DO_MIRRORING);
        } catch (ArabicShapingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** One line, in stretches of one face each. */
    List<Run> runs(String line, Style style) {
        List<Run> runs = new ArrayList<>();
        StringBuilder text = new StringBuilder();
        Loaded now = null;
        for (int c : seen(line).codePoints().toArray()) {
            Letter letter = letter(c, style);
            if (letter.face() != now && text.length() > 0) {
                runs.add(new Run(now.font(), text.toString()));
                text.setLength(0);
            }
            now = letter.face();
            text.append(letter.text());
        }
        if (text.length() > 0) {
            runs.add(new Run(now.font(), text.toString()));
        }
        return runs;
    }

    /** In points. */
    double width(String text, Style style, double size) {
        double width = 0;
        String measured = turned(text) ? seen(text) : text;
        for (int i = 0; i < measured.length(); ) {
            int c = measured.codePointAt(i);
            width += letter(c, style).width();
            i += Character.charCount(c);
        }
        return width / PER_EM * size;
    }

    /** Lines no wider than that; a word that is wider by itself is broken. */
    List<String> lines(String text, Style style, double width, double size) {
        List<String> lines = new ArrayList<>();
        String line = "";
        for (String word : text.strip().split("\\s+")) {
            String rest = word;
            String begun = line.isEmpty() ? rest : line + " " + rest;
            if (width(begun, style, size) <= width) {
                line = begun;
                continue;
            }
            if (!line.isEmpty()) {
                lines.add(line);
            }
            while (width(rest, style, size) > width) {
                int fits = fits(rest, style, width, size);
                if (fits == rest.length()) {
                    break;
                }
                lines.add(rest.substring(0, fits));
                rest = rest.substring(fits);
            }
            line = rest;
        }
        lines.add(line);
        return lines;
    }

    /** How much of a word fits, at least one letter. */
    private int fits(String word, Style style, double width, double size) {
        int end = word.offsetByCodePoints(0, 1);
        while (end < word.length() && width(word.substring(0, word.offsetByCodePoints(end, 1)), style, size) <= width) {
            end = word.offsetByCodePoints(end, 1);
        }
        return end;
    }

    /** As much of a text as fits into one line, with dots where it is cut. */
    String cut(String text, Style style, double width, double size) {
        if (width(text, style, size) <= width) {
            return text;
        }
        int end = text.length();
        while (end > 0 && width(text.substring(0, end) + "…", style, size) > width) {
            end = text.offsetByCodePoints(end, -1);
        }
        return text.substring(0, end) + "…";
    }
}
