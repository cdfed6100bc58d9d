package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Traffic;

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
        hops.get(0).passes(from.id(), Facts.as("own-stream", "program", from, "partner", to));
        if (!a.sending().inForce()) {
            hops.get(0).broken(Reason.ATTACHMENT_OFF, a.id(), Facts.of("attachment", a, "program", from));
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
                        Facts.as(a.sign().isEmpty() ? "" : "sign", "program", to, "sign", a.sign()));
        hops.get(HopKind.LEADS.index()).notApplicable(Facts.as("own-stream-ends", "program", to));
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
            letIn.broken(Reason.INPUT_DIFFERS, a.id(), Facts.of("program", to, "attachment", a));
        }
        if (a.driver().isPresent()
                && !to.installed().attached().contains(a.driver().get())) {
            letIn.broken(
                    Reason.DRIVER_MISSING,
                    to.id(),
                    Facts.of("attachment", a, "driver", a.driver().get(), "program", to));
        }
    }

    private void agrees(HopDraft hop, Attachment a, Application from, Application to) {
        Optional<String> mine = from.version().map(Setting::inForce);
        Optional<String> theirs = to.version().map(Setting::inForce);
        if (mine.isEmpty() || theirs.isEmpty()) {
            hop.passes(to.id(), Facts.as("versions-not-specified"));
            return;
        }
        Facts versions =
                Facts.as("versions", "program", from, "mine", mine.get(), "partner", to, "theirs", theirs.get());
        hop.passes(to.id(), versions);
        switch (a.versions().compare(mine.get(), theirs.get())) {
            case DIFFER -> hop.broken(Reason.ATTACHED_VERSIONS, to.id(), versions.in(""));
            case NOT_SURE ->
                hop.atRisk(
                        Reason.BUILD_NOT_KNOWN,
                        to.id(),
                        Facts.of("desk", to, "version", theirs.get(), "lead", from, "wanted", mine.get()));
            case AGREE -> {
                // as it was said above
            }
        }
    }
}
