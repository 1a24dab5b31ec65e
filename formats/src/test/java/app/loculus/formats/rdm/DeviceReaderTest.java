package app.loculus.formats.rdm;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.check.DeviceChange;
import app.loculus.core.device.Device;
import app.loculus.core.device.Personality;
import app.loculus.core.device.Uid;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DeviceReaderTest {

    private static final long UID = 0x7FF100000042L;

    /** A head of 16 slots in the second of two modes, at 101; what it is told to be is written down. */
    private static final class Head implements PlainBus.Does {

        private final List<String> told = new ArrayList<>();
        private int asks;

        private static byte[] ack(int... octets) {
            byte[] out = new byte[octets.length + 1];
            for (int i = 0; i < octets.length; i++) {
                out[i + 1] = (byte) octets[i];
            }
            return out;
        }

        private static byte[] text(int type, String text) {
            byte[] out = new byte[text.length() + 1];
            out[0] = (byte) type;
            System.arraycopy(text.getBytes(StandardCharsets.US_ASCII), 0, out, 1, text.length());
            return out;
        }

        @Override
        public byte[] answer(int command, int pid, byte[] data) {
            if (command == 0x30) {
                told.add(Integer.toHexString(pid) + Arrays.toString(data));
                return pid == 0x00F0 && data[0] > 1 ? new byte[] {2, 0, 6} : new byte[] {0};
            }
            return switch (pid) {
                case 0x0060 -> ack(1, 0, 0x0B, 0xAD, 1, 1, 0, 1, 0, 0, 0, 16, 2, 2, 0, 101, 0, 0, 1);
                case 0x0080 -> text(0, "Skiff Wash");
                case 0x0081 -> text(0, "Tidal\0left over");
                // In two parts, the first of which says that more follows.
                case 0x0082 -> asks++ == 0 ? text(3, "301 Fr") : text(0, "ont");
                case 0x00E1 -> data[0] == 1 ? ack(1, 0, 9, 'b', 'a', 's') : ack(2, 0, 16, 'e', 'x', 't');
                case 0x1000 -> ack(1);
                case 0x0200 -> ack(0, 0, 1, 0, 0, 0, 0, 120, 0, 5, 0, 80, 0, 'H', 'e', 'a', 'd');
                case 0x0201 -> ack(0, 0, 91);
                case 0x0400 -> ack(0, 1, 0, 1);
                case 0x0403 -> ack(1);
                case 0x00C0 -> text(0, "2.4");
                default -> new byte[] {2, 0, 0};
            };
        }
    }

    @Test
    void a_device_tells_what_it_is_and_how_it_is_set() {
        PlainBus bus = new PlainBus(1, 0, false);
        bus.hang(UID, new Head());
        Device d = new DeviceReader()
                .read(new RdmController(bus), Uid.of(UID), 3)
                .device()
                .orElseThrow();
        assertThat(d.address()).isEqualTo("3.101");
        assertThat(d.model().maker()).isEqualTo("Tidal");
        assertThat(d.model().name()).isEqualTo("Skiff Wash");
        assertThat(d.model().number()).isEqualTo(0x0BAD);
        assertThat(d.label()).isEqualTo("301 Front");
        assertThat(d.setting().footprint()).isEqualTo(16);
        assertThat(d.mode()).contains(new Personality(2, 16, "ext"));
        assertThat(d.identifies()).isTrue();
    }

    @Test
    void looked_at_closely_it_tells_its_hours_its_lamp_and_what_it_feels() {
        PlainBus bus = new PlainBus(1, 0, false);
        bus.hang(UID, new Head());
        DeviceDetails details = new DeviceReader().details(new RdmController(bus), Uid.of(UID));
        assertThat(details.hours()).contains(65537L);
        assertThat(details.lampHours()).as("it does not know them").isEmpty();
        assertThat(details.lamp()).contains(true);
        assertThat(details.software()).isEqualTo("2.4");
        assertThat(details.sensors()).containsExactly(new DeviceDetails.Sensor("Head", 91, "°C", false));
        assertThat(new DeviceReader().details(new RdmController(bus), Uid.of(7)).trouble())
                .isEqualTo("it does not answer");
    }

    @Test
    void it_is_told_its_mode_first_and_says_why_not() {
        PlainBus bus = new PlainBus(1, 0, false);
        Head head = new Head();
        bus.hang(UID, head);
        RdmController controller = new RdmController(bus);
        Device d = new DeviceReader().read(controller, Uid.of(UID), 3).device().orElseThrow();
        DeviceSetter setter = new DeviceSetter(controller);
        assertThat(setter.set(new DeviceChange(
                        "301", d, Optional.of(d.model().personalities().get(0)), Optional.of(0x1A1))))
                .isEmpty();
        assertThat(head.told).containsExactly("e0[1]", "f0[1, -95]");
        assertThat(setter.set(new DeviceChange("301", d, Optional.empty(), Optional.of(512))))
                .contains("the value is outside its range");
        assertThat(setter.label(Uid.of(UID), "Frönt “left”, with far more than thirty-two"))
                .isEmpty();
        assertThat(head.told.get(3))
                .isEqualTo("82" + Arrays.toString(DeviceReader.octets("Front ?left?, with far more than")));
    }

    /** What takes a device longer is waited for on the line, and what it queued before is not taken for the answer. */
    @Test
    void what_it_puts_off_is_asked_for_again() {
        PlainBus bus = new PlainBus(1, 0, false);
        int[] asked = {0};
        RdmLine slow = new RdmLine() {
            @Override
            public Heard say(byte[] octets) {
                RdmMessage m = RdmLayout.decode(octets).orElseThrow();
                asked[0]++;
                RdmMessage answer = switch (asked[0]) {
                    case 1 ->
                        new RdmMessage(
                                m.envelope().back(RdmMessage.ACK_TIMER, 0),
                                RdmCommand.SET_RESPONSE,
                                m.pid(),
                                new byte[] {0, 3});
                    case 2 ->
                        new RdmMessage(
                                m.envelope().back(RdmMessage.ACK, 1),
                                RdmCommand.GET_RESPONSE,
                                Pid.LAMP_STATE,
                                new byte[] {1});
                    default ->
                        new RdmMessage(
                                m.envelope().back(RdmMessage.NACK, 0),
                                RdmCommand.SET_RESPONSE,
                                Pid.DMX_PERSONALITY,
                                new byte[] {0, 2});
                };
                assertThat(m.pid()).isEqualTo(asked[0] == 1 ? Pid.DMX_PERSONALITY : Pid.QUEUED_MESSAGE);
                return new Heard(RdmLayout.encode(answer), 1000);
            }

            @Override
            public void rest(long micros) {
                bus.rest(micros);
            }
        };
        RdmController controller = new RdmController(slow);
        RdmAnswer answer = controller.set(Uid.of(UID), Pid.DMX_PERSONALITY, (byte) 2);
        assertThat(answer).isEqualTo(new RdmAnswer.Refused(NackReason.HARDWARE_FAULT));
        assertThat(bus.rested).isEqualTo(300_000);
        assertThat(controller.micros()).isEqualTo(303_000);
    }

    @Test
    void two_with_one_identity_that_are_set_otherwise_cannot_be_read() {
        PlainBus bus = new PlainBus(1, 0, false);
        bus.hang(UID, new Head());
        Head other = new Head();
        bus.hang(UID, (command, pid, data) -> {
            byte[] a = other.answer(command, pid, data);
            if (pid == 0x0060) {
                a[15] = 1;
                a[16] = 44;
            }
            return a;
        });
        assertThat(Discovery.of(new RdmController(bus), List.of()).devices()).containsExactly(Uid.of(UID));
        DeviceReader.Read read = new DeviceReader().read(new RdmController(bus), Uid.of(UID), 1);
        assertThat(read.device()).isEmpty();
        assertThat(read.garbled()).isTrue();
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 60));
    }

    /** A device may answer anything of any length: reading it ends, and what is no device is none. */
    @ParameterizedTest
    @MethodSource("seeds")
    void a_device_that_talks_nonsense_stops_nothing(long seed) {
        Random random = new Random(seed);
        PlainBus bus = new PlainBus(seed, 0.1, false);
        Head head = new Head();
        bus.hang(UID, (command, pid, data) -> {
            if (random.nextInt(3) > 0) {
                return random.nextInt(9) == 0 ? PlainBus.SILENCE : head.answer(command, pid, data);
            }
            byte[] nonsense = new byte[1 + random.nextInt(200)];
            random.nextBytes(nonsense);
            nonsense[0] = (byte) random.nextInt(5);
            return nonsense;
        });
        RdmController controller = new RdmController(bus);
        for (int i = 0; i < 20; i++) {
            DeviceReader reader = new DeviceReader();
            reader.read(controller, Uid.of(UID), 1).device().ifPresent(d -> {
                assertThat(d.setting().footprint()).isBetween(0, 512);
                d.setting().start().ifPresent(s -> assertThat(s).isBetween(1, 512));
                assertThat(d.label()).matches("[ -~]*");
            });
            assertThat(reader.details(controller, Uid.of(UID))).isNotNull();
            new DeviceSetter(controller).identify(Uid.of(UID), true);
        }
        assertThat(bus.asked).as("questions").isLessThan(60_000);
    }
}
