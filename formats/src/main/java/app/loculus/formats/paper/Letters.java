package app.loculus.formats.paper;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** The face that paper is set in, embedded as far as it is used; it has Latin, Greek and Cyrillic letters. */
final class Letters {

    /** The free face that PDFBox brings along. */
    private static final String FACE = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    /** In place of a letter that the face has not. */
    private static final String UNKNOWN = "?";

    private static final int PER_EM = 1000;

    private final PDFont font;
    private final Map<Integer, String> known = new HashMap<>();
    private boolean missed;

    Letters(PDDocument document) throws IOException {
        try (InputStream face = PDFont.class.getResourceAsStream(FACE)) {
            font = PDType0Font.load(document, face, true);
        }
    }

    PDFont font() {
        return font;
    }

    /** Whether some letter stood for one that the face has not. */
    boolean missed() {
        return missed;
    }

    /** The text as the face can set it, in one line. */
    String printable(String text) {
        StringBuilder out = new StringBuilder();
        text.codePoints().forEach(c -> out.append(Character.isWhitespace(c) ? " " : letter(c)));
        return out.toString();
    }

    private String letter(int codePoint) {
        String letter = known.computeIfAbsent(codePoint, c -> {
            String one = Character.toString(c);
            try {
                font.encode(one);
                return one;
            } catch (IOException | IllegalArgumentException e) {
                return UNKNOWN;
            }
        });
        missed |= letter.equals(UNKNOWN) && codePoint != UNKNOWN.charAt(0);
        return letter;
    }

    /** In points. @param text printable */
    double width(String text, double size) {
        try {
            return font.getStringWidth(text) / PER_EM * size;
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** Lines no wider than that; a word that is wider by itself is broken. */
    List<String> lines(String text, double width, double size) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : printable(text).strip().split(" +")) {
            String rest = word;
            String begun = line.isEmpty() ? rest : line + " " + rest;
            if (width(begun, size) <= width) {
                line = new StringBuilder(begun);
                continue;
            }
            if (!line.isEmpty()) {
                lines.add(line.toString());
            }
            while (width(rest, size) > width) {
                int fits = fits(rest, width, size);
                lines.add(rest.substring(0, fits));
                rest = rest.substring(fits);
            }
            line = new StringBuilder(rest);
        }
        lines.add(line.toString());
        return lines;
    }

    /** How much of a word fits, at least one letter. */
    private int fits(String word, double width, double size) {
        int end = word.offsetByCodePoints(0, 1);
        while (end < word.length() && width(word.substring(0, word.offsetByCodePoints(end, 1)), size) <= width) {
            end = word.offsetByCodePoints(end, 1);
        }
        return end;
    }
}
