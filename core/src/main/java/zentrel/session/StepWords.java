package zentrel.session;

import java.util.Optional;
import zentrel.check.Fix;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Session;

/** The steps of a session as sentences. */
public final class StepWords {
    private final PlanIndex index;
    private final Session session;

    public StepWords(Plan plan, Session session) {
        index = plan.index();
        this.session = session;
    }

    /** What to do, in the imperative. */
    public String of(Step step) {
        String program = index.name(step.program());
        Optional<Session.Desk> desk = session.desk(step.program());
        return switch (step.what()) {
            case POWER ->
                "Switch on " + index.name(index.application(step.program()).host()) + ".";
            case ADDRESS ->
                "Wait until " + index.name(index.application(step.program()).host()) + " has its address.";
            case START -> "Start " + program + ".";
            case SETTLE ->
                step.lack()
                        .map(l -> l.finding().fixes().stream()
                                .findFirst()
                                .map(Fix::text)
                                .map(t -> t + ".")
                                .orElse(l.text()))
                        .orElse("");
            case RESTART -> "Restart " + program + ".";
            case CREATE -> "Make the session " + session.name() + " on " + program + withKey() + ".";
            case SAVE -> "Save the show of " + program + ": entering replaces it.";
            case ENTER ->
                "Let " + program + " enter " + session.name()
                        + desk.map(d -> " as " + d.part().title()).orElse("") + withKey() + ".";
            case ATTACH -> "Choose the stream of the desks in " + program + ".";
        };
    }

    private String withKey() {
        return session.key().isEmpty() ? "" : ", with the key " + session.key();
    }

    /** The same in two or three words, for a line in time. */
    public String brief(Step step) {
        return switch (step.what()) {
            case POWER -> "power";
            case ADDRESS -> "address";
            case START -> "start";
            case SETTLE -> step.lack().map(l -> brief(l.rule())).orElse("set");
            case RESTART -> "restart";
            case CREATE -> "make session";
            case SAVE -> "save show";
            case ENTER -> "enter";
            case ATTACH -> "attach";
        };
    }

    private static String brief(String rule) {
        return switch (rule) {
            case "desk.version-differs" -> "install version";
            case "desk.session-differs" -> "type key";
            case "desk.two-mains" -> "one main";
            case "desk.remote-outputs" -> "output off";
            case "desk.backup-outranks" -> "priority";
            case "program.not-ready" -> "licence";
            case "host.firewall" -> "firewall";
            case "previs.input-differs" -> "input";
            default -> rule.substring(0, rule.indexOf('.'));
        };
    }
}
