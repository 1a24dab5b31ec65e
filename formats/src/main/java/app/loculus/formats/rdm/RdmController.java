package app.loculus.formats.rdm;

import app.loculus.core.device.Uid;
import app.loculus.formats.rdm.RdmLine.Heard;
import java.io.ByteArrayOutputStream;
import java.util.Optional;

/**
 * Asks and sets devices on a line, one request at a time. What is lost is said again; what takes a device longer is waited
 * for; what is longer than a message is put together.
 */
public final class RdmController {

    /** Of the range that is kept for trying things out. */
    public static final Uid OWN = new Uid(0x7FF0, 1);

    private static final int TRIES = 3;

    /** How often a device may put an answer off. */
    private static final int MOST_WAITS = 10;

    /** Of more parts than this an answer is not meant to end. */
    private static final int MOST_PARTS = 64;

    private static final long TENTH_MICROS = 100_000;

    /** A device counts at most so many tenths of a second. */
    private static final int LONGEST_WAIT = 0xFFFF;

    private final RdmLine line;
    private int transaction;
    private long micros;

    public RdmController(RdmLine line) {
        this.line = line;
    }

    /** How long the line has been taken so far. */
    public long micros() {
        return micros;
    }

    Heard say(RdmMessage message) {
        Heard heard = line.say(RdmLayout.encode(message));
        micros += heard.micros();
        return heard;
    }

    RdmMessage request(Uid to, RdmCommand command, int pid, byte... data) {
        transaction = transaction + 1 & 0xFF;
        return RdmMessage.request(to, OWN, transaction, command, pid, data);
    }

    public RdmAnswer get(Uid device, int pid, byte... data) {
        return ask(request(device, RdmCommand.GET, pid, data));
    }

    public RdmAnswer set(Uid device, int pid, byte... data) {
        return ask(request(device, RdmCommand.SET, pid, data));
    }

    private RdmAnswer ask(RdmMessage asked) {
        RdmMessage request = asked;
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        int waits = 0;
        int parts = 0;
        while (true) {
            Told told = once(request);
            if (told.message().isEmpty()) {
                return new RdmAnswer.Lost(told.garbled());
            }
            RdmMessage answer = told.message().get();
            byte[] data = answer.data();
            switch (answer.envelope().kind()) {
                case RdmMessage.ACK -> {
                    if (answer.pid() != asked.pid()) {
                        // Something else was queued before; it is asked for again until ours comes.
                        if (waits++ >= MOST_WAITS) {
                            return new RdmAnswer.Lost(false);
                        }
                        request = queued(asked);
                        continue;
                    }
                    all.writeBytes(data);
                    return new RdmAnswer.Done(all.toByteArray());
                }
                case RdmMessage.ACK_OVERFLOW -> {
                    all.writeBytes(data);
                    if (parts++ >= MOST_PARTS) {
                        return new RdmAnswer.Lost(true);
                    }
                    request = request(asked.envelope().to(), asked.command(), asked.pid(), asked.data());
                }
                case RdmMessage.ACK_TIMER -> {
                    if (data.length != 2 || waits++ >= MOST_WAITS) {
                        return new RdmAnswer.Lost(data.length != 2);
                    }
                    rest(Math.min(LONGEST_WAIT, (data[0] & 0xFF) << Byte.SIZE | data[1] & 0xFF));
                    request = queued(asked);
                }
                case RdmMessage.NACK -> {
                    return new RdmAnswer.Refused(
                            data.length == 2
                                    ? NackReason.of((data[0] & 0xFF) << Byte.SIZE | data[1] & 0xFF)
                                    : NackReason.OTHER);
                }
                default -> {
                    return new RdmAnswer.Lost(true);
                }
            }
        }
    }

    private void rest(int tenths) {
        micros += tenths * TENTH_MICROS;
        line.rest(tenths * TENTH_MICROS);
    }

    /** Asks for what a device had to put off. */
    private RdmMessage queued(RdmMessage asked) {
        // 4: all that is queued, then status messages of every severity.
        return request(asked.envelope().to(), RdmCommand.GET, Pid.QUEUED_MESSAGE, (byte) 4);
    }

    private record Told(Optional<RdmMessage> message, boolean garbled) {}

    private Told once(RdmMessage request) {
        boolean garbled = false;
        for (int tries = 0; tries < TRIES; tries++) {
            Heard heard = say(request);
            Optional<RdmMessage> answer = RdmLayout.decode(heard.octets()).filter(m -> answers(request, m));
            if (answer.isPresent()) {
                return new Told(answer, false);
            }
            garbled |= !heard.silence();
        }
        return new Told(Optional.empty(), garbled);
    }

    /** A queued message comes as the response to the parameter that was put off, of whichever class. */
    private static boolean answers(RdmMessage request, RdmMessage answer) {
        return request.pid() == Pid.QUEUED_MESSAGE
                ? answer.command().answers()
                        && answer.envelope().from().equals(request.envelope().to())
                        && answer.envelope().to().equals(request.envelope().from())
                        && answer.envelope().transaction() == request.envelope().transaction()
                : answer.answers(request) && answer.pid() == request.pid();
    }
}
