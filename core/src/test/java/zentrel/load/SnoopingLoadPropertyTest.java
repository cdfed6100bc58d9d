package zentrel.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.check.RandomPlans;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Protocol;

/** Load over random rigs whose switch snoops: never more than flooded, never less than what each member asked for. */
class SnoopingLoadPropertyTest {
    static java.util.stream.LongStream seeds() {
        return java.util.stream.LongStream.rangeClosed(1, 40);
    }

    /** A switch with an adapter on the stream network, which is enough to pass it on. */
    private static Plan with(Plan plan, SwitchFeatures switching) {
        java.util.List<Host> hosts = new java.util.ArrayList<>(plan.hosts());
        hosts.add(new Host(
                        Kind.HOST.id("watching"),
                        "Watching switch",
                        HostKind.SWITCH,
                        "",
                        OperatingSystem.FIRMWARE,
                        Optional.empty(),
                        java.util.List.of(new Adapter(
                                Kind.ADAPTER.id("watching.net"),
                                "Net",
                                AdapterKind.WIRED,
                                Optional.of(Kind.SEGMENT.id("stream")),
                                Setting.of(true),
                                true,
                                java.util.List.of(),
                                Optional.empty(),
                                Optional.empty())),
                        Firewall.OPEN,
                        SourceCheck.NONE)
                .withSwitching(switching));
        return plan.with(Kind.HOST, hosts);
    }

    private static Map<Id<Adapter>, Load.Link> links(Plan plan, boolean dies) {
        Map<Id<Adapter>, Load.Link> all = new HashMap<>();
        Load.of(
                        plan,
                        Optional.of(new Load.WhatIf(
                                0, Kind.APPLICATION.id("desk0"), Protocol.SACN, Delivery.MULTICAST, dies)))
                .links()
                .forEach(l -> all.put(l.adapter(), l));
        return all;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void membersGetTheirGroupsAndNobodyElseDoes(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        Map<Id<Adapter>, Load.Link> flooded = links(with(plan, SwitchFeatures.PLAIN), false);
        Map<Id<Adapter>, Load.Link> asked =
                links(with(plan, new SwitchFeatures(Setting.of(true), Setting.of(true), true, false)), false);
        flooded.forEach((id, before) -> {
            Load.Link now = asked.get(id);
            double in = now == null ? 0 : now.in().packets();
            assertThat(in).as(id.value()).isLessThanOrEqualTo(before.in().packets() + 1e-9);
            assertThat(in).as("what is meant for it").isCloseTo(before.meant().packets(), within(1e-6));
            if (now != null) {
                assertThat(now.out().packets()).isEqualTo(before.out().packets());
            }
        });
    }

    /** Dead, a switch that drops lets no group through, and one that does not floods; what is no group goes on. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whenTheQuerierDies(long seed) {
        boolean drops = new Random(seed).nextBoolean();
        Plan plan = RandomPlans.healthy(seed);
        Plan snooped = with(plan, new SwitchFeatures(Setting.of(true), Setting.of(true), drops, false));
        Plan noGroups = with(
                plan.with(
                        Kind.STREAM,
                        plan.streams().stream()
                                .filter(s -> s.delivery() != Delivery.MULTICAST)
                                .toList()),
                SwitchFeatures.PLAIN);
        Map<Id<Adapter>, Load.Link> expected =
                drops ? links(noGroups, false) : links(with(plan, SwitchFeatures.PLAIN), false);
        Map<Id<Adapter>, Load.Link> dead = links(snooped, true);
        for (Host host : snooped.hosts()) {
            for (Adapter adapter : host.adapters()) {
                double wanted = expected.containsKey(adapter.id())
                        ? expected.get(adapter.id()).in().packets()
                        : 0;
                double got = dead.containsKey(adapter.id())
                        ? dead.get(adapter.id()).in().packets()
                        : 0;
                assertThat(got).as(adapter.id().value()).isCloseTo(wanted, within(1e-6));
            }
        }
    }
}
