package app.loculus.app.output;

import app.loculus.app.config.BadSetting;
import app.loculus.app.config.Settings;
import app.loculus.app.rig.VirtualRig;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.UnknownHostException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Where frames go: the virtual rig, and what was named at the start. */
@Component
class Receivers {

    private final List<InetSocketAddress> all = new ArrayList<>();

    Receivers(Settings settings, VirtualRig rig) {
        all.add(new InetSocketAddress(InetAddress.getLoopbackAddress(), rig.port()));
        settings.e131().forEach(text -> all.add(parse(text, settings.allowNetwork())));
    }

    InetSocketAddress rig() {
        return all.get(0);
    }

    List<InetSocketAddress> all() {
        return all;
    }

    /** @throws BadSetting which ends the start in words */
    static InetSocketAddress parse(String text, boolean allowNetwork) {
        int colon = text.lastIndexOf(':');
        if (colon < 1
                || !text.substring(colon + 1).matches("\\d{1,5}")
                || Integer.parseInt(text.substring(colon + 1)) > 65535) {
            throw new BadSetting("--e131 “" + text + "” is not HOST:PORT, such as 127.0.0.1:6000.");
        }
        try {
            InetAddress host = InetAddress.getByName(text.substring(0, colon));
            if (!host.isLoopbackAddress() && !allowNetwork) {
                throw new BadSetting("--e131 " + text
                        + " is outside this machine. Add --allow-network if frames are meant to leave it.");
            }
            return new InetSocketAddress(host, Integer.parseInt(text.substring(colon + 1)));
        } catch (UnknownHostException e) {
            throw new BadSetting("--e131 " + text + ": no such host.");
        }
    }
}
