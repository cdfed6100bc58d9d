package zentrel.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.path.HopKind;
import zentrel.path.Reason;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.plan.Application;
import zentrel.plan.Attachment;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Part;
import zentrel.plan.Plan;
import zentrel.plan.Receiver;
import zentrel.plan.Session;
import zentrel.plan.Universe;
import zentrel.profile.ApplicationKind;

/** Works out what each program of a session lacks, from what the check found, and what to do in which order. */
public final class SessionReadiness {
    /** Lacks told of one program at most; a previs may miss hundreds of universes for one reason. */
    private static final int MOST_LACKS = 12;

    /** Rules that are about several desks at once, whichever of them the cause is. */
    private static final Set<String> OF_SEVERAL = Set.of("desk.two-mains", "desk.start-order");

    private final Report report;
    private final Plan plan;
    private final Map<String, Finding> findings = new LinkedHashMap<>();

    /** @param report of the plan that the sessions are of */
    public SessionReadiness(Report report) {
        this.report = report;
        this.plan = report.plan();
        report.findings().forEach(f -> findings.putIfAbsent(f.id(), f));
    }

    /** All sessions of the plan. */
    public List<SessionReady> all() {
        return plan.sessions().stream().map(this::of).toList();
    }

    /** One session. */
    public SessionReady of(Session session) {
        List<SignalPath> paths = report.signalPaths().ofSession(session.id()).paths();
        List<TakesPart> members = new ArrayList<>();
        for (Session.Desk desk : session.desks()) {
            members.add(desk(session, desk, paths));
        }
        Set<Id<Application>> known = new LinkedHashSet<>();
        session.desks().forEach(d -> known.add(d.application()));
        for (Attachment attachment : plan.attachments()) {
            if (isDesk(session, attachment.from()) && known.add(attachment.to())) {
                members.add(attached(attachment));
            }
        }
        for (Application program : plan.applications()) {
            if (program.kind() == ApplicationKind.PREVIS
                    && takesLevelsOf(session, program)
                    && known.add(program.id())) {
                members.add(byStream(program));
            }
        }
        return new SessionReady(session.id(), new StartingOrder(plan, session, members).steps(), members);
    }

    private static boolean isDesk(Session session, Id<Application> program) {
        return session.desk(program).isPresent();
    }

    private boolean takesLevelsOf(Session session, Application program) {
        for (Receiver receiver : plan.index().receiversOf(program.id())) {
            for (var port : receiver.ports()) {
                if (port.universe().filter(u -> isSentBy(session, u)).isPresent()) {
                    return true;
                }
            }
        }
        return false;
    }

    private boolean isSentBy(Session session, Id<Universe> universe) {
        return plan.index().streamsOf(universe).stream().anyMatch(s -> isDesk(session, s.application()));
    }

    private TakesPart desk(Session session, Session.Desk desk, List<SignalPath> paths) {
        boolean leads = session.main().filter(desk::equals).isPresent();
        List<SignalPath> own = paths.stream()
                .filter(p -> leads
                        ? p.source().equals(Optional.of(desk.application()))
                        : p.receiver().equals(Optional.of(desk.application())))
                .toList();
        Set<Finding> lacks = new LinkedHashSet<>();
        own.forEach(p -> lacks.addAll(met(p, f -> !leads || isAbout(f, desk.application()))));
        findings.values().stream()
                .filter(f -> f.rule().startsWith("desk.") && isAbout(f, desk.application()))
                .forEach(lacks::add);
        lacks.addAll(otherFixtures(desk.application()));
        return member(
                desk.application(),
                desk.part(),
                Optional.empty(),
                true,
                desk.entered().orElse(true),
                lacks);
    }

    private TakesPart attached(Attachment attachment) {
        Set<Finding> lacks = new LinkedHashSet<>();
        report.signalPaths().ofAttachment(attachment.id()).paths().forEach(p -> lacks.addAll(met(p, f -> true)));
        lacks.addAll(otherFixtures(attachment.to()));
        return member(attachment.to(), Part.PREVIS, Optional.of(attachment.id()), false, lacks.isEmpty(), lacks);
    }

    private TakesPart byStream(Application program) {
        Set<Finding> lacks = new LinkedHashSet<>();
        for (SignalPath path : report.signalPaths().of(program.id()).paths()) {
            if (path.protocol().equals("artnet") || path.protocol().equals("sacn")) {
                lacks.addAll(met(
                        path,
                        f -> f.hop()
                                .filter(h -> h.number() <= HopKind.AGREES.number())
                                .isPresent()));
            }
        }
        lacks.addAll(otherFixtures(program.id()));
        return member(program.id(), Part.PREVIS, Optional.empty(), false, lacks.isEmpty(), lacks);
    }

    /** What is reported of a program's list of fixtures: levels arrive there, and other lights move. */
    private List<Finding> otherFixtures(Id<Application> program) {
        return findings.values().stream()
                .filter(f -> f.rule().equals("patch.differs") || f.rule().equals("patch.mode-differs"))
                .filter(f -> f.severity() != Severity.NOTE && f.subjects().contains(program))
                .toList();
    }

    /** What the check reports of what a path met. */
    private List<Finding> met(SignalPath path, java.util.function.Predicate<Finding> counts) {
        return path.issues()
                .filter(i -> i.verdict().compareTo(Verdict.AT_RISK) >= 0)
                .flatMap(i -> Optional.ofNullable(findings.get(i.fixId())).stream())
                .filter(counts)
                .distinct()
                .toList();
    }

    /** Whether the mistake is at a program, on its device or at one of its adapters. */
    private boolean isAbout(Finding finding, Id<Application> program) {
        Host host = plan.index().host(plan.index().application(program).host());
        return finding.cause().equals(program)
                || finding.cause().equals(host.id())
                || host.adapters().stream().anyMatch(a -> finding.cause().equals(a.id()))
                || (OF_SEVERAL.contains(finding.rule()) && finding.subjects().contains(program));
    }

    private TakesPart member(
            Id<Application> program,
            Part part,
            Optional<Id<Attachment>> by,
            boolean inSession,
            boolean entered,
            Set<Finding> found) {
        List<Lack> lacks = found.stream()
                .map(Lack::new)
                .sorted(Comparator.comparingInt(Lack::order))
                .limit(MOST_LACKS)
                .toList();
        return new TakesPart(program, part, by, inSession, state(program, lacks, entered), lacks);
    }

    private TakesPart.State state(Id<Application> id, List<Lack> lacks, boolean entered) {
        Application program = plan.index().application(id);
        Host host = plan.index().host(program.host());
        if (!report.signalPaths().hasPower(host)) {
            return TakesPart.State.NO_POWER;
        }
        if (!program.installed().runs()) {
            return TakesPart.State.NOT_STARTED;
        }
        if (lacks.stream().anyMatch(l -> l.rule().equals(Reason.SESSION_KEYS.rule()))) {
            return TakesPart.State.KEY_DIFFERS;
        }
        if (lacks.stream()
                .anyMatch(l -> l.rule().equals(Reason.LICENCE_MISSING.rule())
                        && l.cause().equals(id))) {
            return TakesPart.State.LICENCE_MISSING;
        }
        if (lacks.stream().anyMatch(Lack::stops)) {
            return TakesPart.State.CANNOT_ENTER;
        }
        return entered ? TakesPart.State.IN_STEP : TakesPart.State.CAN_ENTER;
    }
}
