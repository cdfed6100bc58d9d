package zentrel.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.demo.FernlightTrail;
import zentrel.plan.Plan;

/** Text that acts is kept out of a plan by every way, and shown so that it does nothing. */
public class PlainTextTest {
    /** One of each kind: line breaks, keys of a terminal, marks of direction (Unicode 15, 9.2), half of a pair. */
    public static final List<String> ACTING = List.of(
            "\n",
            "\r",
            "\t",
            "\0",
            "\u001b[2J",
            "\u007f",
            "\u0085",
            "\u009b",
            "\u2028",
            "\u2029",
            "\u202e",
            "\u2066",
            "\ud800",
            "\udc00");

    @Test
    void theFaultIsNamedWithItsPlace() {
        Map<String, String> faults = Map.of(
                "a\nb", "has a line break (U+000A) after \"a\"",
                "a\tb", "has a tab (U+0009) after \"a\"",
                "\u001b[2J", "has a control character (U+001B) at its start",
                "Hut\u202etuh", "has a mark that changes the direction of text (U+202E) after \"Hut\"",
                "x\ud800", "has half of a character (U+D800) after \"x\"");
        faults.forEach((text, fault) -> assertThat(PlainText.fault(text)).contains(fault));
    }

    @Test
    void orientalAndMathematicalNamesArePlain() {
        for (String name : List.of("Büro", "走", "شاشة", "𝄞 desk", "a'b\"c", "50 % & up", "\u00A0", "")) {
            assertThat(PlainText.fault(name)).as(name).isEmpty();
            assertThat(PlainText.cleaned(name)).isSameAs(name);
        }
    }

    @Test
    void cleanedTextIsPlainAndPlainTextStaysAndShownTextNeverActs() {
        Random random = new Random(45);
        for (int i = 0; i < 3000; i++) {
            StringBuilder any = new StringBuilder();
            for (int k = random.nextInt(12); k >= 0; k--) {
                any.append(
                        random.nextInt(3) == 0
                                ? ACTING.get(random.nextInt(ACTING.size()))
                                : String.valueOf((char) random.nextInt(0x3000)));
            }
            String text = any.toString();
            assertThat(PlainText.fault(PlainText.cleaned(text))).as(text).isEmpty();
            assertThat(PlainText.fault(PlainText.shown(text, 200))).as(text).isEmpty();
            assertThat(PlainText.shown(text, 5).length()).isLessThanOrEqualTo(5 * 9 + 1);
        }
        assertThat(PlainText.cleaned("Hut\r\n desk")).isEqualTo("Hut desk");
        assertThat(PlainText.shown("a\u001b[31mb", 20)).isEqualTo("a<U+001B>[31mb");
        assertThat(PlainText.shown("abcdef", 3)).isEqualTo("abc…");
    }

    /** Every text of every record of a plan, by its constructor: no way into a plan goes around that. */
    @Test
    void noRecordOfAPlanTakesTextThatActs() throws ReflectiveOperationException {
        List<Record> records = new ArrayList<>();
        for (Plan plan : List.of(FernlightTrail.ready(), TestPlans.pier())) {
            records.addAll(records(plan));
        }
        int tried = 0;
        List<String> open = new ArrayList<>();
        for (Class<?> type : records.stream().map(Object::getClass).distinct().toList()) {
            Record record =
                    records.stream().filter(type::isInstance).findFirst().orElseThrow();
            RecordComponent[] parts = type.getRecordComponents();
            for (int at = 0; at < parts.length; at++) {
                if (parts[at].getType() != String.class) {
                    continue;
                }
                for (String acting : ACTING) {
                    Object[] values = new Object[parts.length];
                    for (int i = 0; i < parts.length; i++) {
                        values[i] =
                                i == at ? "a" + acting : parts[i].getAccessor().invoke(record);
                    }
                    tried++;
                    try {
                        type.getConstructor(Arrays.stream(parts)
                                        .map(RecordComponent::getType)
                                        .toArray(Class<?>[]::new))
                                .newInstance(values);
                        open.add(type.getSimpleName() + "." + parts[at].getName());
                    } catch (InvocationTargetException e) {
                        assertThat(e.getCause()).isInstanceOf(IllegalArgumentException.class);
                    }
                }
            }
        }
        assertThat(open).isEmpty();
        assertThat(tried).isGreaterThan(20 * ACTING.size());
        assertThatThrownBy(() -> Plan.EMPTY.withName("a\nb")).hasMessageContaining("line break");
    }

    /** The records of a plan with those inside them, found by their components, so that a new kind is tried as well. */
    private static List<Record> records(Plan plan) throws ReflectiveOperationException {
        List<Record> all = new ArrayList<>();
        for (Method m : Plan.class.getMethods()) {
            if (List.class.equals(m.getReturnType()) && m.getParameterCount() == 0) {
                collect(m.invoke(plan), all);
            }
        }
        return all;
    }

    private static void collect(Object value, List<Record> into) throws ReflectiveOperationException {
        if (value instanceof Iterable<?> many) {
            for (Object each : many) {
                collect(each, into);
            }
        } else if (value instanceof Optional<?> maybe && maybe.isPresent()) {
            collect(maybe.get(), into);
        } else if (value instanceof Record record && record.getClass().getPackage() == Plan.class.getPackage()) {
            into.add(record);
            for (RecordComponent part : record.getClass().getRecordComponents()) {
                collect(part.getAccessor().invoke(record), into);
            }
        }
    }
}
