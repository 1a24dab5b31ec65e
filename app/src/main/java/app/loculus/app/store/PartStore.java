package app.loculus.app.store;

import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.Show;
import java.util.List;

/** Keeps the parts of one kind in tables of their own. There is one for each kind. */
interface PartStore<K, V> {

    PartKind<K, V> kind();

    /** Every part of a show as a change from nothing. Rows that cannot be read are told, the others come all the same. */
    List<Change<K, V>> read(long show, Losses losses);

    /**
     * Writes what has changed: the old rows out, the new ones in.
     *
     * @param after the show as it is afterwards
     */
    void write(long show, Show after, List<Change<K, V>> changes);
}
