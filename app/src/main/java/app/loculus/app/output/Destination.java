package app.loculus.app.output;

import java.net.DatagramSocket;
import java.net.InetSocketAddress;
import java.util.Optional;

/**
 * One place a universe goes to.
 *
 * @param universe the number it has there: that of E1.31, or an Art-Net port address
 * @param priority by E1.31 alone
 * @param beat what makes it count there, together with others; empty where it counts at once
 */
record Destination(
        Wire wire, DatagramSocket socket, InetSocketAddress receiver, int universe, int priority, Optional<Beat> beat) {

    /** A stream as its receiver sees it; another priority does not make it another one. */
    record Stream(Wire wire, InetSocketAddress receiver, int universe) {}

    /** Who is told that what was sent counts now. @param sync synchronisation address of E1.31; 0 by Art-Net */
    record Beat(Wire wire, DatagramSocket socket, InetSocketAddress receiver, int sync) {}

    Stream stream() {
        return new Stream(wire, receiver, universe);
    }

    /** The address that slots wait for, by E1.31. */
    int sync() {
        return beat.map(Beat::sync).orElse(0);
    }
}
