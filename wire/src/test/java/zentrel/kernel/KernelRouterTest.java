package zentrel.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.demo.PlanSketch;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/**
 * Whether what a computer sends reaches another behind a router, against the Linux kernel itself: three network namespaces of this
 * test's own in a row, random addresses and masks, the router told to either by gateway or route, or not, or wrongly.
 */
class KernelRouterTest {
    private static final int RIGS = 60;
    private static final KernelSpaces SPACES = new KernelSpaces("near", "router", "far");

    private static KernelSpaces.Peer sender;
    private static KernelSpaces.Peer ear;

    @BeforeAll
    static void layTheCables() throws IOException, InterruptedException {
        SPACES.make();
        SPACES.cable("near", "a0", "router", "ra");
        SPACES.cable("far", "b0", "router", "rb");
        SPACES.forward("router");
        sender = SPACES.peer("near");
        ear = SPACES.peer("far");
    }

    @AfterAll
    static void removeTheSpaces() throws IOException, InterruptedException {
        SPACES.remove();
    }

    private record End(HostAddress own, HostAddress router, Optional<Ipv4Address> gateway, List<Route> routes) {
        Adapter adapter(String host, String segment) {
            return PlanSketch.adapter(host, "n0", segment, own.toString())
                    .withGateway(gateway)
                    .withRoutes(routes);
        }

        String batch(String adapter) {
            StringBuilder batch = new StringBuilder(KernelTrial.fresh(adapter, own));
            gateway.ifPresent(g -> batch.append("route append default via " + g + " dev " + adapter + "\n"));
            for (Route route : routes) {
                batch.append(
                        "route append " + route.to() + " via " + route.via().orElseThrow() + " dev " + adapter + "\n");
            }
            return batch.toString();
        }
    }

    @ParameterizedTest(name = "sources checked: {0}")
    @EnumSource(SourceCheck.class)
    void whatARouterLeadsThereIsWhatThePathLetsPass(SourceCheck check) throws IOException, InterruptedException {
        Random random = new Random(43);
        KernelTrial trial = new KernelTrial(sender, ear);
        SPACES.checkSources("near", SourceCheck.NONE);
        SPACES.checkSources("router", SourceCheck.NONE);
        for (int run = 0; run < RIGS; run++) {
            Set<Ipv4Address> taken = new HashSet<>();
            HostAddress a = address(random, taken);
            HostAddress b = address(random, taken);
            End near = end(random, a, b.subnet(), taken);
            End far = end(random, b, a.subnet(), taken);
            SPACES.checkSources("far", check);
            SPACES.ip("near", near.batch("a0"));
            SPACES.ip("far", far.batch("b0"));
            SPACES.ip("router", KernelTrial.fresh("ra", near.router()) + KernelTrial.fresh("rb", far.router()));
            assertThat(ear.say("hear b0")).isTrue();
            trial.send(sketch(near, far, check), Delivery.UNICAST, a, b.address(), near + " to " + far);
            if (run % 10 == 0) {
                for (Delivery delivery : List.of(Delivery.BROADCAST, Delivery.LIMITED_BROADCAST, Delivery.MULTICAST)) {
                    trial.send(sketch(near, far, check), delivery, a, b.address(), near + " to " + far);
                }
            }
        }
        trial.holds(RIGS);
    }

    /** An end of the row: the router mostly where its masks want it, and mostly told. */
    private static End end(Random random, HostAddress own, Subnet wanted, Set<Ipv4Address> taken) {
        HostAddress router = random.nextInt(8) > 0 ? beside(random, own, taken) : address(random, taken);
        boolean reached = own.sees(router.address());
        Ipv4Address stranger = own.subnet().firstHost().plus(220);
        return switch (random.nextInt(5)) {
            case 0 -> new End(own, router, Optional.empty(), List.of());
            case 1 -> new End(own, router, Optional.of(stranger), List.of());
            case 2 ->
                new End(
                        own,
                        router,
                        Optional.empty(),
                        reached && !wanted.overlaps(own.subnet())
                                ? List.of(new Route(wanted, Optional.of(router.address())))
                                : List.of());
            default -> new End(own, router, reached ? Optional.of(router.address()) : Optional.empty(), List.of());
        };
    }

    /** A neighbour with the same mask. */
    private static HostAddress beside(Random random, HostAddress own, Set<Ipv4Address> taken) {
        while (true) {
            HostAddress address =
                    new HostAddress(own.subnet().firstHost().plus(random.nextInt(200)), own.prefixLength());
            if (taken.add(address.address())) {
                return address;
            }
        }
    }

    private static HostAddress address(Random random, Set<Ipv4Address> taken) {
        while (true) {
            int length = List.of(8, 16, 24, 24, 24, 24).get(random.nextInt(6));
            HostAddress address = new HostAddress(
                    Ipv4Address.of(10, random.nextInt(3), random.nextInt(4), 1 + random.nextInt(100)), length);
            if (SpecialAddresses.notOnANetwork(address).isEmpty() && taken.add(address.address())) {
                return address;
            }
        }
    }

    /** The same three as a plan. */
    private static PlanSketch sketch(End near, End far, SourceCheck check) {
        PlanSketch sketch = new PlanSketch("A router between")
                .segment("s", "Near", "10.0.0.0/8", false, false)
                .segment("t", "Far", "10.0.0.0/8", false, false);
        KernelTrial.host(sketch, "a", HostKind.COMPUTER, SourceCheck.NONE, near.adapter("a", "s"));
        KernelTrial.host(sketch, "b", HostKind.COMPUTER, check, far.adapter("b", "t"));
        KernelTrial.host(
                sketch,
                "r",
                HostKind.ROUTER,
                SourceCheck.NONE,
                PlanSketch.adapter("r", "n0", "s", near.router().toString()),
                PlanSketch.adapter("r", "n1", "t", far.router().toString()));
        return sketch;
    }
}
