package zentrel.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zentrel.demo.PlanSketch;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/**
 * What the path says of a packet from host {@code a} to host {@code b} of a plan beside what the kernel does with it. The path must
 * say that it passes exactly where the packet arrives.
 */
final class KernelTrial {
    static final List<Delivery> DELIVERIES =
            List.of(Delivery.UNICAST, Delivery.BROADCAST, Delivery.LIMITED_BROADCAST, Delivery.MULTICAST);

    /** How long a packet may take that is said to arrive, and how long is waited for one that is said not to. */
    private static final long ARRIVES_MILLIS = 3000;

    private static final long MISSES_MILLIS = 120;

    private final KernelSpaces.Peer sender;
    private final KernelSpaces.Peer ear;
    private final List<String> wrong = new ArrayList<>();
    private int judged;
    private int passed;

    KernelTrial(KernelSpaces.Peer sender, KernelSpaces.Peer ear) {
        this.sender = sender;
        this.ear = ear;
    }

    /**
     * Judges one packet and sends it.
     *
     * @param hosts a sketch of its own for this packet, in which {@code a} sends by its adapter {@code a.n0}
     * @param rig the same in words, for what is wrong
     * @return whether it arrived
     */
    boolean send(PlanSketch hosts, Delivery delivery, HostAddress from, Ipv4Address to, String rig)
            throws InterruptedException {
        SignalPath path = path(hosts, delivery, to);
        if (path.verdict() == Verdict.AT_RISK || path.verdict() == Verdict.NOT_KNOWN) {
            return false; // it does not say that it arrives, nor that it does not
        }
        boolean says = path.verdict() == Verdict.PASSES;
        String id = "packet" + judged + delivery.word();
        String destination = destination(delivery, from, to);
        boolean sent = sender.say("send " + id + " " + from.address() + " " + destination);
        boolean arrives = sent && ear.hears(id, says ? ARRIVES_MILLIS : MISSES_MILLIS);
        judged++;
        passed += arrives ? 1 : 0;
        if (says != arrives) {
            wrong.add(delivery + " to " + destination + " in " + rig + (sent ? "" : ", not sent") + ": "
                    + (says
                            ? "should arrive"
                            : "arrived, though "
                                    + path.decisive().map(Object::toString).orElse("")));
        }
        return arrives;
    }

    /**
     * Fails where path and kernel differed once.
     *
     * @param least how many packets must have been judged; a fifth of them at least must have arrived, and a fifth not
     */
    void holds(int least) {
        assertThat(wrong).isEmpty();
        assertThat(judged).isGreaterThan(least);
        assertThat(passed).as("of " + judged).isBetween(judged / 5, judged * 4 / 5);
    }

    private static String destination(Delivery delivery, HostAddress from, Ipv4Address to) {
        return switch (delivery) {
            case UNICAST, FOUND -> to.toString();
            case BROADCAST -> from.broadcast().toString();
            case LIMITED_BROADCAST -> "255.255.255.255";
            case MULTICAST -> KernelPeer.GROUP;
            case DIRECT -> throw new IllegalArgumentException("What leaves directly is no packet.");
        };
    }

    /** The path of one universe from one host to the other. */
    private static SignalPath path(PlanSketch sketch, Delivery delivery, Ipv4Address to) {
        Protocol protocol = delivery == Delivery.MULTICAST ? Protocol.SACN : Protocol.ARTNET;
        sketch.application("tx", "Sender", "a", ApplicationKind.CONSOLE, "", Map.of(Purpose.sending(protocol), "a.n0"));
        sketch.application("rx", "Receiver", "b", ApplicationKind.NODE, "", Map.of())
                .with(a -> a.withBinding(Purpose.listening(protocol), Setting.of(Binding.ALL)));
        sketch.universe("u", "One", 1);
        sketch.stream("s", "tx", "u", protocol, delivery, 100, false);
        sketch.receiver(
                "r",
                "Receiver",
                "rx",
                Set.of(protocol),
                List.of(PlanSketch.port("p", "Port", PortKind.DMX, protocol, 1, "u")));
        Plan plan = sketch.plan();
        if (delivery == Delivery.UNICAST) {
            plan = plan.with(Kind.STREAM.id("s"), s -> s.withDelivery(delivery, List.of(to)));
        }
        return new SignalPaths(plan).ofUniverse(Kind.UNIVERSE.id("u")).paths().get(0);
    }

    /** A computer with Linux, or a router. */
    static void host(PlanSketch sketch, String id, HostKind kind, SourceCheck check, Adapter... adapters) {
        sketch.host(id, id, kind, "", OperatingSystem.LINUX, "none", adapters).withHost(h -> h.withSourceCheck(check));
    }

    /** For the command {@code ip}: an adapter as if it had just been made, with one address. */
    static String fresh(String adapter, HostAddress address) {
        return bare(adapter) + "addr add " + address + " broadcast " + address.broadcast() + " dev " + adapter + "\n";
    }

    static String bare(String adapter) {
        return "addr flush dev " + adapter + "\nroute flush dev " + adapter + "\nneigh flush dev " + adapter + "\n";
    }
}
