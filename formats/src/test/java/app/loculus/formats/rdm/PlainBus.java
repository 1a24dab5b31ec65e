package app.loculus.formats.rdm;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/** A line with devices on it that are written octet by octet from the standard, without the code they are to test. */
final class PlainBus implements RdmLine {

    /** What a device does with a request: response type, then data; null for silence. */
    interface Does {
        byte[] answer(int command, int pid, byte[] data);
    }

    static final byte[] SILENCE = null;

    private final Map<Long, List<Does>> devices = new HashMap<>();
    private final Set<Long> muted = new HashSet<>();
    private final Random random;
    private final double noise;
    private final boolean drowns;
    private final boolean high;
    long micros;
    long rested;
    int asked;

    /** @param noise share of answers in which a bit is wrong; @param drowns whether the loudest is heard alone; else one level wins on the wire, which by the seed */
    PlainBus(long seed, double noise, boolean drowns) {
        this.random = new Random(seed);
        this.noise = noise;
        this.drowns = drowns;
        this.high = random.nextBoolean();
    }

    void hang(long uid, Does does) {
        devices.computeIfAbsent(uid, u -> new ArrayList<>()).add(does);
    }

    private static long uid(byte[] m, int at) {
        long v = 0;
        for (int i = 0; i < 6; i++) {
            v = v * 256 + (m[at + i] & 0xFF);
        }
        return v;
    }

    @Override
    public Heard say(byte[] m) {
        asked++;
        int sum = 0;
        for (int i = 0; i < m.length - 2; i++) {
            sum += m[i] & 0xFF;
        }
        boolean sound = (m[0] & 0xFF) == 0xCC
                && m[1] == 1
                && (m[2] & 0xFF) == m.length - 2
                && (m[m.length - 2] & 0xFF) * 256 + (m[m.length - 1] & 0xFF) == sum % 65536;
        if (!sound) {
            throw new AssertionError("no whole message: " + Arrays.toString(m));
        }
        List<byte[]> answers = answers(m);
        boolean branch = m[20] == 0x10 && m[22] == 0x01;
        long took = answers.isEmpty()
                ? branch || uid(m, 3) != 0xFFFFFFFFFFFFL ? BusTime.silent(m.length) : BusTime.broadcast(m.length)
                : answers.size() == 1
                        ? BusTime.answered(m.length, answers.get(0).length, branch)
                        : BusTime.overlapped(m.length);
        micros += took;
        return new Heard(heard(answers), took);
    }

    private List<byte[]> answers(byte[] m) {
        long to = uid(m, 3);
        int command = m[20] & 0xFF;
        int pid = (m[21] & 0xFF) * 256 + (m[22] & 0xFF);
        byte[] data = Arrays.copyOfRange(m, 24, m.length - 2);
        List<byte[]> answers = new ArrayList<>();
        devices.forEach((uid, all) -> {
            for (Does does : all) {
                if (command == 0x10 && pid == 1) {
                    if (!muted.contains(uid) && uid(data, 0) <= uid && uid <= uid(data, 6)) {
                        answers.add(branch(uid));
                    }
                } else if (command == 0x10 && (to == uid || to == 0xFFFFFFFFFFFFL)) {
                    if (pid == 2) {
                        muted.add(uid);
                    } else {
                        muted.remove(uid);
                    }
                    if (to == uid) {
                        answers.add(message(m, uid, 0, new byte[] {0, 0}, pid));
                    }
                } else if (to == uid) {
                    byte[] answer = does.answer(command, pid, data);
                    if (answer != null) {
                        answers.add(message(m, uid, answer[0], Arrays.copyOfRange(answer, 1, answer.length), pid));
                    }
                }
            }
        });
        return answers;
    }

    private byte[] heard(List<byte[]> answers) {
        if (answers.isEmpty()) {
            return new byte[0];
        }
        byte[] all = answers.get(drowns ? random.nextInt(answers.size()) : 0).clone();
        for (byte[] other : drowns ? List.<byte[]>of() : answers) {
            all = Arrays.copyOf(all, Math.max(all.length, other.length));
            for (int i = 0; i < other.length; i++) {
                all[i] = high ? (byte) (all[i] | other[i]) : (byte) (all[i] & other[i]);
            }
        }
        if (random.nextDouble() < noise) {
            all[random.nextInt(all.length)] ^= (byte) (1 << random.nextInt(8));
        }
        return all;
    }

    private static byte[] branch(long uid) {
        byte[] out = new byte[24];
        Arrays.fill(out, 0, 7, (byte) 0xFE);
        out[7] = (byte) 0xAA;
        int sum = 0;
        for (int i = 0; i < 6; i++) {
            int octet = (int) (uid >> 8 * (5 - i)) & 0xFF;
            out[8 + 2 * i] = (byte) (octet | 0xAA);
            out[9 + 2 * i] = (byte) (octet | 0x55);
            sum += (octet | 0xAA) + (octet | 0x55);
        }
        out[20] = (byte) (sum / 256 | 0xAA);
        out[21] = (byte) (sum / 256 | 0x55);
        out[22] = (byte) (sum % 256 | 0xAA);
        out[23] = (byte) (sum % 256 | 0x55);
        return out;
    }

    private static byte[] message(byte[] m, long uid, int type, byte[] data, int pid) {
        byte[] out = new byte[26 + data.length];
        System.arraycopy(m, 0, out, 0, 24);
        out[2] = (byte) (24 + data.length);
        System.arraycopy(m, 9, out, 3, 6);
        for (int i = 0; i < 6; i++) {
            out[9 + i] = (byte) (uid >> 8 * (5 - i));
        }
        out[16] = (byte) type;
        out[20] = (byte) (m[20] + 1);
        out[21] = (byte) (pid / 256);
        out[22] = (byte) pid;
        out[23] = (byte) data.length;
        System.arraycopy(data, 0, out, 24, data.length);
        int sum = 0;
        for (int i = 0; i < out.length - 2; i++) {
            sum += out[i] & 0xFF;
        }
        out[out.length - 2] = (byte) (sum / 256);
        out[out.length - 1] = (byte) sum;
        return out;
    }

    @Override
    public void rest(long more) {
        micros += more;
        rested += more;
    }
}
