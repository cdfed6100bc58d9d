package zentrel.app.desks;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.check.Report;
import zentrel.plan.Adapter;
import zentrel.plan.Application;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Purpose;
import zentrel.plan.Session;
import zentrel.plan.Setting;
import zentrel.session.BothEnds;
import zentrel.session.MainStops;
import zentrel.session.SessionReadiness;
import zentrel.session.SessionReady;
import zentrel.session.StepWords;
import zentrel.session.TakesPart;

/** All that the page shows of one session, worked out of a report; nothing of it is a node. */
record DesksModel(
        Session session,
        SessionReady ready,
        List<Member> members,
        Shared shared,
        Map<Id<Application>, List<BothEnds.Row>> ends,
        Optional<MainStops> mainStops,
        StopWords ifMainStops,
        StepWords words) {

    /** A program with the words that stand beside it. */
    record Member(TakesPart part, String name, String address, String lacks) {}

    /** What the desks have in common, as the one that leads has it. */
    record Shared(String show, String version, String network) {}

    /** Every session of a plan. */
    static List<DesksModel> of(Report report) {
        SessionReadiness readiness = new SessionReadiness(report);
        return report.plan().sessions().stream()
                .map(s -> of(report, s, readiness.of(s)))
                .toList();
    }

    private static DesksModel of(Report report, Session session, SessionReady ready) {
        Plan plan = report.plan();
        PlanIndex index = plan.index();
        BothEnds both = new BothEnds(plan);
        Map<Id<Application>, List<BothEnds.Row>> ends = new HashMap<>();
        List<Member> members = new ArrayList<>();
        for (TakesPart part : ready.members()) {
            ends.put(part.program(), both.of(session, part));
            members.add(new Member(
                    part,
                    index.name(part.program()),
                    address(plan, part.program()),
                    part.first().map(l -> l.text()).orElse(part.state().words())));
        }
        return new DesksModel(
                session,
                ready,
                members,
                shared(plan, session),
                ends,
                MainStops.of(report.signalPaths(), session),
                new StopWords(index),
                new StepWords(plan, session));
    }

    private static String address(Plan plan, Id<Application> program) {
        return adapter(plan, program)
                .flatMap(a -> a.addresses().stream().findFirst())
                .map(a -> a.inForce().address().toString())
                .orElse("");
    }

    private static Optional<Adapter> adapter(Plan plan, Id<Application> id) {
        Application program = plan.index().application(id);
        List<Id<Adapter>> bound = program.binding(Purpose.SESSION).adapters();
        return plan.index().host(program.host()).adapters().stream()
                .filter(a -> bound.isEmpty() || bound.contains(a.id()))
                .findFirst();
    }

    private static Shared shared(Plan plan, Session session) {
        Optional<Application> main = session.main().map(d -> plan.index().application(d.application()));
        return new Shared(
                main.flatMap(a -> a.installed().show()).map(Setting::inForce).orElse("show not said"),
                main.flatMap(Application::version)
                        .map(Setting::inForce)
                        .map(v -> "version " + v)
                        .orElse("version not said"),
                main.flatMap(a -> adapter(plan, a.id()))
                        .flatMap(Adapter::segment)
                        .map(s -> plan.index().name(s)
                                + plan.index()
                                        .segment(s)
                                        .subnet()
                                        .map(n -> " " + n)
                                        .orElse(""))
                        .orElse(""));
    }

    /** Whether a program takes part here. */
    Optional<Member> member(Id<?> program) {
        return members.stream().filter(m -> m.part().program().equals(program)).findFirst();
    }
}
