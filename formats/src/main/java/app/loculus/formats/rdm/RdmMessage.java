package app.loculus.formats.rdm;

import app.loculus.core.device.Uid;
import java.util.Arrays;

/**
 * One message.
 *
 * @param data 0 to 231 octets of the parameter
 */
public record RdmMessage(Envelope envelope, RdmCommand command, int pid, byte[] data) {

    public static final int MOST_DATA = 231;

    /**
     * Who speaks to whom.
     *
     * @param transaction 0 to 255, the same in the response
     * @param kind port of the controller in a request, from 1; how it is answered in a response
     * @param queued how many more messages the device holds back
     * @param part 0 for the device itself, 1 to 512 for one of its parts
     */
    public record Envelope(Uid to, Uid from, int transaction, int kind, int queued, int part) {

        /** The envelope of the response. */
        public Envelope back(int kindNow, int queuedNow) {
            return new Envelope(from, to, transaction, kindNow, queuedNow, part);
        }
    }

    /** Response types. */
    public static final int ACK = 0;

    public static final int ACK_TIMER = 1;
    public static final int NACK = 2;
    public static final int ACK_OVERFLOW = 3;

    public static RdmMessage request(Uid to, Uid from, int transaction, RdmCommand command, int pid, byte... data) {
        return new RdmMessage(new Envelope(to, from, transaction, 1, 0, 0), command, pid, data);
    }

    /** Whether it is the response to a request. */
    boolean answers(RdmMessage request) {
        return command == request.command.response()
                && envelope.from().equals(request.envelope.to())
                && envelope.to().equals(request.envelope.from())
                && envelope.transaction() == request.envelope.transaction();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof RdmMessage m
                && envelope.equals(m.envelope)
                && command == m.command
                && pid == m.pid
                && Arrays.equals(data, m.data);
    }

    @Override
    public int hashCode() {
        return 31 * envelope.hashCode() + Arrays.hashCode(data);
    }
}
