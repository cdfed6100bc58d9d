package zentrel.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.demo.FernlightTrail;
import zentrel.plan.PatchColumn;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Plan;
import zentrel.plan.SlotNotation;
import zentrel.plan.SlotStyle;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/** Two lists of fixtures that should be one: read from tables, compared; what differs is found, and nothing else. */
class PatchComparisonTest {
    private static FixtureList read(String text) {
        return PatchTable.read(TextTable.parse(text));
    }

    private static List<String> compared(FixtureList a, FixtureList b) {
        return PatchComparison.of(a, b).differences().stream()
                .map(d -> d.kind().word() + " " + d.number() + " " + d.a() + "|" + d.b() + " by "
                        + d.matchedBy().word())
                .toList();
    }

    @Test
    void eachKindOfDifferenceIsFoundOnce() {
        FixtureList console = read("""
                Number,Label,Type,Mode,Universe,Address,Footprint,Position
                101,North 1,Wash,Wash 18,1,1,18,Pipe 1
                102,North 2,Wash,Wash 18,1,19,18,Pipe 1
                103,North 3,Wash,Wash 18,1,37,18,Pipe 1
                104,North 4,Wash,Wash 18,1,55,18,Pipe 1
                105,North 5,Wash,Wash 18,1,73,18,Pipe 1
                106,North 6,Wash,Wash 18,1,91,18,Pipe 1
                107,North 7,Wash,Wash 18,1,109,18,Pipe 1
                108,North 8,Wash,Wash 18,1,127,18,Pipe 1
                109,North 9,Wash,Wash 18,1,145,18,Pipe 1
                110,Doors,Spot,Basic,2,1,24,Tower
                """);
        FixtureList previs = read("""
                sep=;
                Fernlight;;;;;;
                Fixture ID;Name;Fixture Type;DMX Mode;Patch;Channels;Location
                101;North 1;Wash;Wash 18;1.1;18;Pipe 1
                102;North two;Wash;Wash 18;1.19;18;Pipe 1
                103;North 3;Spot;Wash 18;1.37;18;Pipe 1
                104;North 4;Wash;Wash 16;1.55;16;Pipe 1
                105;North 5;Wash;Wash 18;3.73;18;Pipe 1
                106;North 6;Wash;Wash 18;1.92;18;Pipe 1
                108;North 8;Wash;Wash 18;1.127;18;Pipe 2
                209;North 9;Wash;Wash 18;1.145;18;Pipe 1
                310;Doors;Spot;Basic;2.201;24;Tower
                111;Reeds;Spot;Basic;2.25;24;Tower
                """);
        assertThat(console.leftOut()).isEmpty();
        assertThat(previs.leftOut()).extracting(LeftOut::row).isEmpty();
        assertThat(compared(console, previs))
                .containsExactly(
                        "label 102 North 2|North two by number",
                        "type 103 Wash|Spot by number",
                        "footprint 104 18|16 by number",
                        "mode 104 Wash 18|Wash 16 by number",
                        "universe 105 U1|U3 by number",
                        "address 106 U1 slot 91|U1 slot 92 by number",
                        "missing-in-b 107 U1 slot 109, Wash, Wash 18, North 7| by number",
                        "position 108 Pipe 1|Pipe 2 by number",
                        "number 109 109|209 by place",
                        "number 110 110|310 by likeness",
                        "address 110 U2 slot 1|U2 slot 201 by likeness",
                        "missing-in-a 111 |U2 slot 25, Spot, Basic, Reeds by number");
    }

    /** Another light may hang where one was; the same one was numbered anew. */
    @Test
    void aPlaceAloneMakesNoMatchWhereTheRestDiffers() {
        FixtureList old = read("Number,Type,Address\n7,Wash,1.1\n8,Wash,1.19\n9,Spot,1.37\n");
        FixtureList now = read("Number,Label,Type,Address\n107,Doors,Wash,1.1\n8,Reeds,Wash,1.19\n10,Tower,Fan,1.37\n");
        assertThat(compared(old, now))
                .containsExactly(
                        "number 7 7|107 by place",
                        "missing-in-b 9 U1 slot 37, Spot| by number",
                        "missing-in-a 10 |U1 slot 37, Fan, Tower by number");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3 | 17 | 1 | U3 slot 17",
                "2 | 17 | 0 | U3 slot 17",
                "U3 | 17 | 1 | U3 slot 17",
                " | 3.17 | 1 | U3 slot 17",
                " | 3/17 | 1 | U3 slot 17",
                " | U3 slot 17 | 1 | U3 slot 17",
                " | 1041 | 1 | U3 slot 17",
                " | 16777216 | 1 | U32768 slot 512",
            })
    void startSlotsAreReadAsEachProgramWritesThem(String universe, String slot, int base, String meant) {
        String text = universe == null
                ? "number,address\n7," + slot + "\n"
                : "number,universe,slot\n7," + universe + "," + slot + "\n";
        FixtureList list = PatchTable.read(TextTable.parse(text), OptionalInt.of(base));
        assertThat(list.leftOut()).isEmpty();
        assertThat(list.rows().get(0).runs().get(0).shown()).isEqualTo(meant);
    }

    @Test
    void everyRowThatIsNoFixtureIsNamedAndTheRestIsRead() {
        FixtureList list = read("""
                ,Fernlight Trail,,
                ,,,
                Fixture,Address,Label,Footprint
                101,1.1,North 1,18
                102,1.513,,18
                103,0.0,,18
                104,U33000.1,,18
                101,1.40,again,18
                ,,Heading of a place,

                105,bridge,,18
                106,1.60,,0
                107,,not patched yet,
                0108,1.90,,18
                """);
        assertThat(list.rows()).extracting(PatchRow::number).containsExactly("101", "107", "108");
        assertThat(list.leftOut().stream().map(LeftOut::text))
                .containsExactly(
                        "Row 5: there is no slot 513; a universe has 1 to 512",
                        "Row 6: there is no universe 0; they go from 1 to 32768",
                        "Row 7: there is no universe 33000; they go from 1 to 32768",
                        "Row 8: fixture 101 stands in row 4 already",
                        "Row 9: “Heading of a place” has no fixture number and no start slot",
                        "Row 11: “bridge” is no start slot; write 3.17, or 3 and 17 in two columns",
                        "Row 12: a footprint has 1 to 512 slots, not 0");
    }

    @Test
    void columnsWithoutHeadingsAreToldByWhatStandsInThem() {
        FixtureList list = read("101\tNorth 1\tWash\t1\t1\n102\tNorth 2\tWash\t1\t19\n201\tSouth 1\tWash\t2\t1\n");
        assertThat(list.rows())
                .containsExactly(
                        PatchRow.of("101", "North 1", "Wash", "", List.of(new SlotRun(1, 1, 0))),
                        PatchRow.of("102", "North 2", "Wash", "", List.of(new SlotRun(1, 19, 0))),
                        PatchRow.of("201", "South 1", "Wash", "", List.of(new SlotRun(2, 1, 0))));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> read("Label,Note\nNorth,far\nSouth,near\n"))
                .withMessageContaining("write a heading");
    }

    @Test
    void partsOfAFixtureAreOneFixtureAndMillimetresAreMetres() {
        FixtureList list = read("""
                Channel,Part,Universe,Address,Slots,X (mm),Y (mm),Z (mm)
                7,1,1,101,12,1500,-2500,6000
                7,2,4,1,3,1500,-2500,6000
                """);
        PatchRow row = list.rows().get(0);
        assertThat(list.rows()).hasSize(1);
        assertThat(row.runs()).containsExactly(new SlotRun(1, 101, 12), new SlotRun(4, 1, 3));
        assertThat(row.position().orElseThrow()).isEqualTo(new zentrel.plan.Position(1.5, -2.5, 6));
    }

    /** A list that goes out and comes back is the list, in each layout. */
    @ParameterizedTest
    @CsvSource({"TWO_COLUMNS,1", "TWO_COLUMNS,0", "TOGETHER,1", "TOGETHER,0", "ABSOLUTE,1"})
    void aListComesBackAsItWent(SlotNotation notation, int base) {
        Plan plan = FernlightTrail.draft();
        FixtureList list = FixtureList.of(plan);
        ListLayout layout = ListLayout.USUAL.withStyle(new SlotStyle(notation, base));
        TextTable table = layout.table(list.rows());
        FixtureList csv = PatchTable.read(TextTable.parse(table.csv()), OptionalInt.of(base));
        assertThat(csv.leftOut()).isEmpty();
        assertThat(compared(list, csv)).isEmpty();
        FixtureList book = PatchTable.read(TextTable.workbook(table.workbook("Fixtures")), OptionalInt.of(base));
        assertThat(compared(list, book)).isEmpty();
        assertThat(book.rows()).hasSameSizeAs(list.rows());
    }

    /** Against changes of which each is known: all are found, and none besides. */
    @RepeatedTest(20)
    void whatWasChangedIsFound(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        List<PatchRow> rows = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            SlotRun slots = new SlotRun(1 + i / 20, 1 + i % 20 * 24, 20);
            rows.add(PatchRow.of(
                    String.valueOf(100 + i), "Light " + i, i % 3 == 0 ? "Wash" : "Spot", "M1", List.of(slots)));
        }
        List<PatchRow> changed = new ArrayList<>();
        Set<String> expected = new TreeSet<>();
        for (PatchRow row : rows) {
            SlotRun slots = row.runs().get(0);
            switch (random.nextInt(30)) {
                case 0 -> expected.add("missing-in-b " + row.number());
                case 1 -> {
                    changed.add(row.withLabel(row.label() + "!"));
                    expected.add("label " + row.number());
                }
                case 2 -> {
                    changed.add(row.withMode("M2"));
                    expected.add("mode " + row.number());
                }
                case 3 -> {
                    changed.add(row.withRuns(List.of(new SlotRun(slots.universe(), slots.slot() + 2, 20))));
                    expected.add("address " + row.number());
                }
                case 4 -> {
                    changed.add(row.withRuns(List.of(new SlotRun(slots.universe() + 40, slots.slot(), 20))));
                    expected.add("universe " + row.number());
                }
                case 5 -> {
                    changed.add(row.withRuns(List.of(new SlotRun(slots.universe(), slots.slot(), 21))));
                    expected.add("footprint " + row.number());
                }
                case 6 -> {
                    changed.add(row);
                    changed.add(row.withNumber("9" + row.number())
                            .withLabel("New " + row.number())
                            .withRuns(List.of()));
                    expected.add("missing-in-a 9" + row.number());
                }
                default -> changed.add(row);
            }
        }
        Collections.shuffle(changed, random);
        assertThat(PatchComparison.of(FixtureList.of(rows), FixtureList.of(changed)).differences().stream()
                        .map(d -> d.kind().word() + " " + d.number()))
                .containsExactlyInAnyOrderElementsOf(expected);
    }

    @Test
    void aPlanAgreesWithItselfAndTellsOnlyWhatItHas() {
        FixtureList list = FixtureList.of(FernlightTrail.draft());
        assertThat(compared(list, list)).isEmpty();
        assertThat(list.has())
                .contains(PatchColumn.NUMBER, PatchColumn.SLOT, PatchColumn.FOOTPRINT)
                .contains(PatchColumn.POSITION)
                .doesNotContain(PatchColumn.PURPOSE, PatchColumn.NOTE);
    }
}
