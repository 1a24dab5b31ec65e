package app.loculus.app.api;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A file that a browser keeps instead of showing it. */
public final class Download {

    private Download() {}

    /**
     * @param name what it is called, with anything a file system would stumble over replaced
     * @param suffix behind the name, word for word, such as {@code .loculus}
     */
    public static ResponseEntity<byte[]> of(String name, String suffix, MediaType type, byte[] octets) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name.replaceAll("[^\\p{L}\\p{N} ._-]", "_") + suffix, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(octets);
    }
}
