package zentrel.path.fix;

import java.util.List;
import java.util.Optional;
import zentrel.path.Facts;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.plan.Application;
import zentrel.plan.Edit;
import zentrel.plan.Session;
import zentrel.plan.Setting;

/** Fixes of what keeps desks from working together. */
final class DeskFixes {
    private final PathContext context;

    DeskFixes(PathContext context) {
        this.context = context;
    }

    List<Edit> of(Issue issue) {
        Facts facts = issue.facts();
        return switch (issue.reason()) {
            case START_ORDER -> start(facts.get("first", Application.class), facts.get("program", Application.class));
            case SESSION_KEYS -> key(facts.get("program", Application.class), facts.get("session", Session.class));
            case DESK_VERSIONS, BUILD_NOT_KNOWN ->
                List.of(install(facts.get("desk", Application.class), facts.get("wanted", String.class)));
            default -> throw new IllegalArgumentException("No fix of a desk for " + issue.reason());
        };
    }

    private List<Edit> start(Application first, Application then) {
        return List.of(new Edit(
                "Start " + name(first) + ", then restart " + name(then),
                p -> p.with(
                        first.id(), a -> a.withInstalled(a.installed().withRunning(Optional.of(Setting.of(true)))))));
    }

    private List<Edit> key(Application program, Session session) {
        String said = session.key().isEmpty() ? "nothing" : session.key();
        return List.of(new Edit(
                "Type " + said + " as the key of " + session.name() + " in " + name(program),
                p -> p.with(
                        session.id(),
                        s -> s.desk(program.id())
                                .map(d -> s.with(d.withKey(Optional.empty())))
                                .orElse(s))));
    }

    private Edit install(Application desk, String version) {
        return new Edit(
                "Install version " + version + " on " + name(desk),
                p -> p.with(desk.id(), a -> a.withVersion(version)));
    }

    private String name(Application program) {
        return context.index().name(program.id());
    }
}
