package app.loculus.formats.paper;

/**
 * What stands on every page.
 *
 * @param show its name
 * @param revision of it
 * @param version name of the version it is, empty for the show as it is now
 * @param on the day, as people write it
 */
public record About(String show, long revision, String version, String on) {

    public About(String show, long revision, String on) {
        this(show, revision, "", on);
    }
}
