package app.loculus.app.store.disk;

import java.nio.file.Path;
import java.util.List;

/** A data folder that cannot be started on; ends the start with its words instead of a stack trace. */
public class BadData extends RuntimeException {

    private final String wayOut;

    public BadData(String words, String wayOut) {
        super(words);
        this.wayOut = wayOut;
    }

    public BadData(String words, String wayOut, Throwable cause) {
        super(words, cause);
        this.wayOut = wayOut;
    }

    public String wayOut() {
        return wayOut;
    }

    /** What to do about a database that cannot be used: take the newest copy back. */
    static String restore(Path folder) {
        List<Backups.Copy> copies = Backups.in(folder);
        return copies.isEmpty()
                ? "There is no copy of it in " + folder.resolve(Backups.FOLDER)
                        + ". Start with another folder: --data DIR."
                : "Take the copy of " + copies.get(0).words() + " back: ./loculus restore --data " + folder + "   ("
                        + copies.size() + " copies are kept; ./loculus restore --list shows them)";
    }
}
