package app.loculus.formats.rdm;

import java.util.stream.Stream;

/** Why a device does not do what it is asked (E1.20, table of NACK reasons). */
public enum NackReason {
    UNKNOWN_PID(0, "it does not know that"),
    FORMAT_ERROR(1, "it does not understand the message"),
    HARDWARE_FAULT(2, "its hardware has a fault"),
    PROXY_REJECT(3, "what answers for it refuses"),
    WRITE_PROTECT(4, "it is locked at its menu"),
    UNSUPPORTED_COMMAND_CLASS(5, "it cannot be asked or set that way"),
    DATA_OUT_OF_RANGE(6, "the value is outside its range"),
    BUFFER_FULL(7, "it is busy"),
    PACKET_SIZE_UNSUPPORTED(8, "the message is too long for it"),
    SUB_DEVICE_OUT_OF_RANGE(9, "it has no such part"),
    PROXY_BUFFER_FULL(10, "what answers for it is busy"),
    /** A number that the standard of today does not have. */
    OTHER(-1, "it refuses");

    private final int number;
    private final String words;

    NackReason(int number, String words) {
        this.number = number;
        this.words = words;
    }

    public int number() {
        return number;
    }

    public String words() {
        return words;
    }

    static NackReason of(int number) {
        return Stream.of(values()).filter(r -> r.number == number).findFirst().orElse(OTHER);
    }
}
