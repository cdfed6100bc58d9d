package zentrel.path.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.path.Reason;
import zentrel.plan.*;
import zentrel.profile.Need;
import zentrel.profile.ProfileApplication;

/** Fixes of what a program needs before it sends. */
final class NeedFixes {
    private final PathContext context;
    private final Remedies remedies;

    NeedFixes(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    List<Edit> of(Issue issue) {
        Application program = issue.facts().get("program", Application.class);
        Need need = issue.facts().get("need", Need.class);
        boolean said = program.installed().met().containsKey(need);
        List<Edit> edits = new ArrayList<>();
        if (issue.reason() == Reason.LICENCE_MISSING) {
            edits.add(licensed(program));
            return edits;
        }
        if (issue.reason() == Reason.NOT_ALONE) {
            issue.facts().find("other", Application.class).ifPresent(other -> edits.add(remedies.quit(other)));
        }
        if (issue.reason() == Reason.SESSION_MISSING && !said) {
            edits.addAll(session(program));
        }
        if (said || edits.isEmpty()) {
            edits.add(is(program, need));
        }
        return edits;
    }

    /** The first licence that its profile knows, and valid. */
    private Edit licensed(Application program) {
        Optional<String> licence = program.installed()
                .licenceNow()
                .or(() -> context.index().profileOf(program).map(ProfileApplication::licences).stream()
                        .flatMap(List::stream)
                        .findFirst());
        return new Edit(
                licence.map(l -> "Get " + remedies.name(program.id()) + " the licence " + l)
                        .orElse("Get " + remedies.name(program.id()) + " a licence"),
                p -> p.with(
                        program.id(),
                        a -> a.withInstalled(a.installed()
                                .with(Need.LICENCE, Optional.of(Setting.of(true)))
                                .withLicence(licence.map(Setting::of)))));
    }

    /** Into the only session that there is, or its main desk started. */
    private List<Edit> session(Application program) {
        List<Session> sessions = context.plan().sessions();
        Optional<Session> own = context.index().sessionOf(program.id());
        if (own.isPresent()) {
            return own.get().desks().stream()
                    .filter(m -> m.part() == Part.PRIMARY)
                    .map(m -> remedies.start(context.index().application(m.application())))
                    .toList();
        }
        return sessions.stream()
                .limit(1)
                .map(s -> new Edit(
                        "Let " + remedies.name(program.id()) + " enter " + s.name(),
                        p -> p.with(s.id(), x -> x.with(program.id(), x.isLed() ? Part.REMOTE : Part.PRIMARY))))
                .toList();
    }

    private Edit is(Application program, Need need) {
        String what = switch (need) {
            case LICENCE -> "Get the licence of ";
            case SESSION -> "Start the session of ";
            case ALONE -> "Quit the other program like ";
            case OUTPUT -> "Start the output of ";
        };
        return new Edit(
                what + remedies.name(program.id()),
                p -> p.with(
                        program.id(), a -> a.withInstalled(a.installed().with(need, Optional.of(Setting.of(true))))));
    }
}
