package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.control.OscPattern;
import zentrel.plan.*;

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
        hops.get(0).passes(from.id(), link.pattern(), context.index.name(from.id()) + " sends " + link.pattern() + ".");
        if (!link.enabled().inForce()) {
            hops.get(0)
                    .broken(
                            Reason.LINK_OFF,
                            link.id(),
                            "switched off",
                            context.index.name(link.id()) + " is switched off in " + context.index.name(from.id())
                                    + ". Switch it on there.",
                            List.of(new Edit(
                                    "Switch on " + context.index.name(link.id()),
                                    p -> p.with(link.id(), l -> l.withEnabled(true)))));
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
        receiving(hops, link, to);
        return new Leg(from.id(), to.id(), HopDraft.finish(hops));
    }

    private void receiving(List<HopDraft> hops, ControlLink link, Application to) {
        HopDraft letIn = hops.get(HopKind.LET_IN.index());
        HopDraft agrees = hops.get(HopKind.AGREES.index());
        HopDraft wins = hops.get(HopKind.WINS.index());
        HopDraft leads = hops.get(HopKind.LEADS.index());
        int sent = link.port().inForce();
        if (to.osc().isEmpty()) {
            letIn.broken(
                    Reason.OSC_OFF,
                    to.id(),
                    "takes no OSC",
                    context.index.name(to.id()) + " is not described as taking OSC. Let it listen on " + sent + ".",
                    List.of(new Edit(
                            "Let " + context.index.name(to.id()) + " take OSC on " + sent,
                            p -> p.with(
                                    to.id(),
                                    a -> a.withOsc(new OscInput(
                                            Setting.of(sent), Setting.of(true), Setting.of(true), List.of()))))));
            agrees.passes(to.id(), String.valueOf(sent), "The port is set together with receiving.");
            wins.passes(to.id(), "with it", "The handler is set together with receiving.");
            leads.notKnown(
                    Reason.TARGETS_NOT_KNOWN,
                    to.id(),
                    "targets not known",
                    "What " + context.index.name(to.id()) + " does with " + link.pattern() + " is not described.");
            return;
        }
        OscInput osc = to.osc().get();
        if (!osc.receiving().inForce()) {
            letIn.broken(
                    Reason.OSC_OFF,
                    to.id(),
                    "receiving off",
                    "Receiving OSC is switched off in " + context.index.name(to.id()) + ". Switch it on there.",
                    List.of(new Edit(
                            "Switch on receiving in " + context.index.name(to.id()),
                            p -> p.with(to.id(), a -> a.withOsc(oscOf(a).withReceiving(true))))));
        }
        int listens = osc.port().inForce();
        agrees.passes(
                to.id(),
                sent + " = " + listens,
                "Sent to port " + sent + ", on which " + context.index.name(to.id()) + " listens.");
        if (sent != listens) {
            agrees.broken(
                    Reason.OSC_PORT_DIFFERS,
                    link.id(),
                    sent + " ≠ " + listens,
                    context.index.name(link.id()) + " goes to port " + sent + "; " + context.index.name(to.id())
                            + " listens on " + listens + ". Send it to " + listens + ".",
                    List.of(
                            new Edit(
                                    "Send " + context.index.name(link.id()) + " to port " + listens,
                                    p -> p.with(link.id(), l -> l.withPort(listens))),
                            new Edit(
                                    "Let " + context.index.name(to.id()) + " listen on " + sent,
                                    p -> p.with(to.id(), a -> a.withOsc(oscOf(a).withPort(sent))))));
        }
        wins.passes(to.id(), "handler on", context.index.name(to.id()) + " lets messages act.");
        if (!osc.handling().inForce()) {
            wins.broken(
                    Reason.HANDLER_OFF,
                    to.id(),
                    "second switch off",
                    context.index.name(to.id())
                            + " hears OSC, but its second switch, in the show, is off. Switch it on.",
                    List.of(new Edit(
                            "Let messages act in " + context.index.name(to.id()),
                            p -> p.with(to.id(), a -> a.withOsc(oscOf(a).withHandling(true))))));
        }
        leads.passes(to.id(), link.pattern(), context.index.name(to.id()) + " has " + link.pattern() + ".");
        if (osc.targets().isEmpty()) {
            leads.notKnown(
                    Reason.TARGETS_NOT_KNOWN,
                    to.id(),
                    "targets not known",
                    "What " + context.index.name(to.id()) + " does with " + link.pattern() + " is not described.");
        } else if (osc.targets().stream()
                .noneMatch(t -> OscPattern.matches(t, link.pattern()) || OscPattern.matches(link.pattern(), t))) {
            leads.broken(
                    Reason.UNMATCHED,
                    link.id(),
                    "no such target",
                    context.index.name(to.id()) + " has no " + link.pattern() + "; it has "
                            + String.join(", ", osc.targets()) + ".",
                    osc.targets().stream()
                            .filter(t -> !OscPattern.isPattern(t))
                            .limit(3)
                            .map(t -> new Edit(
                                    "Send " + t + " by " + context.index.name(link.id()),
                                    p -> p.with(link.id(), l -> l.withPattern(t))))
                            .toList());
        }
    }

    private static OscInput oscOf(Application application) {
        return application.osc().orElseThrow();
    }

    private Leg back(ControlLink link, Application from, Application to) {
        List<HopDraft> hops = HopDraft.leg(to.id(), from.id());
        hops.get(0)
                .passes(
                        to.id(),
                        "answers",
                        context.index.name(to.id()) + " answers " + context.index.name(link.id()) + ".");
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
            agrees.passes(
                    from.id(),
                    "where it came from",
                    context.index.name(to.id()) + " answers to the port it came from, which "
                            + context.index.name(from.id()) + " still has open.");
        } else {
            int port = link.answerPort().get().inForce();
            if (from.osc().isEmpty() || !from.osc().get().receiving().inForce()) {
                hops.get(HopKind.LET_IN.index())
                        .broken(
                                Reason.OSC_OFF,
                                from.id(),
                                "receiving off",
                                context.index.name(from.id()) + " needs the answer of " + context.index.name(to.id())
                                        + ", and does not receive OSC. Let it listen on " + port + ".",
                                List.of(new Edit(
                                        "Let " + context.index.name(from.id()) + " take OSC on " + port,
                                        p -> p.with(
                                                from.id(),
                                                a -> a.withOsc(a.osc()
                                                        .map(o -> o.withReceiving(true))
                                                        .orElse(new OscInput(
                                                                Setting.of(port),
                                                                Setting.of(true),
                                                                Setting.of(true),
                                                                List.of())))))));
            }
            int listens = from.osc().map(o -> o.port().inForce()).orElse(port);
            agrees.passes(
                    from.id(),
                    port + " = " + listens,
                    context.index.name(to.id()) + " answers to port " + port + ", on which "
                            + context.index.name(from.id()) + " listens.");
            if (port != listens) {
                agrees.broken(
                        Reason.ANSWER_PORT_DIFFERS,
                        link.id(),
                        port + " ≠ " + listens,
                        context.index.name(to.id()) + " answers " + context.index.name(link.id()) + " to port " + port
                                + "; " + context.index.name(from.id()) + " listens on " + listens + ". Answer to "
                                + listens + ".",
                        List.of(new Edit(
                                "Answer " + context.index.name(link.id()) + " to port " + listens,
                                p -> p.with(link.id(), l -> l.withAnswerPort(listens)))));
            }
        }
        wins.passes(from.id(), "waits for it", context.index.name(from.id()) + " waits for the answer.");
        hops.get(HopKind.LEADS.index()).notApplicable("An answer ends at " + context.index.name(from.id()) + ".");
        return new Leg(to.id(), from.id(), HopDraft.finish(hops));
    }
}
