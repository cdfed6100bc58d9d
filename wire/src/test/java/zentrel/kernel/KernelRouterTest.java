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
import zentrel.profile.HostKind;

/**
 * Whether what a computer sends reaches another behind a router or two, against the Linux kernel itself: network namespaces of
 * this test's own in a row, random addresses and masks, the routers told by gateway or route, or not, or wrongly.
 */
class KernelRouterTest {
    private static final int RIGS = 60;
    private static final KernelSpaces SPACES = new KernelSpaces("near", "router", "second", "far");
    private static final HostAddress TO_SECOND = HostAddress.parse("192.168.60.1/24");
    private static final HostAddress TO_FIRST = HostAddress.parse("192.168.60.2/24");

    private static KernelSpaces.Peer sender;
    private static KernelSpaces.Peer ear;

    @BeforeAll
    static void layTheCables() throws IOException, InterruptedException {
        SPACES.make();
        SPACES.cable("near", "a0", "router", "ra");
        SPACES.cable("far", "b0", "router", "rb");
        SPACES.cable("router", "rs", "second", "sr");
        SPACES.cable("far", "b1", "second", "sb");
        SPACES.forward("router");
        SPACES.forward("second");
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

    /** Both ends, and what the first router was told of what is behind a second, where there is one. */
    private record Row(End near, End far, Optional<List<Route>> onward) {}

    private static List<Route> onward(Random random, Subnet far) {
        return switch (random.nextInt(6)) {
            case 0 -> List.of();
            case 1 -> List.of(new Route(far, Optional.of(TO_FIRST.address().plus(7))));
            default -> List.of(new Route(far, Optional.of(TO_FIRST.address())));
        };
    }

    private static void setUp(Row row, SourceCheck check) throws IOException, InterruptedException {
        boolean second = row.onward().isPresent();
        String bare = "";
        for (String adapter : List.of("ra", "rb", "rs")) {
            bare += KernelTrial.bare(adapter);
        }
        SPACES.checkSources("far", check);
        SPACES.ip("near", row.near().batch("a0"));
        SPACES.ip("far", KernelTrial.bare(second ? "b0" : "b1") + row.far().batch(second ? "b1" : "b0"));
        SPACES.ip("second", KernelTrial.bare("sr") + KernelTrial.bare("sb"));
        StringBuilder first =
                new StringBuilder(bare + KernelTrial.fresh("ra", row.near().router()));
        if (second) {
            first.append(KernelTrial.fresh("rs", TO_SECOND));
            for (Route route : row.onward().get()) {
                first.append(
                        "route append " + route.to() + " via " + route.via().orElseThrow() + " dev rs\n");
            }
            SPACES.ip(
                    "second",
                    KernelTrial.fresh("sr", TO_FIRST)
                            + KernelTrial.fresh("sb", row.far().router()));
        } else {
            first.append(KernelTrial.fresh("rb", row.far().router()));
        }
        SPACES.ip("router", first.toString());
        assertThat(ear.say("hear b0 b1")).isTrue();
    }

    @ParameterizedTest(name = "sources checked: {0}")
    @EnumSource(SourceCheck.class)
    void whatARouterLeadsThereIsWhatThePathLetsPass(SourceCheck check) throws IOException, InterruptedException {
        Random random = new Random(43);
        KernelTrial trial = new KernelTrial(sender, ear);
        int byTwo = 0;
        SPACES.checkSources("near", SourceCheck.NONE);
        SPACES.checkSources("router", SourceCheck.NONE);
        SPACES.checkSources("second", SourceCheck.NONE);
        for (int run = 0; run < RIGS; run++) {
            Set<Ipv4Address> taken = new HashSet<>();
            HostAddress a = address(random, taken);
            HostAddress b = address(random, taken);
            Row row = new Row(
                    end(random, a, b.subnet(), taken),
                    end(random, b, a.subnet(), taken),
                    random.nextInt(3) == 0 ? Optional.of(onward(random, b.subnet())) : Optional.empty());
            setUp(row, check);
            boolean arrived = trial.send(sketch(row, check), Delivery.UNICAST, a, b.address(), row.toString());
            byTwo += arrived && row.onward().isPresent() ? 1 : 0;
            if (run % 10 == 0) {
                for (Delivery delivery : List.of(Delivery.BROADCAST, Delivery.LIMITED_BROADCAST, Delivery.MULTICAST)) {
                    trial.send(sketch(row, check), delivery, a, b.address(), row.toString());
                }
            }
        }
        trial.holds(RIGS);
        assertThat(byTwo).as("that arrived over two routers").isGreaterThan(3);
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

    /** The same row as a plan. */
    private static PlanSketch sketch(Row row, SourceCheck check) {
        PlanSketch sketch = new PlanSketch("Routers between")
                .segment("s", "Near", "10.0.0.0/8", false, false)
                .segment("m", "Between", "192.168.60.0/24", false, false)
                .segment("t", "Far", "10.0.0.0/8", false, false);
        KernelTrial.host(
                sketch, "a", HostKind.COMPUTER, SourceCheck.NONE, row.near().adapter("a", "s"));
        KernelTrial.host(sketch, "b", HostKind.COMPUTER, check, row.far().adapter("b", "t"));
        Adapter in = PlanSketch.adapter("r", "n0", "s", row.near().router().toString());
        String far = row.far().router().toString();
        if (row.onward().isEmpty()) {
            router(sketch, "r", in, PlanSketch.adapter("r", "n1", "t", far));
        } else {
            Adapter on = PlanSketch.adapter("r", "n1", "m", TO_SECOND.toString());
            router(sketch, "r", in, on.withRoutes(row.onward().get()));
            router(
                    sketch,
                    "r2",
                    PlanSketch.adapter("r2", "n0", "m", TO_FIRST.toString()),
                    PlanSketch.adapter("r2", "n1", "t", far));
        }
        return sketch;
    }

    private static void router(PlanSketch sketch, String id, Adapter in, Adapter out) {
        KernelTrial.host(sketch, id, HostKind.ROUTER, SourceCheck.NONE, in, out);
    }
}
