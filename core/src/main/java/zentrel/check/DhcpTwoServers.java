package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Adapter;
import zentrel.plan.DhcpServer;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Segment;
import zentrel.plan.Setting;

/** Two DHCP servers on one segment: {@code dhcp.two-servers}. */
final class DhcpTwoServers extends PathRule {
    DhcpTwoServers() {
        super("dhcp.two-servers");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.has(Trait.DHCP_SERVER);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Segment segment : context.plan().segments()) {
            List<Adapter> servers = Servers.on(context, segment);
            if (servers.size() > 1) {
                Adapter last = servers.get(servers.size() - 1);
                List<Id<?>> subjects = new ArrayList<>(List.of(last.id()));
                servers.stream()
                        .map(Adapter::id)
                        .filter(id -> !id.equals(last.id()))
                        .forEach(subjects::add);
                List<String> names = servers.stream()
                        .map(a -> context.index().hostOf(a.id()).name() + " ("
                                + a.serving().map(DhcpServer::pool).orElse("") + ")")
                        .toList();
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.empty(),
                        subjects,
                        RuleWords.say(
                                "dhcp.two-servers.says",
                                "servers",
                                String.join(RuleWords.say("part/and"), names),
                                "segment",
                                segment.name()),
                        switchingOff(context, servers)));
            }
        }
        return findings;
    }

    /** The last first: the one that came to a network that had its server. */
    private static List<Edit> switchingOff(CheckContext context, List<Adapter> servers) {
        List<Edit> edits = new ArrayList<>();
        for (Adapter server : servers) {
            edits.add(
                    0,
                    new Edit(
                            RuleWords.say(
                                    "dhcp.two-servers.fix",
                                    "adapter",
                                    context.index().name(server.id())),
                            p -> p.with(
                                    server.id(),
                                    a -> a.withServes(a.serves()
                                            .map(s -> new DhcpServer(Setting.of(false), s.first(), s.last()))))));
        }
        return edits;
    }
}
