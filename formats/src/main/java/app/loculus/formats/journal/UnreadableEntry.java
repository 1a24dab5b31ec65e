package app.loculus.formats.journal;

/** An entry of the journal that cannot be read; the history ends there. */
public class UnreadableEntry extends RuntimeException {

    public UnreadableEntry(String why) {
        super(why);
    }

    private UnreadableEntry(Throwable cause) {
        super("it is damaged", cause);
    }

    static UnreadableEntry of(Throwable cause) {
        return cause instanceof UnreadableEntry own ? own : new UnreadableEntry(cause);
    }
}
