package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;

/**
 * What Art-Net calls a universe: seven bits of net, four of sub-net, four of universe. Source: Art-Net 4.
 *
 * @param value 0 to 32767; the same as the E1.31 number of that universe, as gateways between the two take it
 */
public record PortAddress(int value) {

    public static final int LAST = 32_767;

    private static final int NETS = 128;
    private static final int SIXTEEN = 16;

    public PortAddress {
        if (value < 0 || value > LAST) {
            throw Refusal.of(
                    "output.port",
                    "universe",
                    "Art-Net has no port address " + value + ": they go from 0 (0:0:0) to " + LAST + " (127:15:15).");
        }
    }

    /** @throws Refusal when one of them is out of its range */
    public static PortAddress of(int net, int subNet, int universe) {
        if (net < 0 || net >= NETS || subNet < 0 || subNet >= SIXTEEN || universe < 0 || universe >= SIXTEEN) {
            throw Refusal.of(
                    "output.port",
                    "universe",
                    net + ":" + subNet + ":" + universe + " is no port address.",
                    WayOut.advice("Net goes from 0 to 127, sub-net and universe from 0 to 15, as in 0:0:1."));
        }
        return new PortAddress((net * SIXTEEN + subNet) * SIXTEEN + universe);
    }

    public int net() {
        return value / (SIXTEEN * SIXTEEN);
    }

    public int subNet() {
        return value / SIXTEEN % SIXTEEN;
    }

    public int universe() {
        return value % SIXTEEN;
    }

    /** Net, sub-net and universe, as they stand on a node. */
    @Override
    public String toString() {
        return net() + ":" + subNet() + ":" + universe();
    }
}
