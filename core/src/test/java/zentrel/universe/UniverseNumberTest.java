package zentrel.universe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UniverseNumberTest {
    /** Groups: ANSI E1.31-2018 §9.3.1, 239.255.hi.lo; 64214 is its discovery universe (§8). */
    @ParameterizedTest
    @CsvSource({
        "1, 239.255.0.1",
        "255, 239.255.0.255",
        "256, 239.255.1.0",
        "7962, 239.255.31.26",
        "63999, 239.255.249.255",
        "64214, 239.255.250.214"
    })
    void groups(int universe, String group) {
        assertThat(SacnUniverse.group(universe)).hasToString(group);
    }

    /** Ethernet addresses of groups: 01:00:5E and the low 23 bits (RFC 1112, section 6.4), worked by hand. */
    @ParameterizedTest
    @CsvSource({
        "1, 01:00:5E:7F:00:01",
        "255, 01:00:5E:7F:00:FF",
        "256, 01:00:5E:7F:01:00",
        "63999, 01:00:5E:7F:F9:FF",
        "64214, 01:00:5E:7F:FA:D6"
    })
    void groupsOnEthernet(int universe, String mac) {
        assertThat(SacnUniverse.groupMac(universe)).isEqualTo(mac);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"0 | 0 · 0 · 0, 0000", "3258 | C · B · A, 0CBA", "32767 | 7F · F · F, 7FFF"})
    void portAddressesInHex(int value, String hex) {
        assertThat(new PortAddress(value).hex()).isEqualTo(hex);
    }

    /** Port-Address: Art-Net 4, Net 7 bits, Sub-Net 4, Universe 4; the corners are worked by hand. */
    @ParameterizedTest
    @CsvSource({
        "0, 0, 0, 0",
        "15, 0, 0, 15",
        "16, 0, 1, 0",
        "255, 0, 15, 15",
        "256, 1, 0, 0",
        "3258, 12, 11, 10",
        "32767, 127, 15, 15"
    })
    void portAddresses(int value, int net, int subNet, int universe) {
        PortAddress p = new PortAddress(value);
        assertThat(new int[] {p.net(), p.subNet(), p.universe()}).containsExactly(net, subNet, universe);
    }

    /** Common practice, no source: show universe 1 goes to Port-Address 0 or to 1. */
    @ParameterizedTest
    @CsvSource({"1, 0, 0", "1, 1, 1", "32768, 0, 32767", "32767, 1, 32767"})
    void fromTheShowsNumber(int show, int artnetFirst, int port) {
        UniverseNumber n = UniverseNumber.ofShow(show, artnetFirst);
        assertThat(n.artnet()).contains(new PortAddress(port));
        assertThat(n.sacn()).contains(new SacnUniverse(show));
    }

    @Test
    void aNumberWithoutATwinHasNone() {
        assertThat(UniverseNumber.ofShow(32768, 1).artnet()).isEmpty();
        assertThat(UniverseNumber.ofSacn(40000, 0).artnet()).isEmpty();
        assertThat(UniverseNumber.ofArtnet(0, 1).sacn()).isEmpty();
        assertThat(UniverseNumber.ofArtnet(0, 1).show()).isEmpty();
    }

    @Test
    void outsideTheProtocolTheRangeIsNamed() {
        assertThatThrownBy(() -> UniverseNumber.ofArtnet(32768, 0)).hasMessageContaining("0 to 32767");
        assertThatThrownBy(() -> UniverseNumber.ofArtnet(-1, 0)).hasMessageContaining("0 to 32767");
        assertThatThrownBy(() -> UniverseNumber.ofSacn(0, 0)).hasMessageContaining("1 to 63999");
        assertThatThrownBy(() -> UniverseNumber.ofSacn(64000, 0)).hasMessageContaining("1 to 63999");
        assertThatThrownBy(() -> UniverseNumber.ofShow(0, 0)).hasMessageContaining("1 to 63999");
    }

    @Test
    void everyDressLeadsBackToTheSameUniverse() {
        Random random = new Random(12);
        for (int i = 0; i < 5000; i++) {
            int first = random.nextInt(2);
            UniverseNumber n = UniverseNumber.ofArtnet(random.nextInt(32768), first);
            n.sacn()
                    .ifPresent(s ->
                            assertThat(UniverseNumber.ofSacn(s.value(), first)).isEqualTo(n));
            n.show().ifPresent(s -> assertThat(UniverseNumber.ofShow(s, first)).isEqualTo(n));
            PortAddress p = n.artnet().orElseThrow();
            assertThat(p.net() << 8 | p.subNet() << 4 | p.universe()).isEqualTo(p.value());
        }
    }
}
