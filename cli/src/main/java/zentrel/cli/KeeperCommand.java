package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import zentrel.machine.KeeperSheet;
import zentrel.plan.Plan;

/** {@code zentrel keeper PLAN SEGMENT}: what the plan puts on a segment that somebody else keeps. */
@Command(
        name = "keeper",
        mixinStandardHelpOptions = true,
        description =
                "Prints what the plan puts on a segment, for the person who keeps it: addresses, groups, UDP ports, rate, and what is asked for.")
final class KeeperCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Parameters(index = "1", paramLabel = "SEGMENT", description = "The segment, by name or id.")
    @SuppressWarnings("NullAway.Init")
    private String segment;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan plan = input.plan();
        KeeperSheet sheet =
                KeeperSheet.of(plan, PlanArgument.segment(plan, segment).id());
        if (!out.json) {
            out.line(sheet.text().stripTrailing());
            return 0;
        }
        ObjectNode node = Output.JSON.objectNode();
        node.put("segment", sheet.name()).put("keeper", sheet.keeper());
        ArrayNode devices = node.putArray("devices");
        for (KeeperSheet.Device d : sheet.devices()) {
            ObjectNode device = devices.addObject();
            device.put("name", d.name()).put("place", d.place());
            d.addresses().forEach(device.putArray("addresses")::add);
            device.put("mac", d.mac()).put("origin", d.origin().word());
            ArrayNode ports = device.putArray("ports");
            d.ports()
                    .forEach((what, port) -> ports.addObject().put("port", port).put("what", what));
        }
        ArrayNode groups = node.putArray("groups");
        sheet.groups().forEach(g -> groups.add(g.toString()));
        node.put("packets", sheet.packets()).put("bits", sheet.bits()).put("broadcasts", sheet.broadcasts());
        sheet.requests().forEach(node.putArray("requests")::add);
        out.json(node);
        return 0;
    }
}
