package app.loculus.app.api;

import app.loculus.app.session.EditRequest;
import app.loculus.core.unit.Limits;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;

/**
 * How a write was asked for, beside what it is: the headers {@code Idempotency-Key}, {@code Loculus-Revision} and
 * {@code Loculus-Page} (whose layers go when its connection has gone), which every write understands.
 */
public record Asked(String path, Optional<String> key, Optional<Long> revision, String page) {

    public static final String KEY = "Idempotency-Key";
    public static final String PAGE = "Loculus-Page";
    public static final String REVISION = "Loculus-Revision";

    static Asked of(HttpServletRequest request) {
        return new Asked(
                request.getMethod() + " " + request.getRequestURI(),
                Optional.ofNullable(request.getHeader(KEY)),
                Optional.ofNullable(request.getHeader(REVISION))
                        .filter(r -> r.matches("\\d{1,18}"))
                        .map(Long::valueOf),
                Optional.ofNullable(request.getHeader(PAGE))
                        .filter(p -> p.matches("[\\w-]{1,64}"))
                        .orElse(""));
    }

    /** @param content all that was asked; the same key with something else is refused */
    public EditRequest request(Object... content) {
        return editing(false, "", null, null, content);
    }

    /** The same where the body may say it too. */
    public EditRequest editing(boolean preview, String gesture, Long bodyRevision, String bodyKey, Object... content) {
        Optional<String> name = Optional.ofNullable(bodyKey).or(() -> key).filter(k -> !k.isBlank());
        name.ifPresent(k -> Limits.text("request.key", "key", k, Limits.KEY));
        String together = gesture == null ? "" : Limits.text("request.gesture", "gesture", gesture, Limits.KEY);
        return new EditRequest(
                preview,
                together,
                Optional.ofNullable(bodyRevision).or(() -> revision),
                name.map(k -> new EditRequest.Key(k, digest(path + Arrays.deepToString(content)))));
    }

    private static String digest(String content) {
        try {
            MessageDigest sha = MessageDigest.getInstance("SHA-256");
            return HexFormat.of().formatHex(sha.digest(content.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
