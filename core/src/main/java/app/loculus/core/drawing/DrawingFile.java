package app.loculus.core.drawing;

import java.util.Arrays;

/** A file of a drawing, octet by octet: what is not understood of it goes out again. Equal by content. */
public final class DrawingFile {

    private final String name;
    private final byte[] octets;

    public DrawingFile(String name, byte[] octets) {
        this.name = name;
        this.octets = octets.clone();
    }

    /** What it was called where it came from. */
    public String name() {
        return name;
    }

    public byte[] octets() {
        return octets.clone();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof DrawingFile file && name.equals(file.name) && Arrays.equals(octets, file.octets);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(octets);
    }
}
