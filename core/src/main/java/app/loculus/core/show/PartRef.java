package app.loculus.core.show;

/** One part of a show, by its kind and its key there. */
public record PartRef(PartKind<?, ?> kind, Object key) {

    @Override
    public String toString() {
        return kind + " " + key;
    }
}
