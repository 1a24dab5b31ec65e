package app.loculus.formats.showfile;

import app.loculus.core.finding.ChapterParts;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;

/**
 * A short text that is another one as soon as anything of a chapter is: SHA-256 over its parts as a show file has them. It
 * stays the same over restarts, files and other machines.
 */
public final class ChapterPrint {

    /** For shows to come. @param read the very parts it was made of */
    private record Known(Map<ChapterName, One> all) {}

    private record One(List<Object> read, String print) {}

    private ChapterPrint() {}

    public static String of(Show show, ChapterName chapter) {
        Known known = show.growing(
                Known.class,
                before -> new Known(new HashMap<>(before.map(Known::all).orElse(Map.of()))));
        List<Object> parts = new ArrayList<>();
        ChapterParts.of(chapter).forEach(kind -> parts.add(show.all(kind)));
        synchronized (known) {
            One one = known.all().get(chapter);
            if (one == null || !same(one.read(), parts)) {
                one = new One(parts, print(show, chapter));
                known.all().put(chapter, one);
            }
            return one.print();
        }
    }

    private static boolean same(List<Object> before, List<Object> now) {
        for (int i = 0; i < now.size(); i++) {
            if (before.get(i) != now.get(i)) {
                return false;
            }
        }
        return true;
    }

    private static String print(Show show, ChapterName chapter) {
        try {
            MessageDigest sha = MessageDigest.getInstance("SHA-256");
            for (PartKind<?, ?> kind : ChapterParts.of(chapter)) {
                sha.update(kind == PartKinds.PROFILES ? ids(show) : ShowDocument.octets(kind, show));
            }
            return HexFormat.of().formatHex(sha.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A profile's id is made of what it says. */
    private static byte[] ids(Show show) {
        StringBuilder ids = new StringBuilder();
        show.all(PartKinds.PROFILES)
                .keySet()
                .forEach(id -> ids.append(id.value()).append('\n'));
        return ids.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8);
    }
}
