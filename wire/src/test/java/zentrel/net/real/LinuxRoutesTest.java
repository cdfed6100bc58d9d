package zentrel.net.real;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import zentrel.ipv4.Ipv4Address;

class LinuxRoutesTest {
    /** Lines as iproute2 6.1 prints them in a namespace of ours. */
    @Test
    void theAnswersOfTheSystemAreReadAsTheyStand() {
        String said = """
                10.1.0.77 from 10.1.0.1 dev s0 uid 0\s
                    cache\s
                broadcast 10.1.0.255 from 10.1.0.1 dev s0 uid 0\s
                    cache <local,brd>\s
                local 10.2.0.1 from 10.1.0.1 dev lo uid 0\s
                    cache <local>\s
                192.0.2.9 from 10.1.0.1 via 10.1.0.254 dev s1 uid 0\s
                """;
        Map<Ipv4Address, SystemRoutes.Way> ways = LinuxRoutes.ways(
                said,
                Set.of(
                        Ipv4Address.parse("10.1.0.77"),
                        Ipv4Address.parse("10.1.0.255"),
                        Ipv4Address.parse("10.2.0.1"),
                        Ipv4Address.parse("192.0.2.9"),
                        Ipv4Address.parse("203.0.113.1")));
        assertThat(ways)
                .containsEntry(Ipv4Address.parse("10.1.0.77"), SystemRoutes.Way.by("s0"))
                .containsEntry(Ipv4Address.parse("10.1.0.255"), SystemRoutes.Way.by("s0"))
                .containsEntry(Ipv4Address.parse("10.2.0.1"), SystemRoutes.Way.HERE)
                .containsEntry(Ipv4Address.parse("192.0.2.9"), SystemRoutes.Way.by("s1"))
                .containsEntry(Ipv4Address.parse("203.0.113.1"), SystemRoutes.Way.NONE);
    }
}
