package app.loculus.core.profile;

/** Names one exact profile: the same text gives the same id, a changed one another. */
public record ProfileId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
