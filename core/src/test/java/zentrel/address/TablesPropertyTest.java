package zentrel.address;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.check.RandomPlans;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.machine.AddressTable;
import zentrel.plan.*;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/** Tables of addresses that somebody has spoilt: each row is taken over whole or left out with a reason, and nothing else changes. */
class TablesPropertyTest {
    private static final List<String> SPOILT = List.of(
            "",
            "10.1.2",
            "10.1.2.256",
            "010.001.002.003",
            "10.1.2.3.4",
            "ten",
            "10.1.2.3/33",
            "10.1.2.3/0",
            "255.255.255.255",
            "224.0.0.1",
            "0.1.2.3",
            "127.0.0.1",
            "10..2.3",
            "-1.2.3.4",
            "10.1.2.3 /8",
            "1e1.2.3.4");

    private static TextTable spoilt(Plan plan, Random random) {
        List<List<String>> rows = new ArrayList<>();
        for (List<String> row : AddressTable.of(plan).rows()) {
            rows.add(new ArrayList<>(row));
        }
        List<List<String>> body = rows.subList(1, rows.size());
        for (List<String> row : body) {
            switch (random.nextInt(6)) {
                case 0 -> row.set(4, SPOILT.get(random.nextInt(SPOILT.size())));
                case 1 ->
                    row.set(
                            5,
                            List.of("255.0.255.0", "24", "/16", "255.255.0.0", "x")
                                    .get(random.nextInt(5)));
                case 2 ->
                    row.set(4, "10." + random.nextInt(256) + "." + random.nextInt(256) + "." + random.nextInt(256));
                case 3 -> row.set(0, random.nextBoolean() ? "" : "Nobody");
                case 4 ->
                    row.set(7, List.of("02:00:00:00:00:0a", "nonsense", "").get(random.nextInt(3)));
                default -> {
                    // stays as it is
                }
            }
        }
        Collections.shuffle(body, random);
        return new TextTable(rows);
    }

    private static Map<Id<Adapter>, List<HostAddress>> addresses(Plan plan) {
        Map<Id<Adapter>, List<HostAddress>> all = new HashMap<>();
        plan.hosts()
                .forEach(h -> h.adapters()
                        .forEach(a -> all.put(
                                a.id(),
                                a.addresses().stream()
                                        .map(AdapterAddress::inForce)
                                        .toList())));
        return all;
    }

    @ParameterizedTest(name = "table {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void eachRowIsTakenOrLeftOutWithAReason(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.healthy(seed);
        TextTable table = spoilt(plan, random);
        AddressImport taken = AddressImport.of(plan, table, AddressImport.guess(plan, table), Optional.empty());
        Set<Long> out = new HashSet<>();
        for (LeftOut row : taken.leftOut()) {
            assertThat(out.add(row.row())).as("told once").isTrue();
            assertThat(row.row()).isBetween(2L, (long) table.rows().size());
            assertThat(row.why()).isNotBlank().doesNotContain("null").doesNotContain("Exception");
        }
        Plan after = taken.readdressing().edit().applyTo(plan);
        Map<Id<Adapter>, List<HostAddress>> now = addresses(after);
        Map<Id<Adapter>, HostAddress> wanted = new HashMap<>();
        taken.readdressing().changes().forEach(c -> wanted.put(c.adapter(), c.after()));
        addresses(plan).forEach((id, before) -> {
            HostAddress change = wanted.get(id);
            if (change == null) {
                assertThat(now.get(id)).as("nobody asked for " + id).isEqualTo(before);
            } else {
                assertThat(now.get(id)).contains(change);
                assertThat(SpecialAddresses.notOnANetwork(change)).isEmpty();
                boolean stands = table.rows().stream()
                        .anyMatch(r -> r.get(4)
                                .replaceFirst("/.*", "")
                                .equals(change.address().toString()));
                assertThat(stands).as(change + " stands in the table").isTrue();
            }
        });
        int rows = table.rows().size() - 1;
        assertThat(taken.leftOut().size() + taken.same())
                .as("no row is taken and left out, and none is forgotten")
                .isLessThanOrEqualTo(rows)
                .isGreaterThanOrEqualTo(rows - taken.readdressing().changes().size() - taken.facts());
        Plan planned = taken.readdressing().later().applyTo(plan);
        assertThat(addresses(planned))
                .as("what is only planned changes nothing in force")
                .isEqualTo(addresses(plan));
    }

    /** Given out by any scheme: everybody has one of the range in its own block, once, and nobody that is pinned moved. */
    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void whateverTheSchemeEverybodyHasOne(long seed) {
        Random random = new Random(seed);
        Plan rig = RandomPlans.healthy(seed);
        Set<Id<Adapter>> pinned = new HashSet<>();
        for (Host host : rig.hosts()) {
            for (Adapter adapter : host.adapters()) {
                int dice = random.nextInt(4);
                if (dice == 0) {
                    rig = rig.with(adapter.id(), a -> a.withAddresses(List.of()));
                } else if (dice == 1) {
                    rig = rig.with(adapter.id(), a -> a.withPinned(true));
                    pinned.add(adapter.id());
                }
            }
        }
        Plan plan = rig;
        List<Id<Segment>> segments = plan.segments().stream()
                .filter(s -> s.subnet().isPresent())
                .map(Segment::id)
                .toList();
        for (Scheme scheme : List.of(
                new Scheme.ByKind(0),
                new Scheme.ByKind(20),
                Scheme.ByFields.parse("kind 4, number 8"),
                Scheme.ByFields.parse("side 2 = desk / node, type 3, number 7"))) {
            for (boolean anew : new boolean[] {false, true}) {
                AddressAllocation given = AddressAllocation.of(plan, segments, scheme, anew, Optional.empty());
                Plan after = given.readdressing().edit().applyTo(plan);
                for (Id<Segment> id : segments) {
                    Set<Ipv4Address> seen = new HashSet<>();
                    for (Adapter adapter : after.index().adaptersOn(id)) {
                        Adapter before = plan.index().adapter(adapter.id());
                        assertThat(adapter.addresses()).isNotEmpty();
                        Ipv4Address address =
                                adapter.addresses().get(0).inForce().address();
                        assertThat(seen.add(address))
                                .as(address + " is given once")
                                .isTrue();
                        boolean kept = pinned.contains(adapter.id())
                                || (!anew && !before.addresses().isEmpty());
                        if (kept) {
                            assertThat(adapter.addresses()).isEqualTo(before.addresses());
                        } else {
                            assertThat(given.blocks()).anyMatch(b -> b.range().contains(address));
                        }
                    }
                }
                assertThat(AddressAllocation.of(after, segments, scheme, false, Optional.empty())
                                .readdressing()
                                .changes())
                        .as("then nobody is without one")
                        .isEmpty();
            }
        }
    }
}
