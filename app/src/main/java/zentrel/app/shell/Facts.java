package zentrel.app.shell;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileAdapter;
import zentrel.profile.Protocol;
import zentrel.text.Counted;
import zentrel.text.Word;

/** What a thing is, in a title and a line, and what it feeds and is fed by. */
record Facts(String title, String line, List<String> fedBy, List<String> feeds) {
    /** A title and a line, with what it feeds and is fed by filled in as it is written. */
    private record Draft(String title, String line, Set<String> fedBy, Set<String> feeds) {
        Draft(String title, String line) {
            this(title, line, new LinkedHashSet<>(), new LinkedHashSet<>());
        }

        Draft fedBy(Stream<String> names) {
            names.forEach(fedBy::add);
            return this;
        }

        Draft feeds(Stream<String> names) {
            names.forEach(feeds::add);
            return this;
        }

        Draft program(PlanIndex index, Application program) {
            application(index, program, fedBy, feeds);
            return this;
        }
    }

    private static final ByKind<Draft> DRAFTS = new ByKind<Draft>()
            .with(Kind.HOST, (index, host) -> {
                Draft draft = new Draft(
                        host.name(), plain(host.kind()) + (host.place().isEmpty() ? "" : " · " + host.place()));
                index.applicationsOn(host.id()).forEach(a -> draft.program(index, a));
                return draft;
            })
            .with(
                    Kind.APPLICATION,
                    (index, a) ->
                            new Draft(a.name(), plain(a.kind()) + " on " + index.name(a.host())).program(index, a))
            .with(Kind.RECEIVER, (index, r) -> {
                Application program = index.application(r.application());
                return new Draft(r.name(), "receives on " + index.name(program.host())).program(index, program);
            })
            .with(Kind.PORT, (index, p) -> {
                Draft draft = new Draft(index.name(p.id()), p.kind() == PortKind.DMX ? "DMX port" : "input");
                port(index, p, draft.fedBy(), draft.feeds());
                return draft;
            })
            .with(
                    Kind.UNIVERSE,
                    (index, u) -> new Draft(
                                    u.label() + "  " + u.name(),
                                    Counted.of(index.fixturesIn(u.id()).size(), "fixture"))
                            .fedBy(index.streamsOf(u.id()).stream()
                                    .map(s -> index.name(s.application()) + " by "
                                            + s.protocol().title() + priority(s)))
                            .feeds(index.portsOf(u.id()).stream().map(p -> index.name(p.id()))))
            .with(
                    Kind.FIXTURE,
                    (index, f) -> new Draft(
                                    (f.number().isEmpty() ? "" : f.number() + "  ") + f.name(),
                                    f.type() + (f.place().isEmpty() ? "" : " · " + f.place()))
                            .fedBy(f.lines().stream().map(index::line).map(l -> l.name() + ", " + index.name(l.port())))
                            .fedBy(f.breaks().stream()
                                    .flatMap(b -> index.streamsOf(b.universe()).stream())
                                    .map(s -> index.name(s.application()) + priority(s))))
            .with(
                    Kind.PIXEL_RUN,
                    (index, r) -> new Draft(
                            r.name(),
                            r.shape().counted() + " pixels, " + r.type().order()))
            .with(
                    Kind.PIXEL_OUTPUT,
                    (index, o) -> new Draft(o.name(), "pixel output of " + index.name(o.receiver()))
                            .feeds(o.runs().stream().map(index::name)))
            .with(
                    Kind.LINK,
                    (index, l) -> new Draft(l.name(), "OSC, " + index.name(l.from()) + " to " + index.name(l.to()))
                            .fedBy(Stream.of(index.name(l.from())))
                            .feeds(Stream.of(index.name(l.to()))))
            .with(
                    Kind.ATTACHMENT,
                    (index, x) -> new Draft(
                                    x.name(),
                                    "a stream of " + index.name(x.from()) + "'s own"
                                            + (x.sign().isEmpty()
                                                    ? ""
                                                    : "; it works when the screen shows " + x.sign()))
                            .fedBy(Stream.of(index.name(x.from())))
                            .feeds(Stream.of(index.name(x.to()))))
            .with(
                    Kind.STREAM,
                    (index, s) -> new Draft(index.name(s.id()), plain(s.delivery()) + priority(s))
                            .feeds(index.portsOf(s.universe()).stream().map(p -> index.name(p.id()))))
            .with(
                    Kind.ADAPTER,
                    (index, a) -> new Draft(
                            index.hostOf(a.id()).name() + ", " + a.name(),
                            a.kind().word()
                                    + a.segment()
                                            .map(x ->
                                                    " · on " + index.segment(x).name())
                                            .orElse(" · on no segment")
                                    + comes(index, a)))
            .with(
                    Kind.SEGMENT,
                    (index, s) -> new Draft(
                            s.name(),
                            s.subnet().map(Object::toString).orElse("no subnet settled") + " · "
                                    + Counted.of(index.adaptersOn(s.id()).size(), "adapter")))
            .with(
                    Kind.LINE,
                    (index, l) -> new Draft(l.name(), "DMX line from " + index.name(l.port()))
                            .feeds(index.fixturesOn(l.id()).stream().map(Fixture::name)));

    static Facts of(Plan plan, Id<?> id) {
        Draft draft = DRAFTS.of(plan.index(), id)
                .orElseGet(() -> new Draft(plan.index().name(id), ""));
        return new Facts(draft.title(), draft.line(), List.copyOf(draft.fedBy()), List.copyOf(draft.feeds()));
    }

    private static String plain(Word word) {
        return word.word().replace('-', ' ');
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
                + a.serving().map(s -> " · DHCP pool " + s.pool()).orElse("")
                + (a.pinned() ? " · pinned" : "");
    }

    private static String priority(zentrel.plan.Stream s) {
        return s.standby()
                ? ", stands by"
                : s.protocol() == Protocol.SACN ? ", priority " + s.priority().inForce() : "";
    }

    private static void application(PlanIndex index, Application a, Set<String> fedBy, Set<String> feeds) {
        index.receiversOf(a.id()).forEach(r -> r.ports().forEach(p -> port(index, p, fedBy, feeds)));
        Set<Id<?>> receivers = new LinkedHashSet<>();
        for (zentrel.plan.Stream s : index.streamsFrom(a.id())) {
            index.portsOf(s.universe())
                    .forEach(p -> receivers.add(index.receiverOf(p.id()).id()));
        }
        receivers.forEach(r -> feeds.add(index.name(r)));
        for (ControlLink l : index.plan().links()) {
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
