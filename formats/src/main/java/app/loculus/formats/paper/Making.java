package app.loculus.formats.paper;

/** Is told how far something is that takes a while, and may throw to stop it. */
@FunctionalInterface
public interface Making {

    Making UNWATCHED = (done, of, words) -> {};

    /** @param words what is being made now */
    void at(int done, int of, String words);
}
