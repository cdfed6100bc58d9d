package zentrel.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TemplateTest {
    private static String filled(String template, Map<String, Object> values) {
        return new Template(template).fill(name -> String.valueOf(values.get(name)), name -> (Number) values.get(name));
    }

    @Test
    void placesAreFilledByName() {
        assertThat(filled("{b.own}'s {a}, {a}", Map.of("a", "port", "b.own", "Desk")))
                .isEqualTo("Desk's port, port");
    }

    @Test
    void whatIsFilledInIsTextAndNoTemplate() {
        assertThat(filled("<{a}>", Map.of("a", "{b} 'x' {0}"))).isEqualTo("<{b} 'x' {0}>");
    }

    @ParameterizedTest
    @CsvSource({"0, 0 fixtures of 9", "1, 1 fixture of 9", "2, 2 fixtures of 9", "32768, 32768 fixtures of 9"})
    void numbersAreCountedAndWrittenWithoutSeparators(int count, String expected) {
        String template = "{n,choice,0#{n} fixtures|1#{n} fixture|1<{n} fixtures} of {all}";
        assertThat(filled(template, Map.of("n", count, "all", 9))).isEqualTo(expected);
    }

    @Test
    void bracesThatDoNotMatchAreRefused() {
        assertThatThrownBy(() -> new Template("{a")).isInstanceOf(IllegalArgumentException.class);
    }
}
