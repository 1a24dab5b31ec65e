package app.loculus.app.output;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.formats.artnet.ArtDmx;
import app.loculus.formats.artnet.ArtPollReply;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;

/** What goes to everybody on a net is heard as well: answers of older nodes, levels of older senders. */
class ArtNetEarTest {

    private static void until(BooleanSupplier done) throws InterruptedException {
        for (int i = 0; i < 100 && !done.getAsBoolean(); i++) {
            Thread.sleep(20);
        }
        assertThat(done.getAsBoolean()).isTrue();
    }

    @Test
    void answers_and_levels_that_go_to_everybody_are_heard_and_our_own_are_not() throws Exception {
        InetAddress all = InetAddress.getByName("127.255.255.255");
        AtomicInteger news = new AtomicInteger();
        try (ArtNetEar ear =
                        new ArtNetEar(InetAddress.getLoopbackAddress(), 0, Optional.of(all), news::incrementAndGet);
                DatagramSocket node = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0))) {
            InetSocketAddress everybody =
                    new InetSocketAddress(all, ear.socket().getLocalPort());
            byte[] reply = new ArtPollReply("Old", "Old node", 0, List.of(3)).encode(new byte[4]);
            node.send(new DatagramPacket(reply, reply.length, everybody));
            until(() -> ear.nodes().size() == 1);
            assertThat(ear.nodes().get(0).takes()).containsExactly(3);
            assertThat(news.get()).isEqualTo(1);

            byte[] levels = new ArtDmx(1, 3, new byte[] {1, 2}).encode();
            ear.socket().send(new DatagramPacket(levels, levels.length, everybody));
            node.send(new DatagramPacket(levels, levels.length, everybody));
            until(() -> !ear.senders(3).isEmpty());
            Thread.sleep(100);
            assertThat(ear.senders(3)).hasSize(1);
            assertThat(ear.senders(4)).isEmpty();
        }
    }
}
