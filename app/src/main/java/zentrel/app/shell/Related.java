package zentrel.app.shell;

import java.util.LinkedHashSet;
import java.util.Set;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Fixture;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Line;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.plan.Segment;
import zentrel.plan.Stream;
import zentrel.plan.Universe;

/** What belongs to a thing: the parts whose findings are its findings. */
final class Related {
    private Related() {}

    static Set<Id<?>> to(Plan plan, Id<?> id) {
        Set<Id<?>> all = new LinkedHashSet<>();
        add(plan.index(), plan.index().find(id).orElse(null), id, all);
        return all;
    }

    private static void add(
            PlanIndex index, @org.jspecify.annotations.Nullable Object found, Id<?> id, Set<Id<?>> all) {
        all.add(id);
        if (found instanceof Host host) {
            host.adapters().forEach(a -> all.add(a.id()));
            index.applicationsOn(host.id()).forEach(a -> add(index, a, a.id(), all));
        } else if (found instanceof Application application) {
            index.receiversOf(application.id()).forEach(r -> add(index, r, r.id(), all));
            index.streamsFrom(application.id()).forEach(s -> all.add(s.id()));
        } else if (found instanceof Receiver receiver) {
            receiver.ports().forEach(p -> all.add(p.id()));
        } else if (found instanceof Universe universe) {
            index.portsOf(universe.id()).forEach(p -> all.add(p.id()));
            index.streamsOf(universe.id()).forEach(s -> all.add(s.id()));
            index.fixturesIn(universe.id()).forEach(f -> all.add(f.id()));
        } else if (found instanceof Segment segment) {
            index.adaptersOn(segment.id()).forEach(a -> all.add(a.id()));
        } else if (found instanceof Port port) {
            index.linesOf(port.id()).forEach(l -> all.add(l.id()));
        } else if (found instanceof Fixture fixture) {
            fixture.lines().stream().map(index::line).forEach(l -> all.add(l.port()));
        } else if (found instanceof Line line) {
            all.add(line.port());
        } else if (found instanceof Stream stream) {
            index.portsOf(stream.universe()).forEach(p -> all.add(p.id()));
        } else if (found instanceof Adapter adapter) {
            all.add(index.hostOf(adapter.id()).id());
        }
    }
}
