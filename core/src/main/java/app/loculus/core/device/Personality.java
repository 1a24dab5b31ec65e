package app.loculus.core.device;

/**
 * One of the modes that a device has.
 *
 * @param number 1 for the first
 * @param slots its footprint
 */
public record Personality(int number, int slots, String name) {

    @Override
    public String toString() {
        return name.isEmpty() ? "personality " + number + " (" + slots + " slots)" : "“" + name + "”";
    }
}
