package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.plan.Application;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Part;
import zentrel.plan.Plan;
import zentrel.plan.Session;

/** Two desks of one session that both lead it: {@code desk.two-mains}. */
final class DeskTwoMains extends PathRule {
    DeskTwoMains() {
        super("desk.two-mains");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().sessions().stream().anyMatch(s -> s.desks().size() > 1);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Session session : context.plan().sessions()) {
            List<Id<Application>> leading = session.desks().stream()
                    .filter(m -> m.part() == Part.PRIMARY)
                    .map(Session.Desk::application)
                    .toList();
            if (leading.size() < 2) {
                continue;
            }
            String names =
                    leading.stream().map(context.index()::name).collect(Collectors.joining(RuleWords.say("part/and")));
            List<Id<?>> subjects = new ArrayList<>(List.of(session.id()));
            subjects.addAll(leading);
            findings.add(unmet(
                    Severity.BROKEN,
                    Optional.empty(),
                    subjects,
                    RuleWords.say("desk.two-mains.says", "desks", names, "session", session.name()),
                    leading.stream()
                            .map(kept -> new Edit(
                                    RuleWords.say(
                                            "desk.two-mains.fix",
                                            "desk",
                                            context.index().name(kept),
                                            "session",
                                            session.name()),
                                    p -> only(p, session, kept)))
                            .toList()));
        }
        return findings;
    }

    private static Plan only(Plan plan, Session session, Id<Application> kept) {
        return plan.with(
                session.id(),
                s -> s.withDesks(s.desks().stream()
                        .map(m ->
                                m.part() == Part.PRIMARY && !m.application().equals(kept) ? m.withPart(Part.BACKUP) : m)
                        .toList()));
    }
}
