package app.loculus.app.store;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** Half of a SHA-256 as text: the key of something that several rows share. */
final class Digest {

    private Digest() {}

    static String of(String held) {
        try {
            byte[] all = MessageDigest.getInstance("SHA-256").digest(held.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(all, 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
