package app.loculus.core.show;

/** The key of a part that a show has once, such as its name. */
public enum Whole {
    SHOW
}
