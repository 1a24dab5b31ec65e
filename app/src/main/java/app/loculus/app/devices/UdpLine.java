package app.loculus.app.devices;

import app.loculus.formats.rdm.RdmLine;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.net.SocketTimeoutException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A line that is reached by datagrams on loopback; their layout is told by the rig's lines. */
final class UdpLine implements RdmLine, AutoCloseable {

    private static final int LONGEST = 2048;

    /** Loopback answers at once; after that it is gone. */
    private static final int PATIENCE_MS = 2000;

    private final SocketAddress rig;
    private final int number;
    private final DatagramSocket socket;
    private long rested;

    UdpLine(SocketAddress rig, int number) {
        this.rig = rig;
        this.number = number;
        try {
            socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
            socket.setSoTimeout(PATIENCE_MS);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The lines there are. */
    static List<Integer> numbers(SocketAddress rig) {
        try (UdpLine line = new UdpLine(rig, 0)) {
            ByteBuffer in = ByteBuffer.wrap(line.say(new byte[0]).octets());
            List<Integer> all = new ArrayList<>();
            while (in.remaining() >= Short.BYTES) {
                all.add(in.getShort() & 0xFFFF);
            }
            return all;
        }
    }

    @Override
    public Heard say(byte[] octets) {
        byte[] said = ByteBuffer.allocate(Short.BYTES + Integer.BYTES + octets.length)
                .putShort((short) number)
                .putInt((int) Math.min(rested, Integer.MAX_VALUE))
                .put(octets)
                .array();
        rested = 0;
        byte[] buffer = new byte[LONGEST];
        DatagramPacket heard = new DatagramPacket(buffer, buffer.length);
        try {
            socket.send(new DatagramPacket(said, said.length, rig));
            socket.receive(heard);
        } catch (SocketTimeoutException e) {
            return new Heard(new byte[0], PATIENCE_MS * 1000L);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        if (heard.getLength() < Integer.BYTES) {
            return new Heard(new byte[0], 0);
        }
        long micros = ByteBuffer.wrap(buffer).getInt() & 0xFFFFFFFFL;
        return new Heard(Arrays.copyOfRange(buffer, Integer.BYTES, heard.getLength()), micros);
    }

    @Override
    public void rest(long micros) {
        rested += micros;
    }

    @Override
    public void close() {
        socket.close();
    }
}
