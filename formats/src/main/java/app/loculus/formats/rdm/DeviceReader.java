package app.loculus.formats.rdm;

import app.loculus.core.device.Device;
import app.loculus.core.device.DeviceModel;
import app.loculus.core.device.DeviceSetting;
import app.loculus.core.device.Personality;
import app.loculus.core.device.Uid;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads what devices say of themselves. What all of a kind have in common is asked of the first of them alone. */
public final class DeviceReader {

    private static final int INFO_OCTETS = 19;
    private static final int NO_ADDRESS = 0xFFFF;
    private static final int SLOTS = 512;

    /** Name of a personality stands behind its number and its slots. */
    private static final int NAME_AT = 3;

    /** One kind: software may change what it can do. */
    private record Sort(int maker, int model, int software) {}

    private record Info(
            int model, int software, int footprint, int personality, int personalities, int start, int sensors) {}

    private final Map<Sort, DeviceModel> sorts = new HashMap<>();

    /** Either a device or why there is none. */
    public record Read(Optional<Device> device, boolean garbled) {}

    /** @param line universe whose line the controller speaks on */
    public Read read(RdmController controller, Uid uid, int line) {
        RdmAnswer answer = controller.get(uid, Pid.DEVICE_INFO);
        Optional<Info> info = info(answer.data());
        if (info.isEmpty()) {
            return new Read(Optional.empty(), !(answer instanceof RdmAnswer.Lost lost) || lost.garbled());
        }
        Info i = info.get();
        DeviceModel model =
                sorts.computeIfAbsent(new Sort(uid.maker(), i.model(), i.software()), s -> model(controller, uid, i));
        String label = text(controller.get(uid, Pid.DEVICE_LABEL).data(), 0);
        byte[] identifies = controller.get(uid, Pid.IDENTIFY_DEVICE).data();
        return new Read(
                Optional.of(
                        new Device(uid, line, model, label, setting(i), identifies.length == 1 && identifies[0] != 0)),
                false);
    }

    private static DeviceSetting setting(Info i) {
        boolean addressed = i.footprint() > 0 && i.start() >= 1 && i.start() <= SLOTS;
        return new DeviceSetting(addressed ? Optional.of(i.start()) : Optional.empty(), i.footprint(), i.personality());
    }

    private static DeviceModel model(RdmController controller, Uid uid, Info info) {
        List<Personality> all = new ArrayList<>();
        for (int number = 1; number <= info.personalities(); number++) {
            byte[] told = controller
                    .get(uid, Pid.DMX_PERSONALITY_DESCRIPTION, (byte) number)
                    .data();
            if (told.length >= NAME_AT && (told[0] & 0xFF) == number) {
                all.add(new Personality(number, (told[1] & 0xFF) << Byte.SIZE | told[2] & 0xFF, text(told, NAME_AT)));
            }
        }
        String name = text(controller.get(uid, Pid.DEVICE_MODEL_DESCRIPTION).data(), 0);
        return new DeviceModel(
                text(controller.get(uid, Pid.MANUFACTURER_LABEL).data(), 0),
                name.isEmpty() ? "model " + info.model() : name,
                info.model(),
                all);
    }

    /** Layout of what a device tells of itself: protocol 0, model 2, category 4, software 6, footprint 10 … */
    private static Optional<Info> info(byte[] data) {
        if (data.length != INFO_OCTETS) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(data);
        int footprint = in.getShort(10) & 0xFFFF;
        int start = in.getShort(14) & 0xFFFF;
        boolean sound = footprint <= SLOTS && (start == NO_ADDRESS || start <= SLOTS);
        return sound
                ? Optional.of(new Info(
                        in.getShort(2) & 0xFFFF,
                        in.getInt(6),
                        footprint,
                        in.get(12) & 0xFF,
                        in.get(13) & 0xFF,
                        start,
                        in.get(18) & 0xFF))
                : Optional.empty();
    }

    /** Up to 32 characters; what is no printable ASCII is shown as a question mark, what follows a zero is not meant. */
    static String text(byte[] data, int from) {
        StringBuilder out = new StringBuilder();
        for (int i = from; i < data.length && data[i] != 0; i++) {
            int c = data[i] & 0xFF;
            out.append(c >= ' ' && c <= '~' ? (char) c : '?');
        }
        return out.toString().strip();
    }

    /** As it goes to a device. */
    public static byte[] octets(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    /** More of one device: nobody needs it of all of them at once. */
    public DeviceDetails details(RdmController controller, Uid uid) {
        RdmAnswer info = controller.get(uid, Pid.DEVICE_INFO);
        int sensors = info(info.data()).map(Info::sensors).orElse(0);
        List<DeviceDetails.Sensor> all = new ArrayList<>();
        for (int number = 0; number < sensors; number++) {
            sensor(controller, uid, number).ifPresent(all::add);
        }
        return new DeviceDetails(
                text(controller.get(uid, Pid.SOFTWARE_VERSION_LABEL).data(), 0),
                number(controller.get(uid, Pid.DEVICE_HOURS)),
                number(controller.get(uid, Pid.LAMP_HOURS)),
                lamp(controller.get(uid, Pid.LAMP_STATE)),
                all,
                info.trouble());
    }

    private static Optional<Long> number(RdmAnswer answer) {
        byte[] d = answer.data();
        return d.length == 4 ? Optional.of(ByteBuffer.wrap(d).getInt() & 0xFFFFFFFFL) : Optional.empty();
    }

    private static Optional<Boolean> lamp(RdmAnswer answer) {
        byte[] d = answer.data();
        return d.length == 1 && d[0] >= 0 && d[0] <= 1 ? Optional.of(d[0] == 1) : Optional.empty();
    }

    /** Definition: number 0, type 1, unit 2, prefix 3, range 4 to 7, normal 8 to 11, recorded 12, name 13. */
    private static Optional<DeviceDetails.Sensor> sensor(RdmController controller, Uid uid, int number) {
        byte[] definition =
                controller.get(uid, Pid.SENSOR_DEFINITION, (byte) number).data();
        byte[] value = controller.get(uid, Pid.SENSOR_VALUE, (byte) number).data();
        if (definition.length < 13 || value.length < 3) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(definition);
        int now = ByteBuffer.wrap(value).getShort(1);
        boolean normal = now >= in.getShort(8) && now <= in.getShort(10);
        return Optional.of(
                new DeviceDetails.Sensor(text(definition, 13), now, DeviceDetails.unit(definition[2] & 0xFF), normal));
    }
}
