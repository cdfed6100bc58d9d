package zentrel.address;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;

/** What is typed where an address, a route or a range stands, and what is said of what will not do. */
class TypedWordsTest {
    private static final Id<Adapter> NODE = Kind.ADAPTER.id("node-a.net");
    private static final Plan PIER = TestPlans.pier();

    private static Adapter after(String typed) {
        return AddressWord.of(PIER, NODE, 0, typed)
                .orElseThrow()
                .applyTo(PIER)
                .index()
                .adapter(NODE);
    }

    @ParameterizedTest(name = "{0}: {1} {2}")
    @CsvSource({
        "dhcp, 10.77.20.3/16, DHCP",
        "DHCP, 10.77.20.3/16, DHCP",
        "' dhcp ', 10.77.20.3/16, DHCP",
        "'+ 10.77.20.9', 10.77.20.3/16, MANUAL",
        "'+10.77.20.9/24', 10.77.20.3/16, MANUAL"
    })
    void aWord(String typed, String first, AddressOrigin origin) {
        Adapter adapter = after(typed);
        assertThat(adapter.addresses().get(0).inForce()).hasToString(first);
        assertThat(adapter.addresses().get(0).origin()).isEqualTo(origin);
        if (typed.strip().startsWith("+")) {
            assertThat(adapter.addresses()).hasSize(2);
            assertThat(adapter.addresses().get(1).inForce())
                    .isEqualTo(HostAddress.parse(typed.contains("/") ? "10.77.20.9/24" : "10.77.20.9/16"));
        }
    }

    /** Within 169.254.1.0 to 169.254.254.255 (RFC 3927, section 2.1), the same for one adapter every time. */
    @Test
    void selfIsWithinItsRange() {
        java.util.Set<zentrel.ipv4.Ipv4Address> taken = new java.util.HashSet<>();
        for (int i = 0; i < 500; i++) {
            String mac = String.format("02:00:00:00:%02x:%02x", i / 256, i % 256);
            Plan plan = PIER.with(NODE, a -> a.withMac(java.util.Optional.of(mac)));
            HostAddress self = AddressWord.of(plan, NODE, 0, "self")
                    .orElseThrow()
                    .applyTo(plan)
                    .index()
                    .adapter(NODE)
                    .addresses()
                    .get(0)
                    .inForce();
            assertThat(self.prefixLength()).isEqualTo(16);
            assertThat(self.address())
                    .isBetween(
                            zentrel.ipv4.Ipv4Address.parse("169.254.1.0"),
                            zentrel.ipv4.Ipv4Address.parse("169.254.254.255"));
            taken.add(self.address());
            // the same after everything else about the plan changed, and another for another hardware address
            Plan renamed = plan.withName("Other")
                    .with(
                            Kind.HOST,
                            plan.hosts().stream()
                                    .map(h -> h.withName(h.name() + " 2"))
                                    .toList());
            assertThat(AddressWord.of(renamed, NODE, 0, "self")
                            .orElseThrow()
                            .applyTo(renamed)
                            .index()
                            .adapter(NODE)
                            .addresses()
                            .get(0)
                            .inForce())
                    .isEqualTo(self);
        }
        assertThat(taken).as("of 500 hardware addresses").hasSizeGreaterThan(480);
    }

    @Test
    void noneTakesItAway() {
        assertThat(after("none").addresses()).isEmpty();
        assertThat(AddressWord.of(PIER, NODE, 0, "10.77.20.8/16"))
                .as("an address is no word")
                .isEmpty();
        assertThat(AddressWord.of(PIER, NODE, 0, "")).isEmpty();
        assertThatThrownBy(() -> AddressWord.of(PIER, NODE, 0, "factory"))
                .hasMessage(
                        "It is not specified what the Net adapter of Node A has when new; its profile would say, or its"
                                + " hardware address.");
        assertThatThrownBy(() -> AddressWord.of(PIER, NODE, 0, "+ 10.77.20.300"))
                .hasMessageContaining("300");
    }

    @ParameterizedTest(name = "routes \"{0}\"")
    @CsvSource(
            delimiter = '|',
            value = {
                "10.90.0.0/16 by 10.41.0.9 | 10.90.0.0/16 by 10.41.0.9",
                "10.90.0.0/16 via 10.41.0.9 | 10.90.0.0/16 by 10.41.0.9",
                "10.90.0.0/16 | 10.90.0.0/16",
                "10.90.0.0/16 by 10.41.0.9, 10.91.0.0/16 | 10.90.0.0/16 by 10.41.0.9, 10.91.0.0/16",
                "'  10.90.0.0/255.255.0.0   by   10.41.0.9 ,, ' | 10.90.0.0/16 by 10.41.0.9",
                "'' | ''"
            })
    void routes(String typed, String read) {
        List<Route> routes = Route.parse(typed);
        assertThat(String.join(", ", routes.stream().map(Route::text).toList())).isEqualTo(read);
        assertThat(Route.parse(read)).isEqualTo(routes);
    }

    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "10.90.0.0/16 by 10.41.0.9 by 10.41.0.8",
                "10.90.0.0/33",
                "10.90.0.0/16 by moon",
                "10.90.0/16",
                "moon",
                "10.90.0.0/16 by 10.41.0.9, moon"
            })
    void whatIsNoRouteIsSaid(String typed) {
        assertThatThrownBy(() -> Route.parse(typed))
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .endsWith(".")
                .doesNotContain("null");
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "1-64 | 1–64",
                "1 to 64, 100 | 1–64, 100",
                "7 | 7",
                "1–3,5-6 | 1–3, 5–6",
                "' 4 - 9 ' | 4–9",
                "0-32767 | 0–32767"
            })
    void ranges(String typed, String read) {
        List<NumberRange> ranges = NumberRange.parse(typed);
        assertThat(String.join(", ", ranges.stream().map(NumberRange::toString).toList()))
                .isEqualTo(read);
        assertThat(NumberRange.parse(read)).isEqualTo(ranges);
    }

    /** One more number in a list of ranges: it is in then, and no other is. */
    @ParameterizedTest
    @ValueSource(strings = {"1-4", "1-4, 6-9", "6-9", "2, 4, 6, 8", "10-12"})
    void oneMore(String typed) {
        List<NumberRange> ranges = NumberRange.parse(typed);
        for (int more = 0; more < 15; more++) {
            List<NumberRange> with = NumberRange.with(ranges, more);
            int added = more;
            IntStream.range(0, 20)
                    .forEach(n -> assertThat(with.stream().anyMatch(r -> r.contains(n)))
                            .isEqualTo(n == added || ranges.stream().anyMatch(r -> r.contains(n))));
            assertThat(with.size()).isLessThanOrEqualTo(ranges.size() + 1);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"4-1", "a", "1-", "-4", "1..4", "1;4", "1234567"})
    void whatIsNoRangeIsSaid(String typed) {
        assertThatThrownBy(() -> NumberRange.parse(typed))
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .endsWith(".");
    }
}
