package app.loculus.app.config;

import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * What the person asked for at the start.
 *
 * @param data folder of the database
 * @param demo whether the demo show is set up when it is missing
 * @param rigPort UDP port on which the virtual rig would like to listen, on 127.0.0.1
 * @param artNetPort the same for its Art-Net node
 * @param e131 further receivers of the output, {@code host:port}
 * @param allowNetwork whether receivers outside this machine are allowed
 * @param takeAsIs whether to go on with a database that is older than what was acknowledged
 */
@ConfigurationProperties("loculus")
public record Settings(
        String data,
        boolean demo,
        int rigPort,
        int artNetPort,
        List<String> e131,
        boolean allowNetwork,
        boolean takeAsIs) {

    public Settings {
        e131 = e131 == null ? List.of() : List.copyOf(e131);
    }
}
