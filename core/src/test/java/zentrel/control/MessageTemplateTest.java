package zentrel.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Messages with parts: written, filled in, read again. Addresses are invented. */
class MessageTemplateTest {
    @ParameterizedTest
    @CsvSource(delimiter = '>', textBlock = """
            /lights/level channel:int level:0-1       > 7|75 %        > /lights/level 7 0.75
            /lights/level channel:int level:0-1       > 7|0           > /lights/level 7 0
            /lights/{channel:int}/level level:level   > 12|50%        > /lights/12/level 128
            /cue/{list:int}/{cue:decimal}/go          > 2|7.2         > /cue/2/7.2/go
            /fern/next list:int cue:decimal           > 1|3           > /fern/next 1 3
            /label cue:decimal label:text             > 4|Canal wakes > /label 4 "Canal wakes"
            /share level:percent                      > 12.5          > /share 12.5
            /lamp on:switch                           > off           > /lamp false
            /fixed 1 0.5 "as it is" true              > ''            > /fixed 1 0.5 "as it is" true
            """)
    void partsAreFilledIn(String template, String values, String sent) {
        MessageTemplate parsed = MessageTemplate.parse(template);
        assertThat(parsed.fill(list(values))).hasToString(sent);
        assertThat(parsed.toString()).isEqualTo(template.strip());
        assertThat(MessageTemplate.parse(parsed.toString())).isEqualTo(parsed);
    }

    private static List<String> list(String values) {
        return values.isEmpty() ? List.of() : Arrays.asList(values.split("\\|", -1));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '>', textBlock = """
            lights                     > ''         > starts with a slash
            /lights/é                  > ''         > does not allow
            /a cue:number              > ''         > A part holds int, decimal
            /a go                      > ''         > quotation marks
            /a n:int n:int             > ''         > twice
            /a n:int                   > ''         > 1 parts
            /a n:int                   > 3.5        > n: "3.5" is not a whole number
            /a l:level                 > 256        > from 0 to 255
            /a l:0-1                   > 1.5        > from 0 to 1
            /a l:0-1                   > NaN        > is not a number
            /a l:0-1                   > 120 %      > from 0 to 100
            /a s:switch                > perhaps    > neither on nor off
            /a/{n:text}                > up/down    > cannot stand in an OSC address
            """)
    void whatDoesNotFitIsSaidWithItsPart(String template, String value, String why) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> MessageTemplate.parse(template).fill(list(value)))
                .withMessageContaining(why);
    }

    @Test
    void whatComesBackIsReadByTheSameTemplate() {
        MessageTemplate cue = MessageTemplate.parse("/fern/cue/{list:int} cue:decimal label:text time:decimal");
        assertThat(cue.read(
                        "/fern/cue/2",
                        List.of(
                                new OscValue.Decimal(43.5f),
                                new OscValue.Text("Lantern walk"),
                                new OscValue.Decimal(8))))
                .contains(Map.of("list", "2", "cue", "43.5", "label", "Lantern walk", "time", "8"));
        assertThat(cue.read("/fern/cue/2", List.of(new OscValue.Decimal(43.5f))))
                .isEmpty();
        assertThat(cue.read("/fern/cues/2", List.of())).isEmpty();
        assertThat(cue.pattern()).isEqualTo("/fern/cue/*");
        assertThat(OscPattern.matches(cue.pattern(), "/fern/cue/2")).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '>', textBlock = """
            3, 4 and 7.2      > 3 4 7.2
            1-5               > 1 2 3 4 5
            10-50 by 20       > 10 30 50
            1–2; 9            > 1 2 9
            0.5-1 by 0.25     > 0.5 0.75 1.00
            first, then       > first then
            """)
    void severalValuesAreWrittenInOneLine(String text, String values) {
        assertThat(ValueList.of(text)).containsExactlyElementsOf(Arrays.asList(values.split(" ")));
    }

    @ParameterizedTest
    @ValueSource(strings = {"5-1", "1-5 by 0", "1-99999999"})
    void rangesThatLeadNowhereAreRefused(String text) {
        assertThatIllegalArgumentException().isThrownBy(() -> ValueList.of(text));
    }

    @Test
    void everyCombinationIsMadeTheLastPartChangingFirst() {
        assertThat(ValueList.combined(List.of(ValueList.of("1-12"), ValueList.of("0, 50, 100"))))
                .hasSize(36)
                .startsWith(List.of("1", "0"), List.of("1", "50"), List.of("1", "100"), List.of("2", "0"))
                .endsWith(List.of("12", "100"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> ValueList.combined(List.of(ValueList.of("1-9000"), ValueList.of("1-9000"))));
    }
}
