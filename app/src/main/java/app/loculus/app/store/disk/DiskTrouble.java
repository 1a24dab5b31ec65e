package app.loculus.app.store.disk;

/** Nothing can be written at the moment; nothing of what was asked for has happened. */
public class DiskTrouble extends RuntimeException {

    public DiskTrouble(String words) {
        super(words);
    }

    public DiskTrouble(String words, Throwable cause) {
        super(words, cause);
    }
}
