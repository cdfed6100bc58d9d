package zentrel.entry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.TestPlans;
import zentrel.check.RandomPlans;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanWriter;
import zentrel.plan.*;
import zentrel.profile.ProfileSign;
import zentrel.profile.ProfileSupply;
import zentrel.profile.VoltRange;

/** Whatever a plan can hold can be entered, and what is entered is what is shown then. */
class EntriesTest {
    /**
     * What is no value of an entity: its id, parts that are entities of their own, and rows and
     * pictures, for which the pages have files.
     */
    private static final Map<Kind<?>, Set<String>> NO_VALUES = Map.of(
            Kind.HOST,
            Set.of("adapters"),
            Kind.RECEIVER,
            Set.of("ports"),
            Kind.PATCH_LIST,
            Set.of("rows"),
            Kind.GROUND_PICTURE,
            Set.of("picture"));

    /** Components that are gone into, for their own components are what is entered. */
    private static final Set<Class<?>> INTO = Set.of(
            Plug.class,
            SwitchFeatures.class,
            Power.class,
            Firewall.class,
            Installed.class,
            ReceiverCapability.class,
            OscInput.class,
            DhcpServer.class,
            Own.class,
            FixtureUse.class,
            SlotStyle.class,
            ProtocolOutput.class,
            PixelWiring.class,
            PixelType.class,
            PixelPlacing.class,
            PixelDivision.class,
            PixelLimits.class,
            PixelSupply.class,
            FixtureAim.class,
            FixtureOptics.class);

    /** Fixtures of a plan that is written and read again after each entry. */
    private static final int SMALL = 20;

    /** Entered together with another: the pool of a DHCP server is one text. */
    private static final Set<String> TOGETHER = Set.of("serves.last");

    static List<Kind<?>> kinds() {
        return Kind.ALL;
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void everyComponentHasAField(Kind<?> kind) {
        Set<String> covered = Entries.of(kind).stream().map(Field::covers).collect(Collectors.toSet());
        List<String> wanted = new ArrayList<>();
        for (RecordComponent c : kind.type().getRecordComponents()) {
            if (!c.getName().equals("id")
                    && !NO_VALUES.getOrDefault(kind, Set.of()).contains(c.getName())) {
                components(c, "", wanted);
            }
        }
        assertThat(covered).containsExactlyInAnyOrderElementsOf(new HashSet<>(wanted));
        List<String> keys = Entries.of(kind).stream().map(Field::key).toList();
        assertThat(keys).doesNotHaveDuplicates().allMatch(k -> k.matches("[a-z-]+"));
    }

    private static void components(RecordComponent c, String before, List<String> to) {
        String name = before + c.getName();
        Optional<Class<?>> into =
                types(c.getGenericType()).filter(INTO::contains).findFirst();
        if (into.isPresent()) {
            for (RecordComponent inner : into.get().getRecordComponents()) {
                components(inner, name + ".", to);
            }
        } else if (!TOGETHER.contains(name)) {
            to.add(name);
        }
    }

    private static Stream<Class<?>> types(Type type) {
        if (type instanceof Class<?> c) {
            return Stream.of(c);
        }
        return type instanceof ParameterizedType p
                ? Stream.of(p.getActualTypeArguments()).flatMap(EntriesTest::types)
                : Stream.of();
    }

    static List<Plan> plans() {
        List<Plan> plans = new ArrayList<>(List.of(FernlightTrail.draft(), FernlightTrail.ready(), TestPlans.pier()));
        for (long seed = 0; seed < 6; seed++) {
            plans.add(RandomPlans.rig(seed));
        }
        return plans;
    }

    private interface Each {
        <E> void of(Field<E> field, Id<E> id);
    }

    private static void each(Plan plan, Each each) {
        Kind.ALL.forEach(kind -> each(plan, kind, each));
    }

    private static <E> void each(Plan plan, Kind<E> kind, Each each) {
        List<E> all = plan.all(kind);
        for (E entity : all.subList(0, Math.min(8, all.size()))) {
            Entries.of(kind).forEach(f -> each.of(f, kind.idOf(entity)));
        }
    }

    @ParameterizedTest
    @MethodSource("plans")
    void whatIsShownIsReadAsTheSame(Plan plan) {
        each(plan, new Each() {
            @Override
            public <E> void of(Field<E> field, Id<E> id) {
                Field.Shown shown = field.shown(plan, id);
                if (shown.planned().isEmpty()) {
                    assertThat(field.written(plan, id, shown.inForce()))
                            .as("%s of %s: %s", field, id, shown)
                            .isEqualTo(plan);
                }
            }
        });
    }

    @ParameterizedTest
    @MethodSource("plans")
    void whatIsChosenIsShownThenAndKeptInTheFile(Plan plan) {
        each(plan, new Each() {
            @Override
            public <E> void of(Field<E> field, Id<E> id) {
                List<String> choices = field.choices(plan);
                for (String choice : choices.subList(0, Math.min(4, choices.size()))) {
                    Plan next;
                    try {
                        next = field.entered(plan, id, choice);
                    } catch (IllegalArgumentException e) {
                        assertThat(e).as("%s to %s", field, choice).hasMessageEndingWith(".");
                        continue;
                    }
                    assertThat(field.shown(next, id))
                            .as("%s of %s", field, id)
                            .isEqualTo(new Field.Shown(choice, Optional.empty()));
                    if (plan.fixtures().size() < SMALL) {
                        assertThat(TestPlans.read(PlanWriter.write(LoadedPlan.of(next))))
                                .as("%s of %s to %s, in the file", field, id, choice)
                                .isEqualTo(next);
                    }
                }
            }
        });
    }

    @ParameterizedTest
    @MethodSource("plans")
    void whatCannotBeReadIsRefusedInASentence(Plan plan) {
        for (String text : List.of("§ 7", "-1", "999999999999", "300.1.2.3/99", "as, at, from", "\u0007")) {
            each(plan, new Each() {
                @Override
                public <E> void of(Field<E> field, Id<E> id) {
                    try {
                        field.entered(plan, id, text);
                    } catch (IllegalArgumentException e) {
                        assertThat(e.getMessage())
                                .as("%s to %s", field, text)
                                .endsWith(".")
                                .doesNotContain("null");
                    }
                }
            });
        }
    }

    /** Names as devices have them: with numbers, volts and commas of their own. */
    @Test
    void suppliesAndSignsOfOneDeviceAreReadAsTheyAreShown() {
        List<ProfileSupply> supplies = List.of(
                new ProfileSupply("DC 12 V", false, 0),
                new ProfileSupply("Mains, left 5 W", false, 5.55, Optional.of(new VoltRange(99.5, 240))),
                new ProfileSupply("Cable by PoE", true, 8));
        assertThat(OwnFormats.SUPPLIES.read(Plan.EMPTY, OwnFormats.SUPPLIES.shown(Plan.EMPTY, supplies)))
                .isEqualTo(supplies);
        List<ProfileSign> signs = List.of(new ProfileSign("the light, left", "levels arrive", "flickers, then holds"));
        assertThat(OwnFormats.SIGNS.read(Plan.EMPTY, OwnFormats.SIGNS.shown(Plan.EMPTY, signs)))
                .isEqualTo(signs);
        assertThatThrownBy(() -> OwnFormats.SUPPLIES.read(Plan.EMPTY, "Mains: many"))
                .hasMessageContaining("\"many\"");
        assertThatThrownBy(() -> OwnFormats.SIGNS.read(Plan.EMPTY, "light: on")).hasMessageContaining("2 parts");
    }
}
