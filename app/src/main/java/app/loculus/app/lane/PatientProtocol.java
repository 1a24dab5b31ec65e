package app.loculus.app.lane;

import java.util.Set;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.NioChannel;
import org.apache.tomcat.util.net.SocketWrapperBase;

/** HTTP as Tomcat speaks it, whose connections can be looked at. Named in {@link Patience}. */
public class PatientProtocol extends Http11NioProtocol {

    Set<SocketWrapperBase<NioChannel>> connections() {
        return getEndpoint().getConnections();
    }
}
