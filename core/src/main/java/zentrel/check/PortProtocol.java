package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.path.HopKind;
import zentrel.plan.Id;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.profile.Protocol;

/** A port set to the other protocol: {@code port.protocol}. */
final class PortProtocol extends PathRule {
    PortProtocol() {
        super("port.protocol");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().receivers().isEmpty();
    }

    /** The difference itself is told by the path; this says that the setting of the port is all there is to change. */
    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (CheckContext.Met met : context.met("universe.protocol-differs")) {
            if (context.index().find(met.issue().cause()).orElse(null) instanceof Port port) {
                Id<Port> id = port.id();
                Receiver receiver = context.index().receiverOf(id);
                Protocol set = port.protocol().inForce();
                boolean able = receiver.protocols().contains(set);
                if (able && receiver.protocols().size() == 1) {
                    continue; // the port is set to all that its device can take
                }
                findings.add(unmet(
                        Severity.NOTE,
                        Optional.of(HopKind.LET_IN),
                        List.of(id),
                        RuleWords.say(
                                "port.protocol.says/" + (able ? "able" : "unable"),
                                "port",
                                context.index().name(id),
                                "set",
                                set.title(),
                                "receiver",
                                context.index().name(receiver.id()),
                                "protocols",
                                String.join(
                                        RuleWords.say("part/and"),
                                        receiver.protocols().stream()
                                                .sorted()
                                                .map(Protocol::title)
                                                .toList())),
                        context.fixes().of(met.issue())));
            }
        }
        return findings;
    }
}
