package zentrel.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Application;
import zentrel.plan.Delivery;
import zentrel.plan.Purpose;
import zentrel.plan.Session;
import zentrel.plan.Setting;
import zentrel.plan.VersionRule;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Traffic;

/** Judges whether the desks of a session can work together: from the one that leads to each other one, there and back. */
final class SessionJudge {
    private final PathContext context;
    private final TransportJudge transport;

    SessionJudge(PathContext context, TransportJudge transport) {
        this.context = context;
        this.transport = transport;
    }

    List<SignalPath> paths(Session session) {
        Optional<Session.Desk> lead = session.desks().stream().min(Comparator.comparing(Session.Desk::part));
        return lead.map(l -> session.desks().stream()
                        .filter(d -> !d.equals(l))
                        .map(d -> path(session, l, d))
                        .toList())
                .orElse(List.of());
    }

    private SignalPath path(Session session, Session.Desk lead, Session.Desk desk) {
        return new SignalPath(
                Optional.of(lead.application()),
                Optional.of(session.id()),
                Optional.of(desk.application()),
                SignalPaths.SESSION,
                Delivery.LIMITED_BROADCAST.word(),
                List.of(leg(session, lead, desk), leg(session, desk, lead)));
    }

    private Leg leg(Session session, Session.Desk sends, Session.Desk takes) {
        Application from = context.index.application(sends.application());
        Application to = context.index.application(takes.application());
        List<HopDraft> hops = HopDraft.leg(from.id(), to.id());
        hops.get(0)
                .passes(from.id(), Facts.as("in-session", "program", from, "session", session, "part", sends.part()));
        startedFirst(hops.get(0), session, from);
        transport.judge(
                hops,
                new Shipment(
                        from,
                        Purpose.SESSION,
                        to,
                        Purpose.SESSION,
                        Traffic.OWN,
                        Delivery.LIMITED_BROADCAST,
                        List.of(),
                        session.id()));
        HopDraft agrees = HopDraft.at(hops, HopKind.AGREES);
        versions(agrees, session, sends, takes, from, to);
        key(agrees, session, takes, to);
        HopDraft.at(hops, HopKind.WINS)
                .passes(to.id(), Facts.as("takes-part", "program", to, "session", session, "part", takes.part()));
        HopDraft.at(hops, HopKind.LEADS).notApplicable(Facts.as("session-ends", "program", to));
        return new Leg(from.id(), to.id(), HopDraft.finish(hops));
    }

    /** A program that runs, and was told to be started after another of the session that does not. */
    private void startedFirst(HopDraft hop, Session session, Application program) {
        if (!program.installed().runs()) {
            return;
        }
        List<ApplicationKind> after = context.index
                .profileOf(program)
                .map(p -> List.copyOf(p.start().after()))
                .orElse(List.of());
        List<Application> before = new ArrayList<>();
        for (Session.Desk other : session.desks()) {
            Application one = context.index.application(other.application());
            if (!one.id().equals(program.id())
                    && after.contains(one.kind())
                    && !one.installed().runs()) {
                before.add(one);
            }
        }
        before.stream()
                .findFirst()
                .ifPresent(first ->
                        hop.broken(Reason.START_ORDER, first.id(), Facts.of("program", program, "first", first)));
    }

    private static void versions(
            HopDraft hop, Session session, Session.Desk sends, Session.Desk takes, Application from, Application to) {
        Optional<String> mine = from.version().map(Setting::inForce);
        Optional<String> theirs = to.version().map(Setting::inForce);
        if (session.versions() == VersionRule.ANY) {
            hop.passes(to.id(), Facts.as("versions-free"));
            return;
        }
        if (mine.isEmpty() || theirs.isEmpty()) {
            hop.passes(to.id(), Facts.as("versions-not-specified"));
            return;
        }
        hop.passes(
                to.id(),
                Facts.as("versions", "program", from, "mine", mine.get(), "partner", to, "theirs", theirs.get()));
        // whoever leads says which version is right, so the cause is the other one on the way back too
        boolean back = sends.part().compareTo(takes.part()) > 0;
        Application desk = back ? from : to;
        Application lead = back ? to : from;
        Facts facts = Facts.of(
                "desk",
                desk,
                "version",
                back ? mine.get() : theirs.get(),
                "lead",
                lead,
                "part",
                back ? takes.part() : sends.part(),
                "session",
                session,
                "wanted",
                back ? theirs.get() : mine.get());
        switch (session.versions().compare(mine.get(), theirs.get())) {
            case DIFFER -> hop.broken(Reason.DESK_VERSIONS, desk.id(), facts);
            case NOT_SURE -> hop.atRisk(Reason.BUILD_NOT_KNOWN, desk.id(), facts);
            case AGREE -> {
                // as it was said above
            }
        }
    }

    private static void key(HopDraft hop, Session session, Session.Desk desk, Application program) {
        String typed = session.keyAt(desk);
        if (!typed.equals(session.key())) {
            hop.broken(
                    Reason.SESSION_KEYS,
                    program.id(),
                    Facts.as(
                            session.key().isEmpty() ? "none" : typed.isEmpty() ? "missing" : "",
                            "program",
                            program,
                            "session",
                            session,
                            "typed",
                            typed,
                            "key",
                            session.key()));
        }
    }
}
