package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.load.Airtime;
import zentrel.load.Load;
import zentrel.plan.Application;
import zentrel.plan.Delivery;
import zentrel.plan.Plan;
import zentrel.plan.SwitchFeatures;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/** {@code zentrel load PLAN [--add N --from PROGRAM]}: what the streams come to on each cable. */
@Command(
        name = "load",
        mixinStandardHelpOptions = true,
        description = "Prints packets and bits on each cable, the busiest first, and the room that is left.")
final class LoadCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Option(names = "--add", paramLabel = "N", defaultValue = "0", description = "What if: so many more universes.")
    private int add;

    @Option(names = "--from", paramLabel = "PROGRAM", description = "Who would send them, by name or id.")
    private @Nullable String from;

    @Option(
            names = "--protocol",
            paramLabel = "P",
            defaultValue = "sacn",
            description = "By which protocol: sacn (default) or artnet.")
    @SuppressWarnings("NullAway.Init")
    private Protocol protocol;

    @Option(
            names = {"--querier-fails", "--querier-dies"},
            description = "As it is when the querier fails.")
    private boolean querierDies;

    @Option(names = "--broadcast", description = "Sent by broadcast instead of multicast or unicast.")
    private boolean broadcast;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan opened = input.plan();
        if (add < 0 || add > protocol.lastNumber()) {
            throw new Refusal("--add goes from 0 to " + protocol.lastNumber() + ", not " + add + ".");
        }
        Load load = Load.of(opened, more(opened, protocol));
        int room = load.headroom(protocol, 44);
        if (out.json) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode links = root.putArray("links");
            for (Load.Link link : load.links()) {
                ObjectNode n = links.addObject().put("adapter", link.adapter().value());
                flow(n.putObject("out"), link.out());
                flow(n.putObject("in"), link.in());
                flow(n.putObject("inWithSnooping"), link.meant());
                n.put("speed", link.speed());
                n.put("part", link.part());
            }
            ArrayNode air = root.putArray("air");
            for (Load.Air a : load.air()) {
                air.addObject()
                        .put("segment", a.segment().value())
                        .put("packets", a.packets())
                        .put("partAt1Mbit", Airtime.part(Protocol.SACN, a.packets(), Airtime.SLOWEST_RATE))
                        .put("partAt6Mbit", Airtime.part(Protocol.SACN, a.packets(), Airtime.SLOWEST_RATE_5_GHZ));
            }
            ArrayNode groups = root.putArray("groups");
            load.groups()
                    .forEach((segment, what) -> groups.addObject()
                            .put("segment", segment.value())
                            .put("go", what.name().toLowerCase(Locale.ROOT)));
            root.put("room", room);
            out.json(root);
        } else {
            for (Load.Link link : load.links()) {
                out.line(String.format(
                        Locale.ROOT,
                        "%-40s out %8.0f/s %7.2f Mbit/s   in %8.0f/s %7.2f Mbit/s   %5.1f %% of %.0f Mbit/s%s",
                        opened.index().name(link.adapter()),
                        link.out().packets(),
                        link.out().bits() / 1e6,
                        link.in().packets(),
                        link.in().bits() / 1e6,
                        link.part() * 100,
                        link.speed() / 1e6,
                        link.part() > Load.MOST ? "  too much" : ""));
            }
            for (Load.Air a : load.air()) {
                out.line(String.format(
                        Locale.ROOT,
                        "Wi-Fi of %s: %.0f packets a second of multicast and broadcast, %.0f %% of the airtime at 1 Mbit/s, %.0f %% at 6",
                        opened.index().name(a.segment()),
                        a.packets(),
                        100 * Airtime.part(Protocol.SACN, a.packets(), Airtime.SLOWEST_RATE),
                        100 * Airtime.part(Protocol.SACN, a.packets(), Airtime.SLOWEST_RATE_5_GHZ)));
            }
            load.groups()
                    .forEach((segment, what) -> out.line("Multicast on "
                            + opened.index().name(segment)
                            + switch (what) {
                                case FLOOD -> " go everywhere.";
                                case MEMBERS -> " go to their members only.";
                                case STOP -> " stop " + SwitchFeatures.GROUP_SECONDS + " s after the last question.";
                            }));
            out.line("Room for " + Counted.of(room, "more universe") + " of " + protocol.title()
                    + " at 44 a second on the busiest, below " + Math.round(Load.MOST * 100) + " %.");
        }
        return load.busiest().filter(l -> l.part() > Load.MOST).isPresent() ? 1 : 0;
    }

    private static void flow(ObjectNode n, Load.Flow flow) {
        n.put("packets", flow.packets()).put("bits", flow.bits()).put("broadcasts", flow.everybody());
    }

    private Optional<Load.WhatIf> more(Plan opened, Protocol by) throws Refusal {
        if (add == 0) {
            return opened.applications().stream()
                    .limit(querierDies ? 1 : 0)
                    .map(a -> new Load.WhatIf(0, a.id(), by, Delivery.MULTICAST, true))
                    .findFirst();
        }
        String called = from == null ? "" : from;
        Application program = opened.applications().stream()
                .filter(a -> a.id().value().equals(called) || a.name().equalsIgnoreCase(called))
                .findFirst()
                .orElseThrow(() ->
                        new Refusal("Say which program would send them: --from and its name; there is none called \""
                                + called + "\"."));
        Delivery delivery = broadcast ? Delivery.BROADCAST : by == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
        return Optional.of(new Load.WhatIf(add, program.id(), by, delivery, querierDies));
    }
}
