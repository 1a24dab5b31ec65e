package app.loculus.core.check;

import app.loculus.core.device.Device;
import app.loculus.core.device.Personality;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is to be told to a device so that it is as patched.
 *
 * @param mode comes first: an address may only fit afterwards
 * @param start slot, 1 to 512
 */
public record DeviceChange(String fixture, Device device, Optional<Personality> mode, Optional<Integer> start) {

    /** {@code 101 (7FF2:00A0000C): mode “basic” → “extended”, slot 41 → 1}. */
    public String words() {
        List<String> parts = new ArrayList<>();
        mode.ifPresent(m ->
                parts.add("mode " + device.mode().map(Personality::toString).orElse("not told") + " → " + m));
        start.ifPresent(s -> parts.add("address " + device.address() + " → " + device.line() + "." + s));
        return fixture + " (" + device.uid() + "): " + String.join(", ", parts);
    }
}
