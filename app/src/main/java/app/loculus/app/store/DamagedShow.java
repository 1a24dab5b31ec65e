package app.loculus.app.store;

import java.util.List;

/** A show that lies in the database but cannot be opened as it is. */
public class DamagedShow extends RuntimeException {

    private final long id;
    private final List<String> losses;

    DamagedShow(long id, String name, List<String> losses) {
        super("“" + name + "” is damaged: " + String.join("; ", losses) + ".");
        this.id = id;
        this.losses = List.copyOf(losses);
    }

    public long id() {
        return id;
    }

    public List<String> losses() {
        return losses;
    }
}
