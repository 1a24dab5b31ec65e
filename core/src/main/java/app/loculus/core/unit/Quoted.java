package app.loculus.core.unit;

/** Names as the line writes them. */
public final class Quoted {

    private Quoted() {}

    /** In quotation marks; those within are written twice. */
    public static String of(String name) {
        return "\"" + name.replace("\"", "\"\"") + "\"";
    }
}
