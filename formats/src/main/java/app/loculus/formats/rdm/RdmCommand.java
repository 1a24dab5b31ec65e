package app.loculus.formats.rdm;

import java.util.Optional;
import java.util.stream.Stream;

/** What a message is: a request of a class, or the response to one. */
public enum RdmCommand {
    DISCOVERY(0x10),
    DISCOVERY_RESPONSE(0x11),
    GET(0x20),
    GET_RESPONSE(0x21),
    SET(0x30),
    SET_RESPONSE(0x31);

    private final int octet;

    RdmCommand(int octet) {
        this.octet = octet;
    }

    int octet() {
        return octet;
    }

    /** A response has the class of its request and one more. */
    public RdmCommand response() {
        return of(octet | 1).orElseThrow();
    }

    public boolean answers() {
        return (octet & 1) == 1;
    }

    static Optional<RdmCommand> of(int octet) {
        return Stream.of(values()).filter(c -> c.octet == octet).findFirst();
    }
}
