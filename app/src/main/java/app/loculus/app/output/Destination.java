package app.loculus.app.output;

import java.net.DatagramSocket;
import java.net.InetSocketAddress;

/**
 * One place a universe goes to.
 *
 * @param universe the E1.31 universe number it has there
 */
record Destination(DatagramSocket socket, InetSocketAddress receiver, int universe, int priority) {

    /** A stream as its receiver sees it; another priority does not make it another one. */
    record Stream(InetSocketAddress receiver, int universe) {}

    Stream stream() {
        return new Stream(receiver, universe);
    }
}
