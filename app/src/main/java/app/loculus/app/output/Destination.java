package app.loculus.app.output;

import java.net.DatagramSocket;
import java.net.InetSocketAddress;

/**
 * One place a universe goes to.
 *
 * @param universe the E1.31 universe number it has there
 */
record Destination(DatagramSocket socket, InetSocketAddress receiver, int universe, int priority) {}
