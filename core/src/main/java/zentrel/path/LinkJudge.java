package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.control.OscPattern;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Traffic;

/** Judges a control link: one leg there, and one back where an answer is needed. */
final class LinkJudge {
    private final PathContext context;
    private final TransportJudge transport;

    LinkJudge(PathContext context, TransportJudge transport) {
        this.context = context;
        this.transport = transport;
    }

    SignalPath path(ControlLink link) {
        Application from = context.index.application(link.from());
        Application to = context.index.application(link.to());
        List<Leg> legs = new ArrayList<>();
        legs.add(there(link, from, to));
        if (link.answer()) {
            legs.add(back(link, from, to));
        }
        return new SignalPath(
                Optional.of(from.id()), Optional.of(link.id()), Optional.of(to.id()), "osc", "unicast", legs);
    }

    private Leg there(ControlLink link, Application from, Application to) {
        List<HopDraft> hops = HopDraft.leg(from.id(), to.id());
        hops.get(0).passes(from.id(), Facts.as("sends-osc", "program", from, "pattern", link.pattern()));
        if (!link.enabled().inForce()) {
            hops.get(0).broken(Reason.LINK_OFF, link.id(), Facts.of("link", link, "program", from));
        }
        transport.judge(
                hops,
                new Shipment(
                        from,
                        Purpose.OSC_SEND,
                        to,
                        Purpose.OSC_LISTEN,
                        Traffic.OSC,
                        Delivery.UNICAST,
                        List.of(link.destination().inForce()),
                        link.id()));
        toAnotherDesk(hops.get(HopKind.NAMED.index()), link, to);
        receiving(hops, link, to);
        return new Leg(from.id(), to.id(), HopDraft.finish(hops));
    }

    /** A backup or a remote does not act on cues while the primary of its session leads, unless the primary gets them too. */
    private void toAnotherDesk(HopDraft hop, ControlLink link, Application to) {
        Optional<Session> session = context.index.sessionOf(to.id());
        Optional<Part> part = context.index.partOf(to.id());
        if (session.isEmpty() || part.isEmpty() || part.get() == Part.PRIMARY) {
            return;
        }
        Optional<Application> primary = session.get().desks().stream()
                .filter(m -> m.part() == Part.PRIMARY)
                .map(m -> context.index.application(m.application()))
                .filter(a -> a.osc().isPresent())
                .findFirst();
        boolean both = primary.isEmpty()
                || context.plan.links().stream()
                        .anyMatch(l -> l.from().equals(link.from())
                                && l.to().equals(primary.get().id())
                                && l.enabled().inForce());
        if (both) {
            return;
        }
        Application leads = primary.get();
        Facts facts = Facts.as(
                "not-primary",
                "sent",
                link.id(),
                "program",
                to,
                "part",
                part.get(),
                "session",
                session.get(),
                "primary",
                leads,
                "port",
                leads.osc().orElseThrow().port().inForce());
        Optional<Ipv4Address> right = addressOf(leads);
        hop.atRisk(
                Reason.WRONG_TARGET,
                link.id(),
                right.map(r -> facts.and("right", r)).orElse(facts.in("not-primary-without-address")));
    }

    /** Where a program takes OSC. */
    private Optional<Ipv4Address> addressOf(Application program) {
        List<Id<Adapter>> bound = program.binding(Purpose.OSC_LISTEN).adapters();
        return context.index.host(program.host()).adapters().stream()
                .filter(a -> bound.isEmpty() || bound.contains(a.id()))
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.inForce().address())
                .findFirst();
    }

    private void receiving(List<HopDraft> hops, ControlLink link, Application to) {
        HopDraft letIn = hops.get(HopKind.LET_IN.index());
        HopDraft agrees = hops.get(HopKind.AGREES.index());
        HopDraft wins = hops.get(HopKind.WINS.index());
        HopDraft leads = hops.get(HopKind.LEADS.index());
        int sent = link.port().inForce();
        if (to.osc().isEmpty()) {
            letIn.broken(Reason.OSC_OFF, to.id(), Facts.as("no-input", "program", to, "port", sent));
            agrees.passes(to.id(), Facts.as("port-with-receiving", "port", sent));
            wins.passes(to.id(), Facts.as("handler-with-receiving"));
            leads.notKnown(Reason.TARGETS_NOT_KNOWN, to.id(), Facts.of("program", to, "pattern", link.pattern()));
            return;
        }
        OscInput osc = to.osc().get();
        if (!osc.receiving().inForce()) {
            letIn.broken(Reason.OSC_OFF, to.id(), Facts.as("switched-off", "program", to));
        }
        if (link.transport() != osc.transport()) {
            letIn.broken(
                    Reason.OSC_TRANSPORT_DIFFERS,
                    link.id(),
                    Facts.of(
                            "link",
                            link,
                            "sent",
                            link.transport().title(),
                            "program",
                            to,
                            "takes",
                            osc.transport().title()));
        }
        int listens = osc.port().inForce();
        agrees.passes(to.id(), Facts.as("port", "program", to, "port", sent, "listens", listens));
        if (sent != listens) {
            agrees.broken(
                    Reason.OSC_PORT_DIFFERS,
                    link.id(),
                    Facts.of("link", link, "port", sent, "program", to, "listens", listens));
        }
        wins.passes(to.id(), Facts.as("handler", "program", to));
        if (!osc.handling().inForce()) {
            wins.broken(Reason.HANDLER_OFF, to.id(), Facts.of("program", to));
        }
        leads.passes(to.id(), Facts.as("target", "program", to, "pattern", link.pattern()));
        if (osc.addresses().isEmpty()) {
            leads.notKnown(Reason.TARGETS_NOT_KNOWN, to.id(), Facts.of("program", to, "pattern", link.pattern()));
        } else if (osc.addresses().stream()
                .noneMatch(
                        t -> OscPattern.matches(t, link.sentPattern()) || OscPattern.matches(link.sentPattern(), t))) {
            leads.broken(
                    Reason.UNMATCHED,
                    link.id(),
                    Facts.of("program", to, "link", link, "pattern", link.pattern(), "targets", osc.addresses()));
        }
    }

    private Leg back(ControlLink link, Application from, Application to) {
        List<HopDraft> hops = HopDraft.leg(to.id(), from.id());
        hops.get(0).passes(to.id(), Facts.as("answers", "program", to, "link", link));
        boolean toSource =
                link.answerPort().isEmpty(); // the socket that asked is still open, and its firewall knows it
        List<zentrel.ipv4.Ipv4Address> answersTo = new ArrayList<>();
        if (link.destination().inForce().isLoopback()) {
            answersTo.add(link.destination().inForce());
        } else {
            for (Adapter adapter : PathContext.real(context.index.hostOf(from.id()))) {
                if (PathContext.sees(adapter, link.destination().inForce())) {
                    adapter.addresses().forEach(a -> answersTo.add(a.inForce().address()));
                }
            }
            if (answersTo.isEmpty()) {
                PathContext.real(context.index.hostOf(from.id()))
                        .forEach(a -> a.addresses()
                                .forEach(x -> answersTo.add(x.inForce().address())));
            }
        }
        transport.judge(
                hops,
                new Shipment(
                        to,
                        Purpose.OSC_SEND,
                        from,
                        toSource ? Purpose.OSC_SEND : Purpose.OSC_LISTEN,
                        Traffic.OSC,
                        Delivery.UNICAST,
                        answersTo,
                        link.id(),
                        toSource));
        HopDraft agrees = hops.get(HopKind.AGREES.index());
        HopDraft wins = hops.get(HopKind.WINS.index());
        if (link.answerPort().isEmpty()) {
            agrees.passes(from.id(), Facts.as("answers-to-source", "program", to, "partner", from));
        } else {
            int port = link.answerPort().get().inForce();
            if (from.osc().isEmpty() || !from.osc().get().receiving().inForce()) {
                hops.get(HopKind.LET_IN.index())
                        .broken(
                                Reason.OSC_OFF,
                                from.id(),
                                Facts.as("no-answer", "program", from, "partner", to, "port", port));
            }
            int listens = from.osc().map(o -> o.port().inForce()).orElse(port);
            agrees.passes(
                    from.id(),
                    Facts.as("answer-port", "program", to, "partner", from, "port", port, "listens", listens));
            if (port != listens) {
                agrees.broken(
                        Reason.ANSWER_PORT_DIFFERS,
                        link.id(),
                        Facts.of("program", to, "link", link, "port", port, "partner", from, "listens", listens));
            }
        }
        wins.passes(from.id(), Facts.as("answer-waits", "program", from));
        hops.get(HopKind.LEADS.index()).notApplicable(Facts.as("answer-ends", "program", from));
        return new Leg(to.id(), from.id(), HopDraft.finish(hops));
    }
}
