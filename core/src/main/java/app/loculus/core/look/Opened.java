package app.loculus.core.look;

import java.util.Optional;

/** The look whose values are selected to be changed and put back. */
public record Opened(Optional<LookId> look) {

    public static final Opened NONE = new Opened(Optional.empty());
}
