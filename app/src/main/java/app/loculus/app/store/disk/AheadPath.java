package app.loculus.app.store.disk;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;

/** The file system of the database as H2 asks for it: {@code jdbc:h2:ahead:} writes its file ahead; all else as it comes. */
public class AheadPath extends FilePathWrapper {

    private static final String SCHEME = "ahead";

    /** Before a database is opened. */
    static void register() {
        FilePath.register(new AheadPath());
    }

    Medium medium() {
        return new Medium();
    }

    @Override
    public String getScheme() {
        return SCHEME;
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        return getName().endsWith(Backups.SUFFIX) && !mode.equals("r")
                ? new AheadChannel(medium(), Path.of(getBase().toString()).toAbsolutePath())
                : super.open(mode);
    }
}
