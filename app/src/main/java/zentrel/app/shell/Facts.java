package zentrel.app.shell;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileAdapter;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/** What a thing is, in a title and a line, and what it feeds and is fed by. */
record Facts(String title, String line, List<String> fedBy, List<String> feeds) {
    static Facts of(Plan plan, Id<?> id) {
        PlanIndex index = plan.index();
        Object found = index.find(id).orElse(null);
        Set<String> fedBy = new LinkedHashSet<>();
        Set<String> feeds = new LinkedHashSet<>();
        if (found instanceof Host host) {
            index.applicationsOn(host.id()).forEach(a -> application(index, plan, a, fedBy, feeds));
            return facts(
                    host.name(),
                    host.kind().word().replace('-', ' ') + (host.place().isEmpty() ? "" : " · " + host.place()),
                    fedBy,
                    feeds);
        }
        if (found instanceof Application a) {
            application(index, plan, a, fedBy, feeds);
            return facts(a.name(), a.kind().word().replace('-', ' ') + " on " + index.name(a.host()), fedBy, feeds);
        }
        if (found instanceof Receiver r) {
            application(index, plan, index.application(r.application()), fedBy, feeds);
            return facts(
                    r.name(),
                    "receiver on "
                            + index.name(index.application(r.application()).host()),
                    fedBy,
                    feeds);
        }
        if (found instanceof Port p) {
            port(index, p, fedBy, feeds);
            return facts(index.name(p.id()), p.kind() == PortKind.DMX ? "DMX port" : "input", fedBy, feeds);
        }
        if (found instanceof Universe u) {
            index.streamsOf(u.id())
                    .forEach(s -> fedBy.add(
                            index.name(s.application()) + " by " + s.protocol().title() + priority(s)));
            index.portsOf(u.id()).forEach(p -> feeds.add(index.name(p.id())));
            return facts(
                    u.label() + "  " + u.name(),
                    Counted.of(index.fixturesIn(u.id()).size(), "fixture"),
                    fedBy,
                    feeds);
        }
        if (found instanceof Fixture f) {
            f.lines().stream().map(index::line).forEach(l -> fedBy.add(l.name() + ", " + index.name(l.port())));
            f.breaks()
                    .forEach(b -> index.streamsOf(b.universe())
                            .forEach(s -> fedBy.add(index.name(s.application()) + priority(s))));
            return facts(
                    (f.number().isEmpty() ? "" : f.number() + "  ") + f.name(),
                    f.type() + (f.place().isEmpty() ? "" : " · " + f.place()),
                    fedBy,
                    feeds);
        }
        if (found instanceof ControlLink l) {
            fedBy.add(index.name(l.from()));
            feeds.add(index.name(l.to()));
            return facts(l.name(), "OSC, " + index.name(l.from()) + " to " + index.name(l.to()), fedBy, feeds);
        }
        if (found instanceof Attachment x) {
            fedBy.add(index.name(x.from()));
            feeds.add(index.name(x.to()));
            return facts(
                    x.name(),
                    "a stream of " + index.name(x.from()) + "'s own"
                            + (x.sign().isEmpty() ? "" : "; it works when the screen shows " + x.sign()),
                    fedBy,
                    feeds);
        }
        if (found instanceof Stream s) {
            index.portsOf(s.universe()).forEach(p -> feeds.add(index.name(p.id())));
            return facts(index.name(s.id()), s.delivery().word().replace('-', ' ') + priority(s), fedBy, feeds);
        }
        if (found instanceof Adapter a) {
            Host host = index.hostOf(a.id());
            return facts(
                    host.name() + ", " + a.name(),
                    a.kind().word()
                            + a.segment()
                                    .map(x -> " · on " + index.segment(x).name())
                                    .orElse(" · on no segment")
                            + comes(index, a),
                    fedBy,
                    feeds);
        }
        if (found instanceof Segment s) {
            return facts(
                    s.name(),
                    s.subnet().map(Object::toString).orElse("no subnet settled") + " · "
                            + Counted.of(index.adaptersOn(s.id()).size(), "adapter"),
                    fedBy,
                    feeds);
        }
        if (found instanceof Line l) {
            index.fixturesOn(l.id()).forEach(f -> feeds.add(f.name()));
            return facts(l.name(), "DMX line from " + index.name(l.port()), fedBy, feeds);
        }
        return facts(index.name(id), "", fedBy, feeds);
    }

    /** How it comes by its address, and how long that takes where it takes one by itself. */
    private static String comes(PlanIndex index, Adapter a) {
        boolean asks = a.addresses().stream().anyMatch(x -> x.origin() == AddressOrigin.DHCP);
        int waits = index.profileOf(index.hostOf(a.id()))
                .flatMap(p -> p.adapters().stream()
                        .filter(x -> x.name().equals(a.name()))
                        .findFirst())
                .map(ProfileAdapter::waits)
                .orElse(ProfileAdapter.Waits.USUAL)
                .together();
        return (asks ? " · asks for its address; without a server it has one of its own after " + waits + " s" : "")
                + a.serving().map(s -> " · gives out " + s.pool()).orElse("")
                + (a.pinned() ? " · pinned" : "");
    }

    private static Facts facts(String title, String line, Set<String> fedBy, Set<String> feeds) {
        return new Facts(title, line, new ArrayList<>(fedBy), new ArrayList<>(feeds));
    }

    private static String priority(Stream s) {
        return s.standby()
                ? ", stands by"
                : s.protocol() == Protocol.SACN ? ", priority " + s.priority().inForce() : "";
    }

    private static void application(PlanIndex index, Plan plan, Application a, Set<String> fedBy, Set<String> feeds) {
        index.receiversOf(a.id()).forEach(r -> r.ports().forEach(p -> port(index, p, fedBy, feeds)));
        Set<Id<?>> receivers = new LinkedHashSet<>();
        for (Stream s : index.streamsFrom(a.id())) {
            index.portsOf(s.universe())
                    .forEach(p -> receivers.add(index.receiverOf(p.id()).id()));
        }
        receivers.forEach(r -> feeds.add(index.name(r)));
        for (ControlLink l : plan.links()) {
            if (l.from().equals(a.id())) {
                feeds.add(index.name(l.to()) + " by OSC");
            }
            if (l.to().equals(a.id())) {
                fedBy.add(index.name(l.from()) + " by OSC");
            }
        }
    }

    private static void port(PlanIndex index, Port p, Set<String> fedBy, Set<String> feeds) {
        for (Id<Universe> u : index.universesOf(p.id())) {
            index.streamsOf(u).forEach(s -> fedBy.add(index.name(s.application())));
        }
        for (Line line : index.linesOf(p.id())) {
            int n = index.fixturesOn(line.id()).size();
            feeds.add(p.name() + "  " + line.name() + ", " + Counted.of(n, "fixture"));
        }
    }
}
