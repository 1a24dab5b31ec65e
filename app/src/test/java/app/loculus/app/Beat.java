package app.loculus.app;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.List;

/** Receives the frames of one universe and remembers when they came. */
final class Beat extends Thread implements AutoCloseable {

    /** Where the universe stands in a packet (E1.31, framing layer). */
    private static final int UNIVERSE = 113;

    private final DatagramSocket socket;
    private final int universe;
    private final List<Long> arrivals = new ArrayList<>();

    Beat(int universe) throws IOException {
        super("beat");
        this.universe = universe;
        socket = new DatagramSocket(null);
        socket.setReceiveBufferSize(4 << 20);
        socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
        setDaemon(true);
        start();
    }

    int port() {
        return socket.getLocalPort();
    }

    @Override
    public void run() {
        byte[] octets = new byte[1500];
        try {
            while (true) {
                DatagramPacket packet = new DatagramPacket(octets, octets.length);
                socket.receive(packet);
                int of = (octets[UNIVERSE] & 0xFF) << 8 | octets[UNIVERSE + 1] & 0xFF;
                if (of == universe) {
                    long now = System.nanoTime();
                    synchronized (arrivals) {
                        arrivals.add(now);
                    }
                }
            }
        } catch (IOException closed) {
            // the end
        }
    }

    /** Gaps between frames that came since the last time, in milliseconds, in their order. */
    List<Double> gaps() {
        synchronized (arrivals) {
            List<Double> gaps = new ArrayList<>();
            for (int i = 1; i < arrivals.size(); i++) {
                gaps.add((arrivals.get(i) - arrivals.get(i - 1)) / 1e6);
            }
            arrivals.clear();
            return gaps;
        }
    }

    @Override
    public void close() {
        socket.close();
    }
}
