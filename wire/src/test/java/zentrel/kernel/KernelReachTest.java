package zentrel.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.Witnesses;
import zentrel.demo.PlanSketch;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.plan.*;
import zentrel.profile.HostKind;

/**
 * Whether what one computer sends reaches another, against the Linux kernel itself: random pairs of computers with one or two
 * cables between them, in two network namespaces of this test's own, with source checks off, loose and strict (rp_filter 0, 2
 * and 1), sending unicast, directed and limited broadcast and to a group. The path says it passes exactly where the packet arrives.
 */
class KernelReachTest {
    private static final int CABLES = 2;
    private static final int RIGS = 40;

    private static final KernelSpaces SPACES = new KernelSpaces("a", "b");

    private static KernelSpaces.Peer sender;
    private static KernelSpaces.Peer ear;

    @BeforeAll
    static void layTheCables() throws IOException, InterruptedException {
        SPACES.make();
        for (int i = 0; i < CABLES; i++) {
            SPACES.cable("a", "a" + i, "b", "b" + i);
        }
        sender = SPACES.peer("a");
        ear = SPACES.peer("b");
        Witnesses.need(ear.say("hear"), "No program can be run in a namespace here.");
    }

    @AfterAll
    static void removeTheSpaces() throws IOException, InterruptedException {
        SPACES.remove();
    }

    private record Rig(
            List<HostAddress> a, List<HostAddress> b, Optional<Ipv4Address> gatewayA, Optional<Ipv4Address> gatewayB) {}

    @ParameterizedTest(name = "sources checked: {0}")
    @EnumSource(SourceCheck.class)
    void whatTheKernelDeliversIsWhatThePathLetsPass(SourceCheck check) throws IOException, InterruptedException {
        Random random = new Random(41);
        KernelTrial trial = new KernelTrial(sender, ear);
        for (int run = 0; run < RIGS; run++) {
            Rig rig = rig(random);
            setUp(rig, check);
            for (Delivery delivery : KernelTrial.DELIVERIES) {
                int to = delivery == Delivery.UNICAST ? random.nextInt(rig.b().size()) : 0;
                trial.send(
                        sketch(rig, check),
                        delivery,
                        rig.a().get(0),
                        rig.b().get(to).address(),
                        rig.toString());
            }
        }
        trial.holds(RIGS * 3);
    }

    /** One or two cables, addresses in a few neighbouring ranges with masks that nest and differ. */
    private static Rig rig(Random random) {
        Set<Ipv4Address> taken = new HashSet<>();
        int cables = 1 + random.nextInt(CABLES);
        List<HostAddress> a = new ArrayList<>();
        List<HostAddress> b = new ArrayList<>();
        for (int i = 0; i < cables; i++) {
            a.add(address(random, taken, a));
            b.add(address(random, taken, b));
        }
        return new Rig(a, b, gateway(random, a.get(0), taken), gateway(random, b.get(0), taken));
    }

    private static Optional<Ipv4Address> gateway(Random random, HostAddress own, Set<Ipv4Address> taken) {
        if (random.nextInt(4) > 0) {
            return Optional.empty();
        }
        Ipv4Address router = own.subnet().firstHost().plus(200);
        return own.sees(router) && taken.add(router) ? Optional.of(router) : Optional.empty();
    }

    private static HostAddress address(Random random, Set<Ipv4Address> taken, List<HostAddress> own) {
        while (true) {
            int length = List.of(8, 16, 16, 24).get(random.nextInt(4));
            HostAddress address = new HostAddress(
                    Ipv4Address.of(10, random.nextInt(2), random.nextInt(2), 1 + random.nextInt(100)), length);
            boolean sameTwice = own.stream().anyMatch(o -> o.subnet().equals(address.subnet()));
            if (SpecialAddresses.notOnANetwork(address).isEmpty() && !sameTwice && taken.add(address.address())) {
                return address; // one computer with two adapters in one subnet has a rule of its own
            }
        }
    }

    private static void setUp(Rig rig, SourceCheck check) throws IOException, InterruptedException {
        SPACES.checkSources("b", check);
        SPACES.ip("a", batch("a", rig.a(), rig.gatewayA()));
        SPACES.ip("b", batch("b", rig.b(), rig.gatewayB()));
        assertThat(ear.say("hear b0 b1")).isTrue();
    }

    private static String batch(String end, List<HostAddress> addresses, Optional<Ipv4Address> gateway) {
        StringBuilder batch = new StringBuilder();
        for (int i = 0; i < CABLES; i++) {
            batch.append(
                    i < addresses.size() ? KernelTrial.fresh(end + i, addresses.get(i)) : KernelTrial.bare(end + i));
        }
        gateway.ifPresent(g -> batch.append("route append default via " + g + " dev " + end + "0\n"));
        return batch.toString();
    }

    /** The same two computers as a plan. */
    private static PlanSketch sketch(Rig rig, SourceCheck check) {
        PlanSketch sketch = new PlanSketch("Two computers");
        for (int i = 0; i < CABLES; i++) {
            sketch.segment("s" + i, "Segment " + i, "10.0.0.0/8", false, false);
        }
        KernelTrial.host(sketch, "a", HostKind.COMPUTER, SourceCheck.NONE, adapters("a", rig.a(), rig.gatewayA()));
        KernelTrial.host(sketch, "b", HostKind.COMPUTER, check, adapters("b", rig.b(), rig.gatewayB()));
        return sketch;
    }

    private static Adapter[] adapters(String host, List<HostAddress> addresses, Optional<Ipv4Address> gateway) {
        List<Adapter> adapters = new ArrayList<>();
        for (int i = 0; i < addresses.size(); i++) {
            Adapter adapter =
                    PlanSketch.adapter(host, "n" + i, "s" + i, addresses.get(i).toString());
            adapters.add(i == 0 ? adapter.withGateway(gateway) : adapter);
        }
        return adapters.toArray(Adapter[]::new);
    }
}
