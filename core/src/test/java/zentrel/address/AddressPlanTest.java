package zentrel.address;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Severity;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** Subnets in words, and segments that move to another range. */
class AddressPlanTest {
    private static final Id<Segment> STREAM = Kind.SEGMENT.id("stream");
    private static final Id<Host> OFFICE = Kind.HOST.id("office-computer");

    /** Worked by hand from RFC 950 and RFC 4632; /31 and /32 from RFC 3021. */
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "10.41.22.3/16|10.41.0.0|10.41.0.1|10.41.255.254|10.41.255.255|65534|00001010.00101001.|00010110.00000011|The first two numbers alike, the rest differ.",
                "2.5.6.7/8|2.0.0.0|2.0.0.1|2.255.255.254|2.255.255.255|16777214|00000010.|00000101.00000110.00000111|The first number alike, the rest differ.",
                "192.168.83.77/24|192.168.83.0|192.168.83.1|192.168.83.254|192.168.83.255|254|11000000.10101000.01010011.|01001101|The first three numbers alike, the rest differs.",
                "172.20.19.5/20|172.20.16.0|172.20.16.1|172.20.31.254|172.20.31.255|4094|10101100.00010100.0001|0011.00000101|The first two numbers and the third within a step of 16 alike, the rest differ.",
                "10.1.1.130/26|10.1.1.128|10.1.1.129|10.1.1.190|10.1.1.191|62|00001010.00000001.00000001.10|000010|The first three numbers and the fourth within a step of 64 alike, the rest differs.",
                "10.1.1.6/31|10.1.1.6|10.1.1.6|10.1.1.7|10.1.1.7|2|00001010.00000001.00000001.0000011|0|The first three numbers and the fourth within a step of 2 alike, the rest differs.",
                "10.1.1.6/32|10.1.1.6|10.1.1.6|10.1.1.6|10.1.1.6|1|00001010.00000001.00000001.00000110||All four numbers alike: one address alone."
            })
    void aSubnetInWords(
            String address,
            String network,
            String first,
            String last,
            String broadcast,
            long hosts,
            String alike,
            String rest,
            String words) {
        SubnetInWords w = SubnetInWords.of(HostAddress.parse(address));
        assertThat(List.of(w.network(), w.first(), w.last(), w.broadcast()))
                .containsExactly(network, first, last, broadcast);
        assertThat(w.hosts()).isEqualTo(hosts);
        assertThat(w.bits()).isEqualTo(alike + "|" + (rest == null ? "" : rest));
        assertThat(w.words()).isEqualTo(words);
    }

    /** Whatever the range, the plan works as before, nobody shares an address, and one step takes it back. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "10.99.0.0/16",
                "2.0.0.0/8",
                "10.41.0.0/19",
                "172.20.0.0/16",
                "192.168.77.0/27",
                "10.41.0.0/16",
                "10.0.0.0/8"
            })
    void aSegmentMovesAndEverythingStillWorks(String range) {
        Plan plan = FernlightTrail.ready();
        Subnet to = Subnet.parse(range);
        AddressChange move = SegmentMove.of(plan, STREAM, to, Optional.of(OFFICE));
        Plan after = move.edit().applyTo(plan);
        Set<Ipv4Address> seen = new HashSet<>();
        for (Adapter a : after.index().adaptersOn(STREAM)) {
            for (AdapterAddress x : a.addresses()) {
                assertThat(to.contains(x.inForce().address())).isTrue();
                assertThat(x.inForce().prefixLength()).isEqualTo(to.prefixLength());
                assertThat(seen.add(x.inForce().address()))
                        .as("its own: " + x.inForce())
                        .isTrue();
            }
        }
        Set<String> worse = Check.run(after).findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .map(Finding::rule)
                .collect(Collectors.toSet());
        Set<String> warned = new HashSet<>();
        for (String warning : move.warnings()) {
            if (warning.contains("cannot follow")) {
                warned.add("address.artnet-range");
            }
            if (warning.contains("on both")) {
                warned.add("address.same-subnet-twice");
            }
        }
        assertThat(worse).as("nothing gets worse but what was warned of").isEqualTo(warned);
        if (!move.steps().isEmpty()) {
            AddressChange.Step last = move.steps().get(move.steps().size() - 1);
            assertThat(last.title()).isEqualTo("The computer you sit at");
            assertThat(last.dark()).as("in the end nothing is dark").isZero();
        }
        Plan planned = move.later().applyTo(plan);
        assertThat(Check.run(planned).findings())
                .as("only planned, it changes nothing")
                .isEqualTo(Check.run(plan).findings());
    }

    @Test
    void hostPartsStayWhereTheyFitAndTheWayThereIsTold() {
        Plan plan = FernlightTrail.ready();
        AddressChange move = SegmentMove.of(plan, STREAM, Subnet.parse("10.99.0.0/16"), Optional.of(OFFICE));
        assertThat(move.changes()).allMatch(AddressChange.Change::same);
        assertThat(move.changes()).anySatisfy(c -> {
            assertThat(c.name()).isEqualTo("Network adapter of Boathouse node");
            assertThat(c.before().orElseThrow()).hasToString("10.41.22.3/16");
            assertThat(c.after()).hasToString("10.99.22.3/16");
        });
        assertThat(move.steps().get(0).dark())
                .as("nodes that moved no longer hear the console")
                .isPositive();
        AddressChange draft =
                SegmentMove.of(FernlightTrail.draft(), STREAM, Subnet.parse("10.99.0.0/16"), Optional.empty());
        assertThat(draft.changes())
                .filteredOn(c -> c.name().contains("Fountain"))
                .singleElement()
                .satisfies(c -> assertThat(c.before().orElseThrow() + " " + c.after())
                        .isEqualTo("10.41.20.2/24 10.99.20.2/16"));
        AddressChange narrow = SegmentMove.of(plan, STREAM, Subnet.parse("192.168.77.0/27"), Optional.empty());
        assertThat(narrow.changes()).anyMatch(c -> !c.same());
        assertThatThrownBy(() -> SegmentMove.of(plan, STREAM, Subnet.parse("192.168.77.0/29"), Optional.empty()))
                .hasMessageMatching(
                        "Stream has \\d+ addresses, and 192.168.77.0/29 has room for 6. A mask of /28 would do.");
    }

    @Test
    void whatAcceptsOnlyItsOwnRangesIsNamed() {
        Plan plan = FernlightTrail.ready();
        boolean limited = plan.profiles().stream().anyMatch(p -> !p.accepts().isEmpty());
        AddressChange move = SegmentMove.of(plan, STREAM, Subnet.parse("172.20.0.0/16"), Optional.empty());
        assertThat(move.warnings().isEmpty()).isEqualTo(!limited);
        move.warnings().forEach(w -> assertThat(w).contains("so it cannot follow to 172.20.0.0/16"));
    }

    @Test
    void anyMoveOfAnyPlanIsTakenBackByAnother() {
        Random random = new Random(11);
        for (int i = 0; i < 20; i++) {
            Plan plan = FernlightTrail.ready();
            Subnet there = Subnet.parse((11 + random.nextInt(150)) + "." + random.nextInt(256) + ".0.0/16");
            Plan moved =
                    SegmentMove.of(plan, STREAM, there, Optional.empty()).edit().applyTo(plan);
            Plan back = SegmentMove.of(moved, STREAM, Subnet.parse("10.41.0.0/16"), Optional.empty())
                    .edit()
                    .applyTo(moved);
            assertThat(back).as(there.toString()).isEqualTo(plan);
        }
    }
}
