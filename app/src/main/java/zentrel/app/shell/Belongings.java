package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import zentrel.plan.*;

/** What is made with a thing and entered at itself: the adapters and programs of a device, what a program sends and receives. */
final class Belongings {
    private static final int MOST = 60;

    private static final ByKind<List<? extends Id<?>>> OF = new ByKind<List<? extends Id<?>>>()
            .with(Kind.HOST, (index, h) -> {
                List<Id<?>> all = new ArrayList<>();
                h.adapters().forEach(a -> all.add(a.id()));
                index.applicationsOn(h.id()).forEach(a -> all.add(a.id()));
                return all;
            })
            .with(Kind.ADAPTER, (index, a) -> List.of(index.hostOf(a.id()).id()))
            .with(Kind.APPLICATION, (index, a) -> {
                List<Id<?>> all = new ArrayList<>(List.of(a.host()));
                index.streamsFrom(a.id()).forEach(s -> all.add(s.id()));
                index.receiversOf(a.id()).forEach(r -> all.add(r.id()));
                return all;
            })
            .with(Kind.RECEIVER, (index, r) -> {
                List<Id<?>> all = new ArrayList<>(List.of(r.application()));
                r.ports().forEach(p -> all.add(p.id()));
                return all;
            })
            .with(Kind.PORT, (index, p) -> {
                List<Id<?>> all =
                        new ArrayList<>(List.of(index.receiverOf(p.id()).id()));
                index.linesOf(p.id()).forEach(l -> all.add(l.id()));
                return all;
            })
            .with(Kind.UNIVERSE, (index, u) -> {
                List<Id<?>> all = new ArrayList<>();
                index.streamsOf(u.id()).forEach(s -> all.add(s.id()));
                index.portsOf(u.id()).forEach(p -> all.add(p.id()));
                return all;
            });

    private Belongings() {}

    static List<Id<?>> of(Plan plan, Id<?> id) {
        return OF.of(plan.index(), id).orElse(List.of()).stream()
                .limit(MOST)
                .<Id<?>>map(x -> x)
                .toList();
    }
}
