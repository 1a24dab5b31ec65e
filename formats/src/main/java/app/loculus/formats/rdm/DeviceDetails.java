package app.loculus.formats.rdm;

import java.util.List;
import java.util.Optional;

/**
 * What a device tells when it is looked at closely.
 *
 * @param hours in use; @param lampHours of its lamp
 * @param lamp whether its lamp burns
 * @param trouble why it did not tell, empty when it did
 */
public record DeviceDetails(
        String software,
        Optional<Long> hours,
        Optional<Long> lampHours,
        Optional<Boolean> lamp,
        List<Sensor> sensors,
        String trouble) {

    /** @param normal whether the value is in the range that the device calls normal */
    public record Sensor(String name, int value, String unit, boolean normal) {}

    public DeviceDetails {
        sensors = List.copyOf(sensors);
    }

    /** Units that sensors of lights have; from memory of E1.20's table, since the crib has none. */
    static String unit(int number) {
        return switch (number) {
            case 1 -> "°C";
            case 2, 3 -> "V";
            case 4, 5 -> "A";
            case 6 -> "Hz";
            case 8 -> "W";
            default -> "";
        };
    }
}
