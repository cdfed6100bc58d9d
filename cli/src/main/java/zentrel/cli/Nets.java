package zentrel.cli;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.cli.Values.Seconds;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Discovery;
import zentrel.net.Guarded;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.PortRequest;
import zentrel.net.UdpPort;
import zentrel.net.real.RealNet;
import zentrel.standin.StandinSite;
import zentrel.text.PlainText;

/** Opens what several tools send and listen by, and says what kept them from it. */
final class Nets {
    private static final int FIND_SECONDS = 4;

    private Nets() {}

    /**
     * This computer with output that is armed. On loopback nothing leaves the computer, so that is always so; any other
     * adapter must be named. Each destination must be one that the system would send to by that adapter.
     *
     * @param to the unicast destinations
     */
    static StandinSite armed(Ipv4Address from, List<Ipv4Address> to, @Nullable String arm) throws Refusal {
        Optional<Ipv4Address> outside = to.stream().filter(a -> !a.isLoopback()).findFirst();
        if (arm == null && !from.isLoopback()) {
            throw new Refusal(from + " is not on loopback; output leaves this computer only with --arm ADAPTER.");
        }
        if (arm == null && outside.isPresent()) {
            throw new Refusal(
                    outside.get() + " is not on loopback; output leaves this computer only with --arm ADAPTER.");
        }
        OutputGuard guard = new OutputGuard(OutputGuard.State.LISTEN);
        StandinSite site = open(from, guard);
        String adapter = site.adapter().name();
        if (arm != null && !arm.equals(adapter)) {
            throw new Refusal("--arm names " + PlainText.shown(arm, 60) + ", but " + from + " is on " + adapter
                    + "; nothing was sent.");
        }
        NetHost host = site.host();
        try (UdpPort port = host.open(PortRequest.at(site.adapter(), 0), p -> {})) {
            for (Ipv4Address each : to) {
                Optional<String> refusal = host.call(() -> port.refusal(each));
                if (refusal.isPresent()) {
                    throw new Refusal(refusal.get() + " Nothing was sent.");
                }
            }
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        guard.arm(adapter);
        return site;
    }

    /**
     * The address of the adapter of a name by which a destination is reached.
     *
     * @throws Refusal where there is none; for loopback any of its names will do
     */
    static Ipv4Address adapterNamed(String name, Ipv4Address to) throws Refusal {
        List<NetAdapter> named = new RealNet()
                .adapters().stream().filter(a -> a.name().equals(name)).toList();
        if (named.isEmpty()) {
            throw new Refusal(
                    "--arm: this computer has no adapter " + PlainText.shown(name, 60) + "; nothing was sent.");
        }
        return named.stream()
                .filter(a -> a.address().sees(to))
                .findFirst()
                .map(a -> a.address().address())
                .orElseThrow(() -> new Refusal(to + " is in no range of " + name + "; nothing was sent."));
    }

    /** This computer with output that is not armed. */
    static StandinSite open(Ipv4Address at, OutputGuard.State state) throws Refusal {
        return open(at, new OutputGuard(state));
    }

    private static StandinSite open(Ipv4Address at, OutputGuard guard) throws Refusal {
        RealNet net = new RealNet();
        try {
            NetAdapter adapter = net.require(at);
            return new StandinSite(new Guarded(net, guard), adapter);
        } catch (IOException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
    }

    /**
     * What kept a port from receiving all, as a refusal: a list that is short because the program was blind is not right.
     *
     * @throws Refusal with the sentence of the port
     */
    static void requireReceived(Optional<String> trouble) throws Refusal {
        if (trouble.isPresent()) {
            throw new Refusal(trouble.get());
        }
    }

    /** Waits for a time, or until the program is ended where none is given. */
    static void waitFor(@Nullable Seconds seconds) {
        try {
            Thread.sleep(seconds == null ? Long.MAX_VALUE : Math.max(1, Math.round(seconds.value() * 1000)));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /**
     * The device at an address, with all its pages.
     *
     * @throws Refusal where none answers polls there in time
     */
    static FoundDevice find(Discovery discovery, Ipv4Address address)
            throws IOException, InterruptedException, Refusal {
        for (int waited = 0; waited < FIND_SECONDS * 10; waited++) {
            Thread.sleep(100);
            Optional<FoundDevice> found = discovery.devices().stream()
                    .filter(d -> d.address().equals(address) && d.answers().contains(zentrel.found.AnsweredBy.ARTPOLL))
                    .findFirst();
            if (found.isPresent()) {
                Thread.sleep(300); // its other pages
                return discovery.devices().stream()
                        .filter(d -> d.address().equals(address))
                        .findFirst()
                        .orElse(found.get());
            }
        }
        throw new Refusal(
                "Nobody at " + address + " answered an Art-Net poll within " + FIND_SECONDS + " s; nothing was set.");
    }
}
