package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Application;
import zentrel.plan.Edit;
import zentrel.plan.Session;
import zentrel.plan.Setting;
import zentrel.plan.VersionRule;

/** Versions of a session's desks differ: {@code desk.version-differs}. */
final class DeskVersionDiffers extends PathRule {
    DeskVersionDiffers() {
        super("desk.version-differs");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().sessions().stream()
                .anyMatch(s -> s.desks().size() > 1 && s.versions() != VersionRule.ANY);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Session session : context.plan().sessions()) {
            Optional<Application> lead = session.desks().stream()
                    .sorted(Comparator.comparing(Session.Desk::part))
                    .map(m -> context.index().application(m.application()))
                    .filter(a -> a.version().isPresent())
                    .findFirst();
            if (lead.isEmpty()) {
                continue;
            }
            String wanted = lead.get().version().orElseThrow().inForce();
            for (Session.Desk one : session.desks()) {
                Application desk = context.index().application(one.application());
                desk.version()
                        .map(Setting::inForce)
                        .filter(v -> !session.versions().agree(wanted, v))
                        .ifPresent(v -> findings.add(unmet(
                                Severity.BROKEN,
                                Optional.empty(),
                                List.of(desk.id(), session.id(), lead.get().id()),
                                RuleWords.say(
                                        "desk.version-differs.says",
                                        "desk",
                                        context.index().name(desk.id()),
                                        "version",
                                        v,
                                        "lead",
                                        context.index().name(lead.get().id()),
                                        "part",
                                        partOf(session, lead.get()),
                                        "session",
                                        session.name(),
                                        "wanted",
                                        wanted),
                                List.of(new Edit(
                                        RuleWords.say(
                                                "desk.version-differs.fix",
                                                "wanted",
                                                wanted,
                                                "desk",
                                                context.index().name(desk.id())),
                                        p -> p.with(desk.id(), a -> a.withVersion(wanted)))))));
            }
        }
        return findings;
    }

    private static String partOf(Session session, Application application) {
        return session.desks().stream()
                .filter(m -> m.application().equals(application.id()))
                .map(m -> m.part().word())
                .findFirst()
                .orElse("desk");
    }
}
