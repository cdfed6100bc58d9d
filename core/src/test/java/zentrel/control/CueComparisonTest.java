package zentrel.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.control.CueDifference.Kind;
import zentrel.table.TextTable;

/** Two cue lists that should be one: read from tables, compared; what differs is found, and nothing else. */
class CueComparisonTest {
    private static CueTable read(String csv) {
        return CueTable.of(TextTable.parse(csv));
    }

    private static List<String> compared(String a, String b) {
        return CueComparison.of(read(a), read(b)).differences().stream()
                .map(d -> d.kind().word() + " " + d.list() + "/" + d.cue() + " " + d.a() + "|" + d.b())
                .toList();
    }

    @Test
    void eachKindOfDifferenceIsFoundOnce() {
        String desk = """
                List,Cue,Label,Time,Note
                2,41,Canal wakes,3.0,
                2,42,"Bridge, cold",2.5,
                2,43,Lantern walk,8,slowly
                2,43.5,"Lantern walk, slow",12,
                2,44,Boathouse doors,4,
                2,45,Reeds,6,
                2,46,Pergola chase,0,
                """;
        String paper = """
                Cue list;Number;Name;Fade;Remarks
                2;41.0;Canal wakes;3;
                2;42;Bridge cold;0:02.5;
                2;43;Lantern walk;8 s;softly
                2;45;Reeds;5.0;
                2;44;Boathouse doors;4;
                2;46;Pergola chase;0;
                2;47;Curtain of light;5;
                """;
        assertThat(compared(desk, paper))
                .containsExactly(
                        "label 2/42 Bridge, cold|Bridge cold",
                        "note 2/43 slowly|softly",
                        "missing-in-b 2/43.5 Lantern walk, slow|",
                        "order 2/44 after 43|after 45",
                        "time 2/45 6|5",
                        "missing-in-a 2/47 |Curtain of light");
        assertThat(compared(desk, desk)).isEmpty();
    }

    @Test
    void whatOneListHasNoColumnForIsNotCompared() {
        assertThat(compared("Cue,Label,Time\n1,Dawn,3\n", "1\n2\n")).containsExactly("missing-in-a 1/2 |");
        assertThat(compared("1,Dawn\n2,Noon\n", "cue,label\n2,Noon\n1,Dusk\n"))
                .containsExactlyInAnyOrder("label 1/1 Dawn|Dusk", "order 1/1 first|after 2");
    }

    @ParameterizedTest
    @CsvSource({"3, 3", "3.0, 3", "0, 0", "0:03, 3", "1:30.5, 90.5", "'2,5', 2.5", "4 s, 4", "snap, snap", "'', ''"})
    void timesAreBroughtToSeconds(String written, String seconds) {
        assertThat(CueTable.seconds(written)).isEqualTo(seconds);
    }

    @Test
    void rowsThatAreNoCueAreNamedAndNothingElseIsLost() {
        CueTable table = read("""
                Evening show,,
                Cue,Label,Time
                1,Dawn,3
                1.0,Dawn again,3
                x,Nobody,3

                ,No number,2
                1234567,Too far,1
                2,Noon,
                """);
        assertThat(table.cues()).extracting(c -> c.number() + " " + c.label()).containsExactly("1 Dawn", "2 Noon");
        assertThat(table.leftOut())
                .extracting(l -> l.row() + " " + l.why())
                .containsExactly(
                        "4 cue 1 of list 1 stands in row 3 already",
                        "5 “x” is no cue number; it goes from 0 to 99999.9999",
                        "7 it has no cue number",
                        "8 “1234567” is no cue number; it goes from 0 to 99999.9999");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> read("Dawn,Dusk\nNoon,Night\n"))
                .withMessageContaining("No column holds cue numbers");
    }

    /** Lists spoilt at random: exactly what was spoilt is found; as few cues are said to have moved as can be. */
    @RepeatedTest(20)
    void exactlyWhatWasSpoiltIsFound(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<Cue> cues = new ArrayList<>();
        for (int i = 1; i <= 40; i++) {
            cues.add(new Cue("1", CueNumber.of(i + ".5").orElseThrow(), "Cue " + i, "" + i, ""));
        }
        List<Cue> other = new ArrayList<>(cues);
        Set<String> spoilt = new HashSet<>();
        for (int i = 0; i < 6; i++) {
            int at = random.nextInt(other.size());
            Cue cue = other.get(at);
            if (spoilt.stream().noneMatch(s -> s.endsWith(" " + cue.number()))) {
                if (random.nextBoolean()) {
                    spoilt.add(Kind.LABEL + " " + cue.number());
                    other.set(at, new Cue("1", cue.number(), "Other", cue.time(), ""));
                } else {
                    spoilt.add(Kind.MISSING_IN_B + " " + cue.number());
                    other.remove(at);
                }
            }
        }
        Cue moved = other.get(random.nextInt(other.size() - 3));
        boolean clean = spoilt.stream().noneMatch(s -> s.endsWith(" " + moved.number()));
        if (clean) {
            int from = other.indexOf(moved);
            Collections.rotate(other.subList(from, from + 3), -1);
            spoilt.add(Kind.ORDER + " " + moved.number());
        }
        Set<CueTable.Column> all = Set.of(CueTable.Column.values());
        CueComparison comparison =
                CueComparison.of(new CueTable(cues, all, List.of()), new CueTable(other, all, List.of()));
        assertThat(comparison.differences())
                .extracting(d -> d.kind() + " " + d.cue())
                .containsExactlyInAnyOrderElementsOf(spoilt);
        assertThat(comparison.rows()).hasSize(cues.size());
        CueTable again = CueTable.of(TextTable.parse(CueTable.table(other).csv()));
        assertThat(again.cues()).isEqualTo(other);
    }
}
