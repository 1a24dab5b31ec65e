package app.loculus.app.output;

import app.loculus.core.patch.PortAddress;
import java.net.DatagramSocket;
import java.net.InetSocketAddress;
import java.util.SortedSet;
import java.util.stream.Collectors;

/**
 * A node that has answered.
 *
 * @param socket from which it is spoken to; @param at where it takes levels
 * @param takes port addresses that it puts out
 */
record ArtNetNode(String name, DatagramSocket socket, InetSocketAddress at, SortedSet<Integer> takes) {

    /** Port addresses that are spelled out. */
    private static final int MOST_TOLD = 4;

    /** What it is called, and where it is. */
    String words() {
        return (name.isBlank() ? "A node" : "“" + name + "”") + " ("
                + at.getAddress().getHostAddress() + ")";
    }

    /** What it takes, as it stands on it. */
    String takesWords() {
        if (takes.isEmpty()) {
            return "nothing";
        }
        String first = takes.stream()
                .limit(MOST_TOLD)
                .map(a -> new PortAddress(a).toString())
                .collect(Collectors.joining(", "));
        return takes.size() > MOST_TOLD ? first + " and " + (takes.size() - MOST_TOLD) + " more" : first;
    }
}
