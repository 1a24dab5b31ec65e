package app.loculus.formats.showfile;

import app.loculus.core.show.Show;
import java.util.List;

/**
 * What a show file holds: the show, and the versions that were kept of it, newest first.
 *
 * @param versions each with its show as the octets of a show file of its own
 */
public record ShowFile(Show show, List<Version> versions) {

    public ShowFile {
        versions = List.copyOf(versions);
    }

    /**
     * One kept version.
     *
     * @param madeAt when, as ISO 8601 with its offset
     * @param octets its show as a show file
     */
    public record Version(String name, long revision, String madeAt, int fixtures, byte[] octets) {}
}
