package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.Witnesses;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;

/**
 * By which adapter a host sends, against the Linux kernel's own answer: random hosts are set up in a network namespace of this
 * test's own, and {@code ip route get} is asked for random destinations. Nothing is sent.
 */
class KernelRoutesTest {
    private static final String SPACE = "zentrel-" + ProcessHandle.current().pid();
    private static final int ADAPTERS = 3;
    private static final int DESTINATIONS = 12;

    private record Answer(int status, String text) {}

    private static Answer run(String input, String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        process.getOutputStream().write(input.getBytes(StandardCharsets.UTF_8));
        process.getOutputStream().close();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return process.waitFor(20, TimeUnit.SECONDS) ? new Answer(process.exitValue(), text) : new Answer(-1, text);
    }

    @BeforeAll
    static void makeTheSpace() throws IOException, InterruptedException {
        boolean there = java.nio.file.Files.exists(java.nio.file.Path.of("/sys/class/net"));
        Witnesses.need(there, "This is no Linux, so there is no such kernel to ask.");
        Answer made;
        try {
            made = run("", "ip", "netns", "add", SPACE);
        } catch (IOException e) {
            Witnesses.need(false, "The command ip (Debian package iproute2) is missing: " + e.getMessage());
            return;
        }
        Witnesses.need(made.status() == 0, "Network namespaces are not allowed here: " + made.text());
        StringBuilder batch = new StringBuilder("link set lo up\n");
        for (int i = 0; i < ADAPTERS; i++) {
            batch.append("link add e" + i + " type veth peer name p" + i + "\nlink set e" + i + " up\nlink set p" + i
                    + " up\n");
        }
        Answer links = run(batch.toString(), "ip", "-n", SPACE, "-batch", "-");
        Witnesses.need(links.status() == 0, "No pairs of virtual adapters can be made here: " + links.text());
    }

    @AfterAll
    static void removeTheSpace() throws IOException, InterruptedException {
        try {
            run("", "ip", "netns", "del", SPACE);
        } catch (IOException e) {
            assertThat(e).as("without the command ip no namespace was made").hasMessageContaining("ip");
        }
    }

    @ParameterizedTest(name = "host {0}")
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22, 23})
    void theKernelSendsByTheSameAdapter(int seed) throws IOException, InterruptedException {
        Random random = new Random(seed * 7919L + 1);
        Host host = host(random);
        StringBuilder batch = new StringBuilder();
        for (int i = 0; i < ADAPTERS; i++) {
            batch.append("addr flush dev e" + i + "\nroute flush dev e" + i + "\n");
        }
        for (Adapter adapter : host.adapters()) {
            String metric = adapter.metric().map(m -> " metric " + m).orElse("");
            for (AdapterAddress a : adapter.addresses()) {
                batch.append("addr add " + a.inForce() + " dev " + adapter.name() + metric + "\n");
            }
            for (Route route : adapter.routes()) {
                batch.append("route append " + route.to()
                        + route.via().map(v -> " via " + v).orElse("") + " dev " + adapter.name() + metric + "\n");
            }
            adapter.gateway()
                    .ifPresent(g ->
                            batch.append("route append default via " + g + " dev " + adapter.name() + metric + "\n"));
        }
        Answer set = run(batch.toString(), "ip", "-n", SPACE, "-batch", "-");
        assertThat(set.status()).as(set.text() + batch).isZero();
        RouteTable table = RouteTable.of(host);
        for (Ipv4Address destination : destinations(host, random)) {
            Answer answer = run("", "ip", "-n", SPACE, "-4", "route", "get", destination.toString());
            Optional<RouteTable.Way> way = table.to(destination);
            String what = destination + " from " + batch + "kernel: " + answer.text();
            if (answer.status() != 0) {
                assertThat(way).as(what).isEmpty();
                continue;
            }
            Matcher by = Pattern.compile(" dev (\\S+) .*src (\\S+)").matcher(answer.text());
            assertThat(by.find()).as(what).isTrue();
            assertThat(way).as(what).isPresent();
            assertThat(way.get().by().name()).as(what).isEqualTo(by.group(1));
            Matcher via = Pattern.compile(" via (\\S+)").matcher(answer.text());
            assertThat(way.get().via().map(Ipv4Address::toString).orElse("none"))
                    .as(what)
                    .isEqualTo(via.find() ? via.group(1) : "none");
            if (way.get().via().isEmpty()) {
                assertThat(way.get().source().address()).as(what).hasToString(by.group(2));
            }
        }
    }

    /** One to three adapters in a few neighbouring ranges, so that subnets nest, overlap and are shared. */
    private static Host host(Random random) {
        List<Adapter> adapters = new ArrayList<>();
        int count = 1 + random.nextInt(ADAPTERS);
        Set<Ipv4Address> taken = new LinkedHashSet<>();
        Set<Subnet> near = new LinkedHashSet<>();
        for (int i = 0; i < count; i++) {
            HostAddress address;
            do {
                int length = List.of(8, 16, 23, 24, 30).get(random.nextInt(5));
                address = new HostAddress(
                        Ipv4Address.of(10, random.nextInt(2), random.nextInt(3), 1 + random.nextInt(250)), length);
            } while (SpecialAddresses.notOnANetwork(address).isPresent()
                    || !taken.add(address.address())
                    || !near.add(address.subnet())); // two equal ways of one metric have an order of their own below
            List<Route> routes = new ArrayList<>();
            Ipv4Address neighbour = neighbour(address, random);
            if (random.nextBoolean()) {
                routes.add(new Route(
                        Subnet.parse("172.16." + (16 * i) + ".0/" + (20 + random.nextInt(3))), Optional.of(neighbour)));
            }
            adapters.add(new Adapter(
                    Kind.ADAPTER.id("e" + i),
                    "e" + i,
                    AdapterKind.WIRED,
                    Optional.empty(),
                    Setting.of(true),
                    true,
                    List.of(new AdapterAddress(Setting.of(address), AddressOrigin.MANUAL)),
                    random.nextInt(3) == 0 ? Optional.of(neighbour) : Optional.empty(),
                    Optional.empty(),
                    routes,
                    random.nextBoolean() ? Optional.of(100 + 10 * i) : Optional.empty(),
                    Optional.empty(),
                    false,
                    Plug.USUAL));
        }
        return new Host(
                Kind.HOST.id("h"),
                "Host",
                HostKind.COMPUTER,
                "",
                OperatingSystem.LINUX,
                Optional.empty(),
                adapters,
                Firewall.OPEN,
                SourceCheck.NONE);
    }

    private static Ipv4Address neighbour(HostAddress address, Random random) {
        Subnet subnet = address.subnet();
        Ipv4Address chosen;
        do {
            chosen = subnet.firstHost().plus(random.nextInt((int) Math.min(200, subnet.hostCount())));
        } while (chosen.equals(address.address()));
        return chosen;
    }

    /** Neighbours, the edges of subnets, far networks and the internet; not what the host has itself. */
    private static List<Ipv4Address> destinations(Host host, Random random) {
        List<Ipv4Address> all = new ArrayList<>();
        for (Adapter adapter : host.adapters()) {
            all.add(neighbour(adapter.addresses().get(0).inForce(), random));
            adapter.routes().forEach(r -> all.add(r.to().firstHost()));
        }
        while (all.size() < DESTINATIONS) {
            all.add(
                    random.nextInt(4) == 0
                            ? Ipv4Address.of(172, 16, random.nextInt(64), 7)
                            : Ipv4Address.of(10, random.nextInt(3), random.nextInt(4), 1 + random.nextInt(254)));
        }
        all.add(Ipv4Address.of(198, 51, 100, 9));
        RouteTable table = RouteTable.of(host);
        all.removeIf(a -> table.isOwn(a)
                || host.adapters().stream()
                        .flatMap(x -> x.addresses().stream())
                        .anyMatch(x -> x.inForce().broadcast().equals(a)
                                || x.inForce().subnet().network().equals(a)));
        return all;
    }
}
