package zentrel.app.flow;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zentrel.plan.*;

/** The cards to which a selected thing belongs, so that every page can show a selection made elsewhere. */
final class Owner {
    private static final ByKind<List<? extends Id<?>>> CARDS = new ByKind<List<? extends Id<?>>>()
            .with(Kind.HOST, (index, host) -> ofDevice(index, host.id()))
            .with(
                    Kind.ADAPTER,
                    (index, a) -> ofDevice(index, index.hostOf(a.id()).id()))
            .with(Kind.APPLICATION, (index, a) -> receivers(index, a.id()))
            .with(Kind.RECEIVER, (index, r) -> List.of(r.application()))
            .with(Kind.PORT, (index, p) -> List.of(index.receiverOf(p.id()).id()))
            .with(Kind.LINE, (index, l) -> List.of(index.receiverOf(l.port()).id()))
            .with(
                    Kind.FIXTURE,
                    (index, f) -> f.lines().stream()
                            .map(l -> index.receiverOf(index.line(l).port()).id())
                            .toList())
            .with(Kind.STREAM, (index, s) -> List.of(s.application()))
            .with(Kind.LINK, (index, l) -> List.of(l.from(), l.to()))
            .with(Kind.ATTACHMENT, (index, a) -> List.of(a.from(), a.to()))
            .with(
                    Kind.UNIVERSE,
                    (index, u) -> index.portsOf(u.id()).stream()
                            .map(p -> index.receiverOf(p.id()).id())
                            .toList());

    private Owner() {}

    static Set<Id<?>> of(Plan plan, Id<?> id) {
        return new LinkedHashSet<>(CARDS.of(plan.index(), id).orElse(List.of()));
    }

    private static List<Id<?>> ofDevice(PlanIndex index, Id<Host> host) {
        Set<Id<?>> owners = new LinkedHashSet<>();
        index.applicationsOn(host).forEach(a -> {
            owners.add(a.id());
            owners.addAll(receivers(index, a.id()));
        });
        return List.copyOf(owners);
    }

    private static List<Id<Receiver>> receivers(PlanIndex index, Id<Application> application) {
        return index.receiversOf(application).stream().map(Receiver::id).toList();
    }
}
