package zentrel.net;

import java.io.IOException;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import org.awaitility.Awaitility;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.real.RealNet;
import zentrel.net.sim.HostTraits;
import zentrel.net.sim.SimHost;
import zentrel.net.sim.SimNet;
import zentrel.net.sim.SimSwitch;
import zentrel.net.sim.SwitchTraits;
import zentrel.standin.StandinSite;

/** A net to try things on: the real one on loopback, or a simulated one with a computer for each address. */
public abstract class TriedNet implements AutoCloseable {
    /** Which. */
    public enum Kind {
        REAL,
        SIMULATED;

        public TriedNet open() {
            return this == REAL ? new Real() : new Simulated();
        }
    }

    /** An address by its last three numbers: on loopback 127, simulated 10. */
    public abstract Ipv4Address at(String lastThree);

    /** A program at an address. */
    public abstract StandinSite site(String lastThree, OutputGuard guard) throws IOException;

    /** Waits, or lets time pass, until something is so; fails where it is not. */
    public abstract void until(Duration most, Callable<Boolean> isSo);

    /** The adapter for which output is armed. */
    public abstract String adapter() throws IOException;

    public StandinSite armed(String at) throws IOException {
        return site(at, OutputGuard.armed(adapter()));
    }

    public StandinSite asking(String at) throws IOException {
        return site(at, new OutputGuard(OutputGuard.State.ASK));
    }

    /** A port that only sends. */
    public UdpPort sending(String at) throws IOException {
        return open(armed(at), 0, p -> {});
    }

    public static UdpPort open(StandinSite site, int port, Consumer<Packet> received) throws IOException {
        return site.host()
                .call(() ->
                        site.host().open(PortRequest.at(site.adapter(), port).withBroadcasts(), received));
    }

    public void until(Callable<Boolean> isSo) {
        until(Duration.ofSeconds(15), isSo);
    }

    @Override
    public abstract void close();

    private static final class Real extends TriedNet {
        private final RealNet net = new RealNet();

        @Override
        public Ipv4Address at(String lastThree) {
            return Ipv4Address.parse("127." + lastThree);
        }

        @Override
        public StandinSite site(String lastThree, OutputGuard guard) throws IOException {
            return new StandinSite(new Guarded(net, guard), net.require(at(lastThree)));
        }

        @Override
        public void until(Duration most, Callable<Boolean> isSo) {
            Awaitility.await().atMost(most).pollInterval(Duration.ofMillis(5)).until(isSo);
        }

        @Override
        public String adapter() throws IOException {
            return RealNet.loopbackName();
        }

        @Override
        public void close() {
            net.close();
        }
    }

    private static final class Simulated extends TriedNet {
        private final SimNet net = new SimNet(7);
        private final SimSwitch joint = net.addSwitch("switch", SwitchTraits.PLAIN);
        private final Map<Ipv4Address, SimHost> hosts = new HashMap<>();

        @Override
        public Ipv4Address at(String lastThree) {
            return Ipv4Address.parse("10." + lastThree);
        }

        @Override
        public StandinSite site(String lastThree, OutputGuard guard) {
            Ipv4Address at = at(lastThree);
            SimHost host = hosts.computeIfAbsent(at, a -> {
                SimHost made = net.addHost(a.toString(), HostTraits.LINUX);
                HostAddress own = new HostAddress(at, 8);
                net.cable(
                        a + " cable",
                        made.addAdapter(a + " net", "net", false).with(own),
                        joint.socket(a + "", 0, false),
                        true);
                return made;
            });
            NetHost program = new Guarded(host.program(at + " program"), guard);
            return new StandinSite(program, program.adapterAt(at).orElseThrow(() -> new AssertionError(at)));
        }

        @Override
        public void until(Duration most, Callable<Boolean> isSo) {
            boolean is = net.await(most.toNanos(), () -> {
                try {
                    return isSo.call();
                } catch (Exception e) {
                    throw new AssertionError(e);
                }
            });
            if (!is) {
                throw new AssertionError("It did not come about within " + most + " of simulated time.");
            }
        }

        @Override
        public String adapter() {
            return "net";
        }

        @Override
        public void close() {
            net.stop();
        }
    }
}
