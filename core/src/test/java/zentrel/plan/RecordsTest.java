package zentrel.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.lang.reflect.Method;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.demo.FernlightTrail;
import zentrel.profile.Direction;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileLimit;
import zentrel.profile.ProfilePoe;
import zentrel.profile.ProfilePorts;
import zentrel.profile.ProfileStep;
import zentrel.profile.ProfileSupply;
import zentrel.profile.Protocol;
import zentrel.text.Numbers;

/** The plan's values: what they refuse, and that an edit changes what it says and nothing else. */
class RecordsTest {
    private static final Plan READY = FernlightTrail.ready();

    /** Each table of a plan can be replaced, and none of the others is touched by that. */
    @Test
    void replacingOneTableLeavesTheOthers() {
        for (Kind<?> kind : Kind.TABLES) {
            replacing(kind);
        }
        assertThatThrownBy(() -> READY.with(Kind.PORT, List.of()))
                .hasMessage("A plan has no table of ports; each is part of another.");
    }

    private static <E> void replacing(Kind<E> kind) {
        Plan without = READY.with(kind, List.of());
        assertThat(without.table(kind)).isEmpty();
        for (Kind<?> other : Kind.TABLES) {
            if (!kind.equals(other)) {
                assertThat(without.table(other)).as("%s after %s", other, kind).isSameAs(READY.table(other));
            }
        }
        assertThat(without.with(kind, READY.table(kind))).as(kind.word()).isEqualTo(READY);
        assertThat(READY.with(kind, READY.table(kind))).isSameAs(READY);
    }

    /** Every with… method of every record gives back an equal value when it is given what was there. */
    @Test
    void withWhatWasThereNothingChanges() throws ReflectiveOperationException {
        List<Record> records = new ArrayList<>();
        records.addAll(READY.hosts());
        records.addAll(READY.applications());
        records.addAll(READY.fixtures());
        records.addAll(READY.universes());
        records.addAll(TestPlans.pier().cables());
        READY.hosts().forEach(h -> records.addAll(h.adapters()));
        int tried = 0;
        for (Record record : records) {
            for (Method with : record.getClass().getMethods()) {
                if (!with.getName().matches("with[A-Z].*") || with.getParameterCount() != 1) {
                    continue;
                }
                String field = Character.toLowerCase(with.getName().charAt(4))
                        + with.getName().substring(5);
                Object now;
                try {
                    now = record.getClass().getMethod(field).invoke(record);
                } catch (NoSuchMethodException e) {
                    continue; // a with that is not named after a field
                }
                if (with.getParameterTypes()[0].isInstance(now)) {
                    assertThat(with.invoke(record, now))
                            .as("%s of %s", with.getName(), record)
                            .isEqualTo(record);
                    tried++;
                }
            }
        }
        assertThat(tried).isGreaterThan(100);
    }

    @ParameterizedTest(name = "[{index}] {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "''|An id may not be empty.",
                "'a b'|may not contain blanks",
                "a@b|may not contain blanks",
                "a#b|may not contain blanks"
            })
    void anIdThatCouldNotBeWrittenInAFixIsRefused(String id, String expected) {
        for (Kind<?> kind : Kind.ALL) {
            assertThatThrownBy(() -> kind.id(id))
                    .as(kind.word())
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining(expected);
        }
    }

    @Test
    void aSettingGoesFromPlannedToTypedInToInForce() {
        Setting<Integer> set = Setting.of(5).planning(4);
        assertThat(set.isPending()).isTrue();
        assertThat(set.inForce()).isEqualTo(5);
        assertThat(set.entered()).isFalse();
        assertThat(set.typedIn().entered()).isTrue();
        assertThat(set.typedIn().inForce()).isEqualTo(5);
        assertThat(set.typedIn().applied()).isEqualTo(Setting.of(4));
        assertThat(set.typedIn().planning(3).entered())
                .as("another plan is to be typed in anew")
                .isFalse();
        assertThat(new Setting<>(4, 4, true).entered())
                .as("what is in force waits for nothing")
                .isFalse();
        assertThat(set).hasToString("4 (now 5)");
    }

    @ParameterizedTest(name = "{0} and {1}: {2}")
    @CsvSource({
        "3.9, 3.10, -1",
        "3.10, 3.9, 1",
        "3.0, 3, 0",
        "3, 3.0.0, 0",
        "2.9.9, 3.0, -1",
        "10.0, 9.9, 1",
        "1.0-beta, 1.0-alpha, 1",
        "2024.1, 2023.12, 1",
        "1.2.3, 1.2.3, 0"
    })
    void versionsAreComparedNumberByNumber(String a, String b, int order) {
        assertThat(Integer.signum(ProfileLimit.compareVersions(a, b))).isEqualTo(order);
        assertThat(Integer.signum(ProfileLimit.compareVersions(b, a))).isEqualTo(-order);
    }

    @Test
    void whatMakesNoSenseIsRefusedInASentence() {
        assertThatThrownBy(() ->
                        new Cable(Kind.CABLE.id("c"), "c", CableKind.DMX, Kind.HOST.id("a"), Kind.HOST.id("a"), true))
                .hasMessage("A cable has two different ends, and both are \"a\".");
        assertThatThrownBy(() -> new LabelRange(5, 4, 0)).hasMessage("A range runs upwards: 5 to 4 does not.");
        assertThatThrownBy(() -> new Break(Kind.UNIVERSE.id("u"), 0, 1))
                .hasMessage("A start slot is 1 or more, not 0.");
        assertThatThrownBy(() -> new Break(Kind.UNIVERSE.id("u"), 1, 0)).hasMessageContaining("not 0");
        assertThatThrownBy(() -> new Binding(BindingMode.ADAPTERS, List.of())).hasMessageContaining("names adapters");
        assertThatThrownBy(() -> new Binding(BindingMode.ALL, List.of(Kind.ADAPTER.id("a"))))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new ProfilePorts("P", 0, PortKind.DMX, Set.of(Direction.OUTPUT), 0, Optional.empty()))
                .hasMessage("A group has 1 to 4096 ports, not 0.");
        assertThatThrownBy(() -> new ProfilePorts("P", 1, PortKind.DMX, Set.of(), 0, Optional.empty()))
                .hasMessageContaining("not to neither");
        assertThatThrownBy(
                        () -> new ProfileLimit(Protocol.SACN, -1, Optional.empty(), Optional.empty(), Optional.empty()))
                .hasMessage("A limit is 0 universes or more, not -1.");
        assertThatThrownBy(() -> new ProfileStep(Set.of("address"), "x", 0, 1, ""))
                .hasMessageContaining("1 to 9 times");
        assertThatThrownBy(() -> new ProfilePoe(0, 5)).hasMessageContaining("more than 0 W");
        assertThatThrownBy(() -> new ProfileSupply("PoE", true, -1)).hasMessageContaining("not -1.0");
    }

    @ParameterizedTest(name = "{0} is written {1}")
    @CsvSource({"34, 34", "15.4, 15.4", "5.50, 5.5", "0, 0", "31.96, 32", "-2.25, -2.2"})
    void numbersAreWrittenPlainly(double value, String text) {
        assertThat(Numbers.plain(value)).isEqualTo(text);
    }

    @Test
    void directDmxCrossesNoNetwork() {
        assertThat(Protocol.DMX.onNetwork()).isFalse();
        assertThatThrownBy(Protocol.DMX::traffic).hasMessage("DMX crosses no network.");
        assertThatThrownBy(() -> Purpose.sending(Protocol.DMX)).hasMessage("DMX crosses no network.");
        assertThat(Protocol.ARTNET.other()).isEqualTo(Protocol.SACN);
        assertThat(Protocol.SACN.other()).isEqualTo(Protocol.ARTNET);
    }

    @Test
    void freeIdsAreFreeAndReadable() {
        Ids ids = new Ids(READY);
        assertThat(ids.next("boathouse-node")).isEqualTo("boathouse-node-2");
        assertThat(ids.next("boathouse-node")).isEqualTo("boathouse-node-3");
        assertThat(ids.next("pier")).isEqualTo("pier");
        assertThat(Ids.of("Café Terrasse № 7", "box")).isEqualTo("cafe-terrasse-7");
        assertThat(Ids.of("  ", "box")).isEqualTo("box");
        assertThat(Ids.of("灯", "box")).isEqualTo("box");
        assertThat(Ids.of("x".repeat(300), "box")).hasSize(60);
    }
}
