package zentrel.address;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.address.AddressImport.Column;
import zentrel.check.Check;
import zentrel.demo.FernlightTrail;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.ipv4.HostAddress;
import zentrel.machine.AddressTable;
import zentrel.plan.*;
import zentrel.profile.ProfileAdapter;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/** Tables of addresses taken over, and addresses that nobody types. */
class AddressImportTest {
    private static AddressImport take(Plan plan, String text) {
        TextTable table = TextTable.parse(text);
        return AddressImport.of(plan, table, AddressImport.guess(plan, table), Optional.empty());
    }

    private static HostAddress first(Plan plan, String adapter) {
        return plan.index().adapter(Kind.ADAPTER.id(adapter)).addresses().get(0).inForce();
    }

    /** What goes out as a table comes back as the same plan, as text and as a workbook. */
    @ParameterizedTest
    @ValueSource(strings = {"csv", "xlsx"})
    void whatIsExportedChangesNothing(String form) {
        for (Plan plan : List.of(FernlightTrail.ready(), FernlightTrail.draft(), TestPlans.pier())) {
            TextTable out = AddressTable.of(plan);
            TextTable in = form.equals("csv")
                    ? TextTable.parse("\uFEFF" + out.csv())
                    : TextTable.workbook(out.workbook("Addresses"));
            AddressImport taken = AddressImport.of(plan, in, AddressImport.guess(plan, in), Optional.empty());
            assertThat(taken.readdressing().changes()).isEmpty();
            assertThat(taken.facts()).isZero();
            assertThat(taken.leftOut()).allMatch(l -> l.why().equals("it gives no address"));
            assertThat(taken.readdressing().edit().applyTo(plan)).isEqualTo(plan);
        }
    }

    /** Addresses dealt to other boxes and taken over give exactly the table, whatever the order of its rows and columns. */
    @Test
    void aTableInAnyOrderGivesWhatItSays() {
        Plan plan = TestPlans.pier();
        Random random = new Random(7);
        for (int run = 0; run < 40; run++) {
            List<Adapter> adapters = plan.index().adaptersOn(Kind.SEGMENT.id("light"));
            List<String> rows = new ArrayList<>();
            Map<Id<Adapter>, String> wanted = new java.util.HashMap<>();
            List<Column> order = new ArrayList<>(List.of(Column.HOST, Column.ADDRESS, Column.MASK, Column.ADAPTER));
            Collections.shuffle(order, random);
            List<Integer> numbers = new ArrayList<>();
            for (int i = 1; i <= adapters.size(); i++) {
                numbers.add(i);
            }
            Collections.shuffle(numbers, random);
            for (int i = 0; i < adapters.size(); i++) {
                Adapter a = adapters.get(i);
                Map<Column, String> cells = new EnumMap<>(Column.class);
                cells.put(Column.HOST, plan.index().hostOf(a.id()).name().toUpperCase(java.util.Locale.ROOT));
                cells.put(Column.ADDRESS, "10.77.9." + numbers.get(i));
                cells.put(Column.MASK, run % 2 == 0 ? "255.255.0.0" : "16");
                cells.put(Column.ADAPTER, a.name());
                rows.add(String.join(
                        run % 3 == 0 ? ";" : "\t",
                        order.stream().map(cells::get).toList()));
                wanted.put(a.id(), "10.77.9." + numbers.get(i) + "/16");
            }
            Collections.shuffle(rows, random);
            String head = String.join(
                    run % 3 == 0 ? ";" : "\t", order.stream().map(Column::title).toList());
            AddressImport taken = take(plan, head + "\r\n" + String.join("\r\n", rows) + "\r\n");
            assertThat(taken.leftOut()).isEmpty();
            Plan after = taken.readdressing().edit().applyTo(plan);
            wanted.forEach((id, address) -> assertThat(first(after, id.value())).hasToString(address));
            assertThat(taken.readdressing().edit().applyTo(plan)).isEqualTo(after);
        }
    }

    /** A sheet as people keep it: a title over merged cells, an empty heading, hidden blanks, and rows that will not do. */
    @Test
    void everyRowThatIsLeftOutSaysWhy() {
        String sheet = """
                Pier rig, addresses;;;;;
                ;;;;;
                Device;;IP Address;Subnet Mask;MAC;Location
                Node A;x;\u00A010.77.1.11\u00A0;255.255.0.0;;Lamp store
                Node B;x;10.77.1;;;
                Node B;x;10.77.1.256;;;
                Node B;x;010.077.001.012;;;
                Node B;x;10.77.1.11;;;
                Node B;x;10.77.0.0;;;
                Node B;x;10.77.1.12;255.0.255.0;;
                Node B;x;10.77.1.12;;02:1a;
                ;x;10.77.1.12;;;
                Nobody;x;10.77.1.12;;;
                Node B;x;;;;
                Node B;x;10.77.1.12;;02:1A:00:00:00:0B;
                """.replace("\n", "\r\n");
        Plan plan = TestPlans.pier();
        AddressImport taken = take(plan, sheet);
        assertThat(taken.leftOut())
                .extracting(LeftOut::row)
                .containsExactly(1L, 5L, 6L, 7L, 8L, 9L, 10L, 11L, 12L, 13L, 14L);
        assertThat(taken.leftOut()).extracting(LeftOut::why).allMatch(w -> w.length() > 10);
        assertThat(taken.leftOut().get(4).why()).isEqualTo("10.77.1.11 stands in row 4 already");
        assertThat(taken.leftOut().get(9).why()).isEqualTo("no device of the plan is called \"Nobody\"");
        Plan after = taken.readdressing().edit().applyTo(plan);
        Host a = after.hosts().stream()
                .filter(h -> h.name().equals("Node A"))
                .findFirst()
                .orElseThrow();
        Host b = after.hosts().stream()
                .filter(h -> h.name().equals("Node B"))
                .findFirst()
                .orElseThrow();
        assertThat(a.place()).isEqualTo("Lamp store");
        assertThat(a.adapters().get(0).addresses().get(0).inForce()).hasToString("10.77.1.11/16");
        assertThat(b.adapters().get(0).addresses().get(0).inForce())
                .as("the mask of its segment")
                .hasToString("10.77.1.12/16");
        assertThat(b.adapters().get(0).mac()).contains("02:1A:00:00:00:0B");
        assertThat(Check.run(after).findings()).as("streams and links followed").isEmpty();
    }

    @Test
    void columnsWithoutHeadingsAreToldByWhatStandsInThem() {
        Plan plan = TestPlans.pier();
        TextTable table = TextTable.parse("""
                02:1a:00:00:00:01,Node A,255.255.0.0,10.77.3.1
                02:1a:00:00:00:02,Node B,255.255.0.0,10.77.3.2
                """);
        Columns<Column> columns = AddressImport.guess(plan, table);
        assertThat(columns.at())
                .containsOnly(
                        Map.entry(Column.MAC, 0),
                        Map.entry(Column.HOST, 1),
                        Map.entry(Column.MASK, 2),
                        Map.entry(Column.ADDRESS, 3));
        TextTable nothing = TextTable.parse("a,b\nc,d\n");
        assertThatThrownBy(() -> AddressImport.of(plan, nothing, AddressImport.guess(plan, nothing), Optional.empty()))
                .hasMessageStartingWith("No column says which device a row is about.");
    }

    /** A hundred thousand rows are read, and each that is left out is told; more than two hundred thousand are no rig. */
    @Test
    void aVeryLongTableIsReadToItsEnd() {
        StringBuilder text = new StringBuilder("host,address\n");
        for (int i = 0; i < 100_000; i++) {
            text.append(i == 99_999 ? "Node A" : "Box " + i).append(",10.77.8.9\n");
        }
        AddressImport taken = take(TestPlans.pier(), text.toString());
        assertThat(taken.leftOut()).hasSize(99_999);
        assertThat(taken.readdressing().changes()).hasSize(1);
        assertThatThrownBy(() -> TextTable.parse("a,b\n".repeat(TextTable.MOST_ROWS + 1)))
                .hasMessage("Too many rows (limit 200000). Nothing was imported.");
    }

    @Test
    void whatIsNoWorkbookIsRefused() {
        byte[] whole = AddressTable.of(TestPlans.pier()).workbook("Addresses");
        Random random = new Random(3);
        int refused = 0;
        for (int run = 0; run < 60; run++) {
            byte[] bytes = run % 2 == 0 ? java.util.Arrays.copyOf(whole, random.nextInt(whole.length)) : whole.clone();
            if (run % 2 == 1) {
                random.nextBytes(new byte[1]);
                for (int i = 0; i < 20; i++) {
                    bytes[random.nextInt(bytes.length)] = (byte) random.nextInt();
                }
            }
            try {
                TextTable.workbook(bytes);
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).startsWith("this ");
                refused++;
            }
        }
        assertThat(refused).isPositive();
    }

    @Test
    void aBoxThatKeepsAnAddressGivenToAnotherIsTold() {
        Plan plan = TestPlans.pier();
        String taken = first(
                        plan,
                        plan.index()
                                .adaptersOn(Kind.SEGMENT.id("light"))
                                .get(1)
                                .id()
                                .value())
                .address()
                .toString();
        String name = plan.index()
                .hostOf(plan.index().adaptersOn(Kind.SEGMENT.id("light")).get(0).id())
                .name();
        assertThat(take(plan, "host\taddress\n" + name + "\t" + taken)
                        .readdressing()
                        .warnings())
                .singleElement()
                .satisfies(w -> assertThat(w).contains("has it and keeps it"));
    }

    // --- addresses that nobody types ---

    /** first . (m3 + OEM high + OEM low mod 256) . m4 . m5, mask 255.0.0.0 (Art-Net 4; from memory, 80 %): by hand. */
    @ParameterizedTest
    @CsvSource({
        "00:00:00:00:00:00, 2, 0, 2.0.0.0/8",
        "02:11:22:33:44:55, 2, 0x0102, 2.54.68.85/8",
        "02-11-22-F0-44-55, 10, 0x1011, 10.17.68.85/8",
        "02:11:22:FF:01:02, 2, 0xFFFF, 2.253.1.2/8"
    })
    void theDefaultAddressFollowsFromTheHardwareAddress(String mac, int first, String oem, String expected) {
        assertThat(ProtocolDefault.of(mac, new ProfileAdapter.FromMac(first, Integer.decode(oem))))
                .get()
                .hasToString(expected);
        assertThat(ProtocolDefault.of("02:11", new ProfileAdapter.FromMac(first, 0)))
                .isEmpty();
    }

    @Test
    void identicalBoxesAreLedThroughOneAtATime() {
        Library library = Library.shipped();
        Plan plan = DeviceFactory.boxes(
                        Plan.EMPTY, library, library.find("house/node-4").orElseThrow(), 3, "Reed node", "")
                .edit()
                .applyTo(Plan.EMPTY);
        FactoryAddresses.Batch batch = FactoryAddresses.of(plan).batches().get(0);
        assertThat(batch.boxes()).hasSize(3);
        assertThat(batch.waiting()).as("a plan begins with what is in force").isEmpty();
        Plan unpacked = FactoryAddresses.unpacked(batch).applyTo(plan);
        assertThat(Check.run(unpacked).findings()).anyMatch(f -> f.rule().equals("address.duplicate"));
        Plan at = unpacked;
        for (int left = 3; left > 0; left--) {
            FactoryAddresses.Batch now = FactoryAddresses.of(at).batches().get(0);
            assertThat(now.waiting()).hasSize(left);
            List<String> steps = FactoryAddresses.steps(at, now);
            assertThat(steps.get(0)).contains(now.waiting().get(0).name());
            assertThat(steps)
                    .anyMatch(s ->
                            s.contains(now.waiting().get(0).target().address().toString()));
            assertThat(String.join(" ", steps)).contains("Restart it, 8 s each.");
            at = FactoryAddresses.set(now.waiting().get(0)).applyTo(at);
        }
        assertThat(FactoryAddresses.steps(at, FactoryAddresses.of(at).batches().get(0)))
                .isEmpty();
        assertThat(at).isEqualTo(plan);
    }

    @Test
    void aWordStandsForAnAddressThatNobodyTypes() {
        Plan plan = TestPlans.pier();
        Id<Adapter> id =
                plan.index().adaptersOn(Kind.SEGMENT.id("light")).get(0).id();
        Plan asks = AddressWord.of(plan, id, 0, "DHCP").orElseThrow().applyTo(plan);
        assertThat(asks.index().adapter(id).addresses().get(0).origin()).isEqualTo(AddressOrigin.DHCP);
        Plan self = AddressWord.of(plan, id, 0, "self").orElseThrow().applyTo(plan);
        assertThat(first(self, id.value()).address().isLinkLocal()).isTrue();
        assertThat(Check.run(self).findings()).anyMatch(f -> f.rule().equals("address.link-local-mix"));
        Plan two = AddressWord.of(plan, id, 0, "+ 10.77.200.1").orElseThrow().applyTo(plan);
        assertThat(two.index().adapter(id).addresses()).hasSize(2);
        assertThat(AddressWord.of(two, id, 1, "none").orElseThrow().applyTo(two))
                .isEqualTo(plan);
        assertThat(AddressWord.of(plan, id, 0, "10.77.0.9")).isEmpty();
    }
}
