package zentrel.address;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.demo.FernlightTrail;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** Addresses by a scheme, and which range to use. */
class AddressAllocationTest {
    private static final Id<Segment> STREAM = Kind.SEGMENT.id("stream");
    private static final Scheme KINDS = new Scheme.ByKind(0);
    private static final Scheme FIELDS = Scheme.ByFields.parse("place 4, kind 4, number 8");

    private static AddressAllocation anew(Plan plan, Scheme scheme) {
        return AddressAllocation.of(plan, List.of(STREAM), scheme, true, Optional.empty());
    }

    private static Set<String> findings(Plan plan) {
        Set<String> ids = new HashSet<>();
        Check.run(plan).findings().stream().map(Finding::id).forEach(ids::add);
        return ids;
    }

    /** Whatever the scheme: everybody has one of his own, in his own block, nothing breaks, and it comes out alike each time. */
    @ParameterizedTest
    @ValueSource(strings = {"kinds", "fields", "pool"})
    void numberedAnewAllStillWorks(String which) {
        Plan plan = FernlightTrail.ready();
        Scheme scheme = which.equals("kinds") ? KINDS : which.equals("fields") ? FIELDS : new Scheme.ByKind(50);
        AddressAllocation given = anew(plan, scheme);
        assertThat(anew(plan, scheme).readdressing().changes())
                .isEqualTo(given.readdressing().changes());
        Plan after = given.readdressing().edit().applyTo(plan);
        Subnet subnet = plan.index().segment(STREAM).subnet().orElseThrow();
        Set<Ipv4Address> seen = new HashSet<>();
        for (Adapter a : after.index().adaptersOn(STREAM)) {
            HostAddress address = a.addresses().get(0).inForce();
            assertThat(seen.add(address.address())).isTrue();
            assertThat(subnet.contains(address.address())).isTrue();
            assertThat(SpecialAddresses.notOnANetwork(address)).isEmpty();
            assertThat(given.blocks()).anyMatch(b -> b.range().contains(address.address()));
        }
        assertThat(findings(plan)).containsAll(findings(after));
        for (AddressBlock one : given.blocks()) {
            assertThat(one.size()).as(one.title()).isGreaterThanOrEqualTo(one.boxes());
            assertThat(one.range().network().bits() % one.size())
                    .as("on its own edge")
                    .isZero();
            assertThat(given.blocks())
                    .filteredOn(b -> !b.equals(one))
                    .noneMatch(b -> b.range().overlaps(one.range()));
        }
        if (!which.equals("fields")) {
            assertThat(given.blocks()).allMatch(b -> b.title().equals("DHCP pool") || b.size() >= 2L * b.boxes());
        }
        List<AddressChange.Step> steps = given.readdressing().steps();
        assertThat(steps.get(steps.size() - 1).dark()).isZero();
        assertThat(anew(after, scheme).readdressing().changes())
                .as("and then nothing is left to do")
                .isEmpty();
    }

    /** Place 4 bits, kind 4 bits, number 8 bits: the third octet reads as place and kind, the fourth as the number. */
    @Test
    void theFieldsCanBeReadOffTheAddress() {
        Plan plan = FernlightTrail.ready();
        Plan after = anew(plan, FIELDS).readdressing().edit().applyTo(plan);
        for (Host a : after.hosts()) {
            for (Host b : after.hosts()) {
                Optional<Ipv4Address> one = on(a);
                Optional<Ipv4Address> other = on(b);
                if (one.isPresent() && other.isPresent()) {
                    assertThat(one.get().octet(2) >> 4 == other.get().octet(2) >> 4)
                            .isEqualTo(a.place().equals(b.place()));
                    assertThat((one.get().octet(2) & 15) == (other.get().octet(2) & 15))
                            .isEqualTo(a.kind() == b.kind());
                }
            }
        }
    }

    private static Optional<Ipv4Address> on(Host host) {
        return host.adapters().stream()
                .filter(a -> a.segment().equals(Optional.of(STREAM)))
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.inForce().address())
                .findFirst();
    }

    @Test
    void whatIsPinnedStaysAndWhatAsksIsLeftToItsServer() {
        Plan plan = FernlightTrail.ready();
        Adapter first = plan.index().adaptersOn(STREAM).get(0);
        Adapter second = plan.index().adaptersOn(STREAM).get(1);
        Plan marked = plan.with(first.id(), a -> a.withPinned(true))
                .with(
                        second.id(),
                        a -> a.withAddresses(
                                List.of(new AdapterAddress(a.addresses().get(0).address(), AddressOrigin.DHCP))));
        Plan after = anew(marked, KINDS).readdressing().edit().applyTo(marked);
        assertThat(after.index().adapter(first.id()).addresses()).isEqualTo(first.addresses());
        assertThat(after.index().adapter(second.id()).addresses().get(0).inForce())
                .isEqualTo(second.addresses().get(0).inForce());
    }

    /** Two boxes that swap addresses: each list, link, gateway and note follows its own box. */
    @Test
    void twoBoxesMaySwap() {
        Plan pier = TestPlans.pier();
        HostAddress a = HostAddress.parse("172.19.4.10/22");
        HostAddress b = HostAddress.parse("172.19.4.1/22");
        Plan swapped = AddressChangeSet.of(
                pier,
                List.of(
                        new AddressChange.Change(Kind.ADAPTER.id("desk.talk"), "", Optional.of(a), b, true),
                        new AddressChange.Change(Kind.ADAPTER.id("gate.talk"), "", Optional.of(b), a, true)));
        assertThat(swapped.index().get(Kind.LINK.id("go")).destination().inForce())
                .hasToString("172.19.4.1");
        assertThat(swapped.index().adapter(Kind.ADAPTER.id("tab.air")).gateway().orElseThrow())
                .as("its router is at the other address now")
                .hasToString("172.19.4.10");
        assertThat(swapped.index().get(Kind.COPY.id("memo")).value().inForce()).isEqualTo("172.19.4.1");
        assertThat(Check.run(swapped).findings()).isEmpty();
    }

    @Test
    void onlyWhatHasNoneGetsOne() {
        Plan ready = FernlightTrail.ready();
        Adapter bare = ready.index().adaptersOn(STREAM).get(3);
        Plan plan = ready.with(bare.id(), a -> a.withAddresses(List.of()));
        AddressAllocation given = AddressAllocation.of(plan, List.of(STREAM), KINDS, false, Optional.empty());
        assertThat(given.readdressing().changes()).hasSize(1).first().satisfies(c -> {
            assertThat(c.adapter()).isEqualTo(bare.id());
            assertThat(c.before()).isEmpty();
        });
        Plan after = given.readdressing().edit().applyTo(plan);
        assertThat(after.index().adapter(bare.id()).addresses()).hasSize(1);
        Plan planned = given.readdressing().later().applyTo(plan);
        assertThat(findings(plan)).containsAll(findings(planned));
    }

    /** What a refusal names as the way out is one. */
    @ParameterizedTest
    @CsvSource({"10.41.0.0/27, kinds", "10.41.0.0/26, pool", "10.41.0.0/24, fields"})
    void whereThereIsNoRoomItSaysWhatWouldDo(String range, String which) {
        Plan plan = FernlightTrail.ready().with(STREAM, s -> s.withSubnet(Optional.of(Subnet.parse(range))));
        Scheme scheme = which.equals("kinds") ? KINDS : which.equals("fields") ? FIELDS : new Scheme.ByKind(50);
        String said = org.assertj.core.api.Assertions.catchThrowable(() -> anew(plan, scheme))
                .getMessage();
        Matcher mask = Pattern.compile("A mask of /(\\d+) would do\\.$").matcher(said);
        int length = 32;
        for (int tries = 0; tries < 8 && mask.find(); tries++) {
            length = Integer.parseInt(mask.group(1));
            Subnet wider = new Subnet(Ipv4Address.of(10, 41, 0, 0), length);
            Plan widened = plan.with(STREAM, s -> s.withSubnet(Optional.of(wider)));
            Throwable next = org.assertj.core.api.Assertions.catchThrowable(() -> anew(widened, scheme));
            if (next == null) {
                return; // each block that had no room names its own mask; the last one named has room for all
            }
            mask = Pattern.compile("A mask of /(\\d+) would do\\.$").matcher(next.getMessage());
        }
        throw new AssertionError("no mask was named that does: " + said + " /" + length);
    }

    @Test
    void aFieldThatIsTooShortSaysHowManyBitsItNeeds() {
        assertThatThrownBy(() -> anew(FernlightTrail.ready(), Scheme.ByFields.parse("place 1, kind 4, number 8")))
                .hasMessageMatching(
                        "There are \\d+ values of place, and 1 bit counts to 1\\. Give the place \\d bits\\.");
    }

    /** A fact of one's own: the first two bits of the host part say on which bank a box stands; those on neither have 0. */
    @Test
    void aFactOfOnesOwnIsReadOffTheAddressToo() {
        Plan plan = FernlightTrail.ready();
        Scheme banks = Scheme.ByFields.parse("stands 2 = house / hut, type 5, number 9");
        Plan after = anew(plan, banks).readdressing().edit().applyTo(plan);
        Set<Integer> seen = new HashSet<>();
        for (Host host : after.hosts()) {
            String told = (host.name() + " " + host.place()).toLowerCase(java.util.Locale.ROOT);
            int expected = told.contains("house") ? 1 : told.contains("hut") ? 2 : 0;
            on(host).ifPresent(a -> {
                assertThat(a.octet(2) >> 6).as(host.name()).isEqualTo(expected);
                seen.add(expected);
            });
        }
        assertThat(seen).containsExactlyInAnyOrder(0, 1, 2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "place|\"place\" is no field.",
                "place 4, number|\"number\" is no field.",
                "place 4, kind 4|The last field is the number",
                "side 2, number 8|\"side\" is a fact of your own, so say its words",
                "kind 2 = a/b, number 8|The kind comes from the plan",
                "place 4, place 4, number 8|There are two fields called \"place\".",
                "place 0, number 8|A field has 1 to 16 bits, and place has 0.",
                "place 4,, number 8|\"\" is no field."
            })
    void fieldsThatWillNotDoAreRefusedWithASentence(String text, String says) {
        assertThatThrownBy(() -> Scheme.ByFields.parse(text)).hasMessageStartingWith(says);
    }

    // --- which range ---

    private static RangeAdvice.ForSegment advice(Plan plan, String segment) {
        return RangeAdvice.of(plan).ranges().stream()
                .filter(r -> r.segment().value().equals(segment))
                .findFirst()
                .orElseThrow();
    }

    private static Plan segment(Plan plan, String id, String range, boolean wayOut) {
        return plan.with(
                Kind.SEGMENT.id(id),
                s -> s.withSubnet(Optional.of(Subnet.parse(range))).withWayOut(wayOut));
    }

    @Test
    void aRangeThatNothingSpeaksAgainstIsKept() {
        RangeAdvice.ForSegment light = advice(TestPlans.pier(), "light");
        assertThat(light.keep()).isTrue();
        assertThat(light.reasons().get(0)).isEqualTo("Keep 10.77.0.0/16: nothing speaks against it.");
    }

    @Test
    void aSiteNetworkWithARouterKeepsItsRange() {
        RangeAdvice.ForSegment house = advice(segment(TestPlans.pier(), "house", "172.20.0.0/16", true), "house");
        assertThat(house.range()).hasToString("172.20.0.0/16");
        assertThat(house.reasons().get(0)).contains("Gate is pinned to its address there");
    }

    @Test
    void whatBoxesAcceptDecidesAndTheAdviceTakenLeavesNothingToAdvise() {
        Plan plan = segment(TestPlans.pier(), "light", "192.168.7.0/24", false);
        RangeAdvice.ForSegment light = advice(plan, "light");
        assertThat(light.keep()).isFalse();
        assertThat(light.reasons()).anyMatch(r -> r.equals("Node A, Node B accept 2.0.0.0/8 or 10.0.0.0/8 only."));
        assertThat(Subnet.parse("10.0.0.0/8").contains(light.range().network())).isTrue();
        Plan moved = SegmentMove.of(plan, light.segment(), light.range(), Optional.empty())
                .edit()
                .applyTo(plan);
        assertThat(RangeAdvice.of(moved).ranges()).allMatch(RangeAdvice.ForSegment::keep);
    }

    @Test
    void aPublicRangeWithAWayOutAndRangesThatOverlapAreMoved() {
        assertThat(advice(segment(TestPlans.pier(), "light", "2.0.0.0/8", true), "light")
                        .reasons())
                .anyMatch(r -> r.contains("belongs to somebody on the internet"));
        assertThat(advice(segment(TestPlans.pier(), "talk", "10.77.0.0/16", false), "talk")
                        .reasons())
                .anyMatch(r -> r.contains("overlaps 10.77.0.0/16 of another segment"));
    }

    @Test
    void theRemarksAreAboutTheWholeRig() {
        Plan guests = TestPlans.pier().with(Kind.SEGMENT.id("light"), s -> s.withGuests(true));
        assertThat(RangeAdvice.of(guests).remarks()).anyMatch(r -> r.startsWith("Guests join Light"));
        Library library = Library.shipped();
        Plan one = DeviceFactory.boxes(
                        Plan.EMPTY, library, library.find("house/node-4").orElseThrow(), 2, "", "")
                .edit()
                .applyTo(Plan.EMPTY);
        assertThat(RangeAdvice.of(one).remarks())
                .singleElement()
                .satisfies(r -> assertThat(r).startsWith("One network will do"));
    }
}
