package app.loculus.formats.rdm;

/** What becomes of a request. */
public sealed interface RdmAnswer {

    /** What was asked for; none when it was not told. */
    byte[] data();

    /** Why it was not done, in words; empty when it was. */
    String trouble();

    default boolean done() {
        return trouble().isEmpty();
    }

    /** It was done, or this is what was asked for. */
    record Done(byte[] data) implements RdmAnswer {

        @Override
        public String trouble() {
            return "";
        }
    }

    /** It was not, for a reason that the device gives. */
    record Refused(NackReason reason) implements RdmAnswer {

        @Override
        public byte[] data() {
            return new byte[0];
        }

        @Override
        public String trouble() {
            return reason.words();
        }
    }

    /** Nobody answered, or what came could not be read. */
    record Lost(boolean garbled) implements RdmAnswer {

        @Override
        public byte[] data() {
            return new byte[0];
        }

        @Override
        public String trouble() {
            return garbled ? "its answer cannot be read" : "it does not answer";
        }
    }
}
