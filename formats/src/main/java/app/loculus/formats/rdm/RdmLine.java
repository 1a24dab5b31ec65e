package app.loculus.formats.rdm;

/** A line that carries octets to all devices on it and back what they answer. */
public interface RdmLine {

    /**
     * What came back.
     *
     * @param octets none when nobody answered; those of several at once when they overlap
     * @param micros how long the line was taken, from the first octet sent until it may be used again
     */
    record Heard(byte[] octets, long micros) {

        public boolean silence() {
            return octets.length == 0;
        }
    }

    Heard say(byte[] octets);

    /** Lets time pass on the line. */
    void rest(long micros);
}
