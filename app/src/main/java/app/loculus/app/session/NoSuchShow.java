package app.loculus.app.session;

/** Asked for a show that is not there. */
public class NoSuchShow extends RuntimeException {

    public NoSuchShow(long id) {
        super("There is no show " + id + ".");
    }
}
