package zentrel.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What belongs to a thing: the parts whose findings are its findings. */
public final class Related {
    private static final ByKind<List<? extends Id<?>>> PARTS = new ByKind<List<? extends Id<?>>>()
            .with(Kind.HOST, Related::ofDevice)
            .with(Kind.APPLICATION, Related::ofProgram)
            .with(Kind.RECEIVER, (index, r) -> ids(r.ports()))
            .with(Kind.UNIVERSE, (index, u) -> {
                List<Id<?>> all = new ArrayList<>(ids(index.portsOf(u.id())));
                index.streamsOf(u.id()).forEach(s -> all.add(s.id()));
                all.addAll(ids(index.fixturesIn(u.id())));
                return all;
            })
            .with(Kind.SEGMENT, (index, s) -> ids(index.adaptersOn(s.id())))
            .with(Kind.PORT, (index, p) -> ids(index.linesOf(p.id())))
            .with(
                    Kind.FIXTURE,
                    (index, f) ->
                            f.lines().stream().map(l -> index.line(l).port()).toList())
            .with(Kind.LINE, (index, l) -> List.of(l.port()))
            .with(Kind.STREAM, (index, s) -> ids(index.portsOf(s.universe())))
            .with(Kind.ADAPTER, (index, a) -> List.of(index.hostOf(a.id()).id()));

    private Related() {}

    /** A thing and what belongs to it. */
    public static Set<Id<?>> to(Plan plan, Id<?> id) {
        Set<Id<?>> all = new LinkedHashSet<>(List.of(id));
        all.addAll(PARTS.of(plan.index(), id).orElse(List.of()));
        return all;
    }

    private static List<Id<?>> ids(List<? extends Named> things) {
        List<Id<?>> ids = new ArrayList<>();
        things.forEach(t -> ids.add(t.id()));
        return ids;
    }

    private static List<Id<?>> ofDevice(PlanIndex index, Host host) {
        List<Id<?>> all = ids(host.adapters());
        for (Application application : index.applicationsOn(host.id())) {
            all.add(application.id());
            all.addAll(ofProgram(index, application));
        }
        return all;
    }

    private static List<Id<?>> ofProgram(PlanIndex index, Application application) {
        List<Id<?>> all = new ArrayList<>();
        for (Receiver receiver : index.receiversOf(application.id())) {
            all.add(receiver.id());
            all.addAll(ids(receiver.ports()));
        }
        index.streamsFrom(application.id()).forEach(s -> all.add(s.id()));
        return all;
    }
}
