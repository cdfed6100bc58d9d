package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
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
        hops.get(0)
                .passes(
                        from.id(),
                        "its own stream",
                        context.index.name(from.id()) + " sends its own stream to " + context.index.name(to.id())
                                + ".");
        if (!a.sending().inForce()) {
            hops.get(0)
                    .broken(
                            Reason.ATTACHMENT_OFF,
                            a.id(),
                            "switched off",
                            context.index.name(a.id()) + " is switched off in " + context.index.name(from.id())
                                    + ". Switch it on there.",
                            List.of(new Edit(
                                    "Switch on " + context.index.name(a.id()),
                                    p -> p.with(a.id(), x -> x.withSending(Setting.of(true))))));
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
                                        ? "Look at " + context.index.name(to.id()) + " for a sign that it is connected."
                                        : "It works when " + context.index.name(to.id()) + " shows " + a.sign() + "."));
        hops.get(HopKind.LEADS.index()).notApplicable("It ends at " + context.index.name(to.id()) + ".");
        return new SignalPath(
                Optional.of(from.id()),
                Optional.of(a.id()),
                Optional.of(to.id()),
                "own",
                a.destination().isPresent() ? "unicast" : "found",
                List.of(new Leg(from.id(), to.id(), HopDraft.finish(hops))));
    }

    private void taken(List<HopDraft> hops, Attachment a, Application to) {
        HopDraft letIn = hops.get(HopKind.LET_IN.index());
        if (!a.chosen().inForce()) {
            letIn.broken(
                    Reason.INPUT_DIFFERS,
                    a.id(),
                    "another input chosen",
                    context.index.name(to.id()) + " has another input chosen than " + context.index.name(a.id())
                            + ". Choose it there.",
                    List.of(new Edit(
                            "Choose " + context.index.name(a.id()) + " as the input of " + context.index.name(to.id()),
                            p -> p.with(a.id(), x -> x.withChosen(Setting.of(true))))));
        }
        if (a.driver().isPresent()
                && !to.installed().attached().contains(a.driver().get())) {
            String driver = a.driver().get();
            letIn.broken(
                    Reason.DRIVER_MISSING,
                    to.id(),
                    driver + " missing",
                    context.index.name(a.id()) + " needs " + driver + " at " + context.index.name(to.id())
                            + ", where it is not. Install or attach it.",
                    List.of(new Edit(
                            "Add " + driver + " to " + context.index.name(to.id()),
                            p -> p.with(to.id(), x -> {
                                List<String> attached =
                                        new java.util.ArrayList<>(x.installed().attached());
                                attached.add(driver);
                                return x.withInstalled(x.installed().withAttached(attached));
                            }))));
        }
    }

    private void agrees(HopDraft hop, Attachment a, Application from, Application to) {
        Optional<String> mine = from.version().map(Setting::inForce);
        Optional<String> theirs = to.version().map(Setting::inForce);
        if (mine.isEmpty() || theirs.isEmpty()) {
            hop.passes(to.id(), "versions not said", "Nobody has said which versions the two run.");
            return;
        }
        hop.passes(
                to.id(),
                mine.get() + " and " + theirs.get(),
                context.index.name(from.id()) + " runs " + mine.get() + " and " + context.index.name(to.id()) + " "
                        + theirs.get() + ", which agree.");
        if (!a.versions().agree(mine.get(), theirs.get())) {
            hop.broken(
                    Reason.ATTACHED_VERSIONS,
                    to.id(),
                    mine.get() + " ≠ " + theirs.get(),
                    context.index.name(from.id()) + " runs version " + mine.get() + " and "
                            + context.index.name(to.id()) + " " + theirs.get()
                            + ", which do not attach to each other. Install " + mine.get() + " on "
                            + context.index.name(to.id()) + ".",
                    List.of(new Edit(
                            "Install version " + mine.get() + " on " + context.index.name(to.id()),
                            p -> p.with(to.id(), x -> x.withVersion(mine.get())))));
        }
    }
}
