package zentrel.app.flow;

import java.util.LinkedHashSet;
import java.util.Set;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Attachment;
import zentrel.plan.ControlLink;
import zentrel.plan.Fixture;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Line;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.plan.Stream;

/** The cards to which a selected thing belongs, so that every stage can show a selection made elsewhere. */
final class Owner {
    private Owner() {}

    static Set<Id<?>> of(Plan plan, Id<?> id) {
        PlanIndex index = plan.index();
        Set<Id<?>> owners = new LinkedHashSet<>();
        Object found = index.find(id).orElse(null);
        if (found instanceof Host host) {
            host(index, host.id(), owners);
        } else if (found instanceof Adapter adapter) {
            host(index, index.hostOf(adapter.id()).id(), owners);
        } else if (found instanceof Receiver receiver) {
            owners.add(receiver.application());
        } else if (found instanceof Port port) {
            owners.add(index.receiverOf(port.id()).id());
        } else if (found instanceof Line line) {
            owners.add(index.receiverOf(line.port()).id());
        } else if (found instanceof Fixture fixture) {
            fixture.lines()
                    .forEach(l ->
                            owners.add(index.receiverOf(index.line(l).port()).id()));
        } else if (found instanceof Stream stream) {
            owners.add(stream.application());
        } else if (found instanceof ControlLink link) {
            owners.add(link.from());
            owners.add(link.to());
        } else if (found instanceof Attachment attachment) {
            owners.add(attachment.from());
            owners.add(attachment.to());
        } else if (found instanceof zentrel.plan.Universe universe) {
            index.portsOf(universe.id())
                    .forEach(p -> owners.add(index.receiverOf(p.id()).id()));
        } else if (found instanceof Application application) {
            index.receiversOf(application.id()).forEach(r -> owners.add(r.id()));
        }
        return owners;
    }

    private static void host(PlanIndex index, Id<Host> host, Set<Id<?>> owners) {
        index.applicationsOn(host).forEach(a -> {
            owners.add(a.id());
            index.receiversOf(a.id()).forEach(r -> owners.add(r.id()));
        });
    }
}
