package zentrel.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Method;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.Ipv4Address;

/**
 * Copies with one thing changed, of every record of the plan that has any: the one thing is as asked, and all others are as they
 * were. Found by reflection, so that a new one is tried without anybody thinking of it.
 */
class CopiesTest {
    private static final Plan READY = FernlightTrail.ready();

    static Stream<Arguments> copies() {
        List<Record> samples = new ArrayList<>();
        READY.hosts().stream().limit(3).forEach(samples::add);
        READY.hosts().stream().flatMap(h -> h.adapters().stream()).limit(4).forEach(samples::add);
        READY.applications().stream().limit(4).forEach(samples::add);
        READY.streams().stream().limit(4).forEach(samples::add);
        READY.receivers().stream().limit(3).forEach(samples::add);
        READY.receivers().stream().flatMap(r -> r.ports().stream()).limit(4).forEach(samples::add);
        READY.segments().forEach(samples::add);
        READY.fixtures().stream().limit(2).forEach(samples::add);
        READY.links().stream().limit(2).forEach(samples::add);
        List<Arguments> all = new ArrayList<>();
        for (Record sample : samples) {
            for (Method method : sample.getClass().getMethods()) {
                boolean copies = method.getName().startsWith("with")
                        && !method.getName().equals("withBreaks") // a fixture without any is refused
                        && method.getParameterCount() == 1
                        && method.getReturnType().equals(sample.getClass());
                if (copies) {
                    all.add(Arguments.of(sample.getClass().getSimpleName() + "." + method.getName(), sample, method));
                }
            }
        }
        assertThat(all).hasSizeGreaterThan(80);
        return all.stream();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("copies")
    void theCopyDiffersInOneThingOnly(String what, Record sample, Method method) throws ReflectiveOperationException {
        Optional<Object> value = another(method.getGenericParameterTypes()[0], method);
        if (value.isEmpty()) {
            return; // a value of a kind that has a test of its own
        }
        Object copy = method.invoke(sample, value.get());
        List<String> changed = new ArrayList<>();
        for (RecordComponent component : sample.getClass().getRecordComponents()) {
            Object before = component.getAccessor().invoke(sample);
            Object after = component.getAccessor().invoke(copy);
            if (!before.equals(after)) {
                changed.add(component.getName());
                assertThat(holds(after, value.get()))
                        .as(what + " holds " + value.get() + ": " + after)
                        .isTrue();
            }
        }
        assertThat(changed).as(what).hasSizeLessThanOrEqualTo(1);
        if (changed.isEmpty()) {
            assertThat(copy).isEqualTo(sample);
        } else {
            String asked = method.getName().substring("with".length()).toLowerCase(java.util.Locale.ROOT);
            assertThat(changed.get(0).toLowerCase(java.util.Locale.ROOT))
                    .as(what)
                    .contains(asked);
            assertThat(method.invoke(copy, value.get()))
                    .as("once more changes nothing")
                    .isEqualTo(copy);
        }
    }

    /** Whether a component is the value, or a setting or an optional of it. */
    private static boolean holds(Object component, Object value) {
        if (component.equals(value)) {
            return true;
        }
        if (component instanceof Setting<?> setting) {
            return setting.inForce().equals(value) && setting.planned().equals(value);
        }
        return component instanceof Optional<?> optional
                && optional.filter(o -> holds(o, value)).isPresent();
    }

    /** A value of a type, unlike the one that a sample has where that is easily told. */
    private static Optional<Object> another(Type type, Method method) {
        if (type == boolean.class) {
            return Optional.of(!method.getName().contains("Carrier"));
        }
        if (type == int.class) {
            return Optional.of(17);
        }
        if (type == double.class) {
            return Optional.of(33.5);
        }
        if (type == String.class) {
            return Optional.of(text(method));
        }
        if (type instanceof Class<?> c && c.isEnum()) {
            Object[] constants = c.getEnumConstants();
            return Optional.of(constants[constants.length - 1]);
        }
        if (type instanceof ParameterizedType p && p.getRawType() == Id.class) {
            return Kind.ALL.stream()
                    .filter(k -> k.type() == p.getActualTypeArguments()[0])
                    .<Object>map(k -> k.id("elsewhere"))
                    .findFirst();
        }
        if (type instanceof Class<?> c && c == Ipv4Address.class) {
            return Optional.of(Ipv4Address.of(10, 9, 8, 7));
        }
        if (type instanceof ParameterizedType p && p.getRawType() == List.class) {
            return Optional.of(List.of());
        }
        if (type instanceof ParameterizedType p && p.getRawType() == Optional.class) {
            return Optional.of(Optional.empty());
        }
        return Optional.empty();
    }

    /** A text that may stand there: of a message its address, or what is sent after it. */
    private static String text(Method method) {
        return switch (method.getName()) {
            case "withPattern" -> "/another";
            case "withArguments" -> "another:int";
            default -> "Another word";
        };
    }
}
