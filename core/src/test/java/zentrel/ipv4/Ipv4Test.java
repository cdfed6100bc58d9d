package zentrel.ipv4;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class Ipv4Test {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "10.1",
                "1.2.3",
                "1.2.3.4.5",
                "256.1.1.1",
                "1.2.3.256",
                "010.1.1.1",
                "1.2.3.04",
                " 1.2.3.4",
                "1.2.3.4 ",
                "1.2.3.4\n",
                "1,2,3,4",
                "a.b.c.d",
                "1..2.3",
                "-1.2.3.4",
                "1.2.3.4/8",
                "٣.1.1.1",
                "0x1.2.3.4",
                "1.2.3.1000"
            })
    void whatIsNoAddressIsRefusedWithASentence(String text) {
        assertThatThrownBy(() -> Ipv4Address.parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageMatching("(?s).{15,}\\.");
    }

    @Test
    void everyAddressReadsBackAsWritten() {
        Random random = new Random(41);
        for (int i = 0; i < 2000; i++) {
            Ipv4Address address = new Ipv4Address(random.nextInt());
            assertThat(Ipv4Address.parse(address.toString())).isEqualTo(address);
        }
    }

    /** RFC 4632 §3.1 gives the relation of masks and lengths; the rows are worked by hand from it. */
    @ParameterizedTest
    @CsvSource({
        "10.41.1.1/16, 255.255.0.0, 10.41.0.0, 10.41.255.255, 65534",
        "10.41.1.1/255.255.0.0, 255.255.0.0, 10.41.0.0, 10.41.255.255, 65534",
        "2.9.4.0/8, 255.0.0.0, 2.0.0.0, 2.255.255.255, 16777214",
        "192.0.2.129/25, 255.255.255.128, 192.0.2.128, 192.0.2.255, 126",
        "172.19.4.10/22, 255.255.252.0, 172.19.4.0, 172.19.7.255, 1022",
        "198.51.100.6/30, 255.255.255.252, 198.51.100.4, 198.51.100.7, 2",
        "198.51.100.6/31, 255.255.255.254, 198.51.100.6, 198.51.100.7, 2",
        "198.51.100.6/32, 255.255.255.255, 198.51.100.6, 198.51.100.6, 1",
        "203.0.113.9/0, 0.0.0.0, 0.0.0.0, 255.255.255.255, 4294967294"
    })
    void networkBroadcastAndHosts(String text, String mask, String network, String last, long hosts) {
        HostAddress address = HostAddress.parse(text);
        assertThat(address.mask()).hasToString(mask);
        assertThat(address.subnet().network()).hasToString(network);
        assertThat(address.broadcast()).hasToString(last);
        assertThat(address.subnet().hostCount()).isEqualTo(hosts);
        assertThat(address.sees(address.broadcast())).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "10.1.1.1",
                "10.1.1.1/",
                "10.1.1.1/33",
                "10.1.1.1/08",
                "10.1.1.1/255.0.255.0",
                "10.1.1.1/2.55.0.0",
                "10.1.1.1/x"
            })
    void aMaskThatIsNoneIsRefused(String text) {
        assertThatThrownBy(() -> HostAddress.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aSubnetWithHostBitsNamesTheOneThatIsMeant() {
        assertThatThrownBy(() -> Subnet.parse("10.41.3.0/16")).hasMessageContaining("10.41.0.0/16");
    }

    /** RFC 1122 §3.2.1.3, RFC 1112, RFC 919, RFC 3021. */
    @ParameterizedTest
    @CsvSource({
        "0.1.2.3/8, false", "255.255.255.255/32, false", "224.0.0.5/24, false", "239.255.0.1/16, false",
                "240.1.1.1/8, false",
        "10.41.0.0/16, false", "10.41.255.255/16, false", "10.41.0.255/16, true", "10.41.1.0/16, true",
                "2.0.4.255/8, true",
        "198.51.100.6/31, true", "198.51.100.7/31, true", "198.51.100.7/32, true", "169.254.1.0/16, true",
                "192.0.2.128/25, false"
    })
    void whatNoHostMayHave(String text, boolean host) {
        assertThat(SpecialAddresses.notAHost(HostAddress.parse(text)).isEmpty()).isEqualTo(host);
    }

    @Test
    void aFreeAddressIsFreeAndAHostAndInTheSubnet() {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            Subnet subnet = new HostAddress(
                            new Ipv4Address((random.nextInt() & 0x7FFFFFFF) | 0x0A000000), 20 + random.nextInt(13))
                    .subnet();
            Set<Ipv4Address> used = new HashSet<>();
            for (int j = 0; j < random.nextInt(40); j++) {
                used.add(subnet.network().plus(random.nextInt(Math.max(1, (int) Math.min(subnet.hostCount(), 60)))));
            }
            Optional<Ipv4Address> free = FreeAddress.after(subnet.network(), subnet, used);
            free.ifPresent(f -> {
                assertThat(used).doesNotContain(f);
                assertThat(subnet.contains(f)).isTrue();
                assertThat(SpecialAddresses.notAHost(new HostAddress(f, subnet.prefixLength())))
                        .isEmpty();
            });
        }
        assertThat(FreeAddress.after(
                        Ipv4Address.parse("198.51.100.4"),
                        Subnet.parse("198.51.100.4/30"),
                        Set.of(Ipv4Address.parse("198.51.100.5"), Ipv4Address.parse("198.51.100.6"))))
                .as("a full subnet has none")
                .isEmpty();
        // RFC 3927 §2.1: 169.254.1.0 to 169.254.254.255
        Subnet linkLocal = Subnet.parse("169.254.0.0/16");
        for (String near : List.of("169.254.0.0", "169.254.0.77", "169.254.254.255", "169.254.255.9")) {
            assertThat(FreeAddress.after(Ipv4Address.parse(near), linkLocal, Set.of()))
                    .as(near)
                    .contains(Ipv4Address.parse("169.254.1.0"));
        }
    }

    @Test
    void addressesSortAsNumbersDo() {
        assertThat(Ipv4Address.parse("200.0.0.1")).isGreaterThan(Ipv4Address.parse("10.61.0.1"));
    }
}
