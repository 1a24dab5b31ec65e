package app.loculus.app.rig;

import app.loculus.core.device.DeviceText;
import app.loculus.core.device.Uid;
import app.loculus.core.profile.Mode;
import app.loculus.formats.rdm.NackReason;
import app.loculus.formats.rdm.Pid;
import app.loculus.formats.rdm.RdmCommand;
import app.loculus.formats.rdm.RdmMessage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;

/** What one device of the rig answers to what it is asked. It changes its mode slowly, as real ones do. */
final class Responder {

    /** What a change of mode takes, in tenths of a second. */
    private static final int MODE_TENTHS = 2;

    private static final int LIGHT = 0x0100;
    private static final int SOFTWARE = 0x00010002;
    private static final int PROTOCOL = 0x0100;
    private static final int SLOTS = 512;

    /** Some tenth of 70 °C more than the room, while its lamp burns. */
    private static final int WARM = 61;

    private static final int COLD = 24;

    private final RigDevices rig;
    private final RigDevice device;
    private final List<Mode> modes;

    /** The answer that was put off, by its device. */
    private final Waiting waiting;

    /** Answers that devices have put off until a time of the line, in microseconds. */
    static final class Waiting {

        private record Later(long micros, RdmCommand command, int pid, Optional<NackReason> not) {}

        private final java.util.Map<Uid, Later> all = new java.util.HashMap<>();
    }

    Responder(RigDevices rig, RigDevice device, Waiting waiting) {
        this.rig = rig;
        this.device = device;
        this.waiting = waiting;
        this.modes = device.profile().modes();
    }

    /** What it says, its type first. */
    private record Said(int kind, RdmCommand command, int pid, byte[] data) {}

    /** @param micros time of the line */
    RdmMessage answer(RdmMessage request, long micros) {
        Said said = request.command() == RdmCommand.GET ? got(request, micros) : set(request, micros);
        return new RdmMessage(
                request.envelope().back(said.kind(), waiting.all.containsKey(device.uid()) ? 1 : 0),
                said.command(),
                said.pid(),
                said.data());
    }

    private static Said done(RdmMessage request, byte... data) {
        return new Said(RdmMessage.ACK, request.command().response(), request.pid(), data);
    }

    private static Said not(RdmMessage request, NackReason reason) {
        return new Said(
                RdmMessage.NACK, request.command().response(), request.pid(), new byte[] {0, (byte) reason.number()});
    }

    private Said got(RdmMessage request, long micros) {
        byte[] asked = request.data();
        boolean more = request.pid() == Pid.DMX_PERSONALITY_DESCRIPTION
                || request.pid() == Pid.SENSOR_DEFINITION
                || request.pid() == Pid.SENSOR_VALUE
                || request.pid() == Pid.QUEUED_MESSAGE;
        if (asked.length != (more ? 1 : 0)) {
            return not(request, NackReason.FORMAT_ERROR);
        }
        return switch (request.pid()) {
            case Pid.DEVICE_INFO -> done(request, info());
            case Pid.DEVICE_MODEL_DESCRIPTION ->
                done(request, text(device.profile().name()));
            case Pid.MANUFACTURER_LABEL -> done(request, text(device.profile().maker()));
            case Pid.DEVICE_LABEL -> done(request, text(device.label()));
            case Pid.SOFTWARE_VERSION_LABEL -> done(request, text("1.2"));
            case Pid.DMX_PERSONALITY -> done(request, (byte) mode(), (byte) modes.size());
            case Pid.DMX_PERSONALITY_DESCRIPTION -> personality(request, asked[0] & 0xFF);
            case Pid.DMX_START_ADDRESS -> done(request, two(device.at().slot()));
            case Pid.IDENTIFY_DEVICE -> done(request, (byte) (rig.identifies(device) ? 1 : 0));
            case Pid.LAMP_STATE -> done(request, (byte) (rig.lamp(device) ? 1 : 0));
            case Pid.DEVICE_HOURS, Pid.LAMP_HOURS -> done(request, hours(request.pid()));
            case Pid.SENSOR_DEFINITION ->
                asked[0] == 0 ? done(request, sensor()) : not(request, NackReason.DATA_OUT_OF_RANGE);
            case Pid.SENSOR_VALUE -> asked[0] == 0 ? done(request, heat()) : not(request, NackReason.DATA_OUT_OF_RANGE);
            case Pid.QUEUED_MESSAGE -> queued(request, micros);
            default -> not(request, NackReason.UNKNOWN_PID);
        };
    }

    private Said set(RdmMessage request, long micros) {
        byte[] told = request.data();
        switch (request.pid()) {
            case Pid.DMX_START_ADDRESS -> {
                int slot = told.length == 2 ? (told[0] & 0xFF) << Byte.SIZE | told[1] & 0xFF : 0;
                boolean within = slot >= 1 && slot <= SLOTS && rig.start(device, slot);
                return within ? done(request) : not(request, NackReason.DATA_OUT_OF_RANGE);
            }
            case Pid.DMX_PERSONALITY -> {
                return mode(request, micros);
            }
            case Pid.DEVICE_LABEL -> {
                if (told.length > DeviceText.LONGEST) {
                    return not(request, NackReason.FORMAT_ERROR);
                }
                rig.label(device, new String(told, StandardCharsets.US_ASCII));
                return done(request);
            }
            case Pid.IDENTIFY_DEVICE, Pid.LAMP_STATE, Pid.RESET_DEVICE -> {
                return told.length == 1 ? switched(request, told[0] & 0xFF) : not(request, NackReason.FORMAT_ERROR);
            }
            case Pid.DEVICE_INFO, Pid.DEVICE_MODEL_DESCRIPTION, Pid.MANUFACTURER_LABEL, Pid.SENSOR_VALUE -> {
                return not(request, NackReason.UNSUPPORTED_COMMAND_CLASS);
            }
            default -> {
                return not(request, NackReason.UNKNOWN_PID);
            }
        }
    }

    private Said switched(RdmMessage request, int value) {
        boolean reset = request.pid() == Pid.RESET_DEVICE;
        // 255 is a cold reset.
        if (value > 1 && !(reset && value == 0xFF) || reset && value == 0) {
            return not(request, NackReason.DATA_OUT_OF_RANGE);
        }
        if (reset) {
            rig.reset(device);
        } else if (request.pid() == Pid.LAMP_STATE) {
            rig.lamp(device, value == 1);
        } else {
            rig.identify(device, value == 1);
        }
        return done(request);
    }

    private Said mode(RdmMessage request, long micros) {
        int number = request.data().length == 1 ? request.data()[0] & 0xFF : 0;
        if (number < 1 || number > modes.size()) {
            return not(request, NackReason.DATA_OUT_OF_RANGE);
        }
        boolean done = rig.mode(device, modes.get(number - 1));
        waiting.all.put(
                device.uid(),
                new Waiting.Later(
                        micros + MODE_TENTHS * 100_000L,
                        request.command().response(),
                        request.pid(),
                        done ? Optional.empty() : Optional.of(NackReason.DATA_OUT_OF_RANGE)));
        return new Said(RdmMessage.ACK_TIMER, request.command().response(), request.pid(), new byte[] {0, MODE_TENTHS});
    }

    private Said queued(RdmMessage request, long micros) {
        Waiting.Later later = waiting.all.get(device.uid());
        if (later == null) {
            // Nothing waits: an empty list of status messages.
            return new Said(RdmMessage.ACK, RdmCommand.GET_RESPONSE, 0x0030, new byte[0]);
        }
        if (micros < later.micros()) {
            return new Said(RdmMessage.ACK_TIMER, RdmCommand.GET_RESPONSE, request.pid(), new byte[] {0, MODE_TENTHS});
        }
        waiting.all.remove(device.uid());
        return later.not()
                .map(r -> new Said(RdmMessage.NACK, later.command(), later.pid(), new byte[] {0, (byte) r.number()}))
                .orElse(new Said(RdmMessage.ACK, later.command(), later.pid(), new byte[0]));
    }

    /** Number of its mode, 1 for the first. */
    private int mode() {
        return modes.indexOf(device.mode()) + 1;
    }

    private byte[] info() {
        return ByteBuffer.allocate(19)
                .putShort((short) PROTOCOL)
                .putShort((short) device.profile().name().hashCode())
                .putShort((short) LIGHT)
                .putInt(SOFTWARE)
                .putShort((short) device.slots(device.mode()))
                .put((byte) mode())
                .put((byte) modes.size())
                .putShort((short) device.at().slot())
                .putShort((short) 0)
                .put((byte) 1)
                .array();
    }

    private Said personality(RdmMessage request, int number) {
        if (number < 1 || number > modes.size()) {
            return not(request, NackReason.DATA_OUT_OF_RANGE);
        }
        Mode mode = modes.get(number - 1);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(number);
        out.writeBytes(two(device.slots(mode)));
        out.writeBytes(text(mode.name()));
        return done(request, out.toByteArray());
    }

    private byte[] hours(int pid) {
        int id = device.hung().id().value();
        int hours = pid == Pid.DEVICE_HOURS ? 800 + 37 * (id % 90) : 300 + 11 * (id % 60);
        return ByteBuffer.allocate(4).putInt(hours).array();
    }

    private static byte[] sensor() {
        byte[] name = text("Head");
        return ByteBuffer.allocate(13 + name.length)
                .put((byte) 0)
                .put((byte) 0)
                .put((byte) 1)
                .put((byte) 0)
                .putShort((short) 0)
                .putShort((short) 150)
                .putShort((short) 5)
                .putShort((short) 85)
                .put((byte) 0)
                .put(name)
                .array();
    }

    private byte[] heat() {
        int celsius = rig.lamp(device) ? WARM + device.hung().id().value() % 10 : COLD;
        return ByteBuffer.allocate(9).put((byte) 0).putShort((short) celsius).array();
    }

    private static byte[] two(int value) {
        return new byte[] {(byte) (value >> Byte.SIZE), (byte) value};
    }

    private static byte[] text(String text) {
        return DeviceText.of(text).getBytes(StandardCharsets.US_ASCII);
    }
}
