package zentrel.app.cues;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import zentrel.check.Report;
import zentrel.check.RuleBook;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.ControlLink;
import zentrel.plan.Id;
import zentrel.plan.LinkTransport;
import zentrel.plan.Plan;
import zentrel.plan.Purpose;

/**
 * A control link as its two sockets face each other; nothing of it is a node.
 *
 * @param sendsTo the port typed in at the sender
 * @param listens the port of the receiver; empty where it takes no OSC
 * @param note what is wrong, as the title of its rule; empty where nothing is
 */
record LinkFace(
        ControlLink link,
        String sender,
        String senderAddress,
        String receiver,
        String receiverAddress,
        int sendsTo,
        OptionalInt listens,
        Verdict verdict,
        String note) {
    /** All links of a plan. */
    static List<LinkFace> of(Report report) {
        return report.plan().links().stream().map(l -> of(report, l)).toList();
    }

    private static LinkFace of(Report report, ControlLink link) {
        Plan plan = report.plan();
        SignalPath path = report.signalPaths().ofLink(link.id()).paths().get(0);
        Application to = plan.index().application(link.to());
        return new LinkFace(
                link,
                plan.index().name(link.from()),
                address(plan, link.from(), Purpose.OSC_SEND),
                plan.index().name(link.to()),
                address(plan, link.to(), Purpose.OSC_LISTEN),
                link.port().inForce(),
                to.osc().map(o -> OptionalInt.of(o.port().inForce())).orElse(OptionalInt.empty()),
                path.verdict(),
                path.issues()
                        .filter(i -> i.verdict() == path.verdict())
                        .findFirst()
                        .flatMap(i -> RuleBook.find(i.reason().rule()))
                        .map(r -> r.title())
                        .orElse(""));
    }

    private static String address(Plan plan, Id<Application> id, Purpose purpose) {
        Application program = plan.index().application(id);
        List<Id<Adapter>> bound = program.binding(purpose).adapters();
        Optional<Adapter> adapter = plan.index().host(program.host()).adapters().stream()
                .filter(a -> bound.isEmpty() || bound.contains(a.id()))
                .filter(a -> !a.addresses().isEmpty())
                .findFirst();
        return adapter.map(a -> a.addresses().get(0).inForce().address().toString())
                .orElse("no address");
    }

    /** Where it goes, in words. */
    String destination() {
        return link.destination().inForce() + " port " + sendsTo
                + (link.transport() == LinkTransport.UDP ? "" : " by TCP");
    }
}
