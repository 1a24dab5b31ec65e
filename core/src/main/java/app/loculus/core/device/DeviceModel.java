package app.loculus.core.device;

import java.util.List;

/**
 * What all devices of one kind have in common.
 *
 * @param number model ID of its maker, 16 bits
 * @param personalities in their order, may be empty when they were not told
 */
public record DeviceModel(String maker, String name, int number, List<Personality> personalities) {

    public DeviceModel {
        personalities = List.copyOf(personalities);
    }

    @Override
    public String toString() {
        return maker.isEmpty() ? name : maker + " " + name;
    }
}
