package app.loculus.formats.rdm;

/** Parameters by their numbers (E1.20, table of parameter IDs). */
public final class Pid {

    public static final int DISC_UNIQUE_BRANCH = 0x0001;
    public static final int DISC_MUTE = 0x0002;
    public static final int DISC_UN_MUTE = 0x0003;
    public static final int QUEUED_MESSAGE = 0x0020;
    public static final int SUPPORTED_PARAMETERS = 0x0050;
    public static final int DEVICE_INFO = 0x0060;
    public static final int DEVICE_MODEL_DESCRIPTION = 0x0080;
    public static final int MANUFACTURER_LABEL = 0x0081;
    public static final int DEVICE_LABEL = 0x0082;
    public static final int SOFTWARE_VERSION_LABEL = 0x00C0;
    public static final int DMX_PERSONALITY = 0x00E0;
    public static final int DMX_PERSONALITY_DESCRIPTION = 0x00E1;
    public static final int DMX_START_ADDRESS = 0x00F0;
    public static final int SENSOR_DEFINITION = 0x0200;
    public static final int SENSOR_VALUE = 0x0201;
    public static final int DEVICE_HOURS = 0x0400;
    public static final int LAMP_HOURS = 0x0401;
    public static final int LAMP_STATE = 0x0403;
    public static final int IDENTIFY_DEVICE = 0x1000;
    public static final int RESET_DEVICE = 0x1001;

    private Pid() {}
}
