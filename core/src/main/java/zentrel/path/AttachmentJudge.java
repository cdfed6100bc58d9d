package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.TransportJudge.Shipment;
import zentrel.plan.*;

/**
 * Judges a console's own stream: the switches at both ends, the network between, versions and drivers. What is in it stays
 * not known, so the path passes at best as far as that, and names the sign to look for.
 */
final class AttachmentJudge {
    private final PathContext context;
    private final TransportJudge transport;

    AttachmentJudge(PathContext context, TransportJudge transport) {
        this.context = context;
        this.transport = transport;
    }

    SignalPath path(Attachment a) {
        Application from = context.index.application(a.from());
        Application to = context.index.application(a.to());
        List<HopDraft> hops = HopDraft.leg(from.id(), to.id());
        hops.get(0).passes(from.id(), "its own stream", from.name() + " sends its own stream to " + to.name() + ".");
        if (!a.sending().inForce()) {
            hops.get(0)
                    .broken(
                            Reason.ATTACHMENT_OFF,
                            a.id(),
                            "switched off",
                            a.name() + " is switched off in " + from.name() + ". Switch it on there.",
                            List.of(new Edit(
                                    "Switch on " + a.name(),
                                    p -> p.withAttachment(a.id(), x -> x.withSending(Setting.of(true))))));
        }
        transport.judge(
                hops,
                new Shipment(
                        from,
                        Purpose.PREVIS_LINK,
                        to,
                        Purpose.PREVIS_LINK,
                        Traffic.OWN,
                        a.destination().isPresent() ? Delivery.UNICAST : Delivery.LIMITED_BROADCAST,
                        a.destination()
                                .map(Setting::inForce)
                                .<List<Ipv4Address>>map(List::of)
                                .orElse(List.of()),
                        a.id()));
        taken(hops, a, to);
        agrees(hops.get(HopKind.AGREES.index()), a, from, to);
        hops.get(HopKind.WINS.index())
                .notKnown(
                        Reason.BYTES_NOT_KNOWN,
                        a.id(),
                        "bytes not known",
                        "Only its maker knows what is in it. "
                                + (a.sign().isEmpty()
                                        ? "Look at " + to.name() + " for a sign that it is connected."
                                        : "It works when " + to.name() + " shows " + a.sign() + "."));
        hops.get(HopKind.LEADS.index()).notApplicable("It ends at " + to.name() + ".");
        return new SignalPath(
                Optional.of(from.id()),
                Optional.of(a.id()),
                Optional.of(to.id()),
                "own",
                a.destination().isPresent() ? "unicast" : "found",
                List.of(new Leg(from.id(), to.id(), HopDraft.finish(hops))));
    }

    private static void taken(List<HopDraft> hops, Attachment a, Application to) {
        HopDraft letIn = hops.get(HopKind.LET_IN.index());
        if (!a.chosen().inForce()) {
            letIn.broken(
                    Reason.INPUT_DIFFERS,
                    a.id(),
                    "another input chosen",
                    to.name() + " has another input chosen than " + a.name() + ". Choose it there.",
                    List.of(new Edit(
                            "Choose " + a.name() + " as the input of " + to.name(),
                            p -> p.withAttachment(a.id(), x -> x.withChosen(Setting.of(true))))));
        }
        if (a.driver().isPresent()
                && !to.installed().attached().contains(a.driver().get())) {
            String driver = a.driver().get();
            letIn.broken(
                    Reason.DRIVER_MISSING,
                    to.id(),
                    driver + " missing",
                    a.name() + " needs " + driver + " at " + to.name() + ", where it is not. Install or attach it.",
                    List.of(new Edit(
                            "Add " + driver + " to " + to.name(),
                            p -> p.withApplication(to.id(), x -> {
                                List<String> attached =
                                        new java.util.ArrayList<>(x.installed().attached());
                                attached.add(driver);
                                return x.withInstalled(x.installed().withAttached(attached));
                            }))));
        }
    }

    private static void agrees(HopDraft hop, Attachment a, Application from, Application to) {
        Optional<String> mine = from.version().map(Setting::inForce);
        Optional<String> theirs = to.version().map(Setting::inForce);
        if (mine.isEmpty() || theirs.isEmpty()) {
            hop.passes(to.id(), "versions not said", "Nobody has said which versions the two run.");
            return;
        }
        hop.passes(
                to.id(),
                mine.get() + " and " + theirs.get(),
                from.name() + " runs " + mine.get() + " and " + to.name() + " " + theirs.get() + ", which agree.");
        if (!a.versions().agree(mine.get(), theirs.get())) {
            hop.broken(
                    Reason.ATTACHED_VERSIONS,
                    to.id(),
                    mine.get() + " ≠ " + theirs.get(),
                    from.name() + " runs version " + mine.get() + " and " + to.name() + " " + theirs.get()
                            + ", which do not attach to each other. Install " + mine.get() + " on " + to.name() + ".",
                    List.of(new Edit(
                            "Install version " + mine.get() + " on " + to.name(),
                            p -> p.withApplication(to.id(), x -> x.withVersion(mine.get())))));
        }
    }
}
