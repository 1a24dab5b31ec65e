package app.loculus.app.store.disk;

/** How much room there is on the disk under the data folder, in octets. */
public interface Room {

    /** Below this nothing is written: what is under way and the database's own moves need some. */
    long RESERVE = 12L << 20;

    long free();

    default boolean enough() {
        return free() >= RESERVE;
    }
}
