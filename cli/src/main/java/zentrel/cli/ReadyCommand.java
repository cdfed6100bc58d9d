package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.plan.Plan;
import zentrel.plan.Session;
import zentrel.session.Lack;
import zentrel.session.SessionReadiness;
import zentrel.session.SessionReady;
import zentrel.session.Step;
import zentrel.session.StepWords;
import zentrel.session.TakesPart;

/** {@code zentrel ready PLAN [--session ID]}: what desks still lack until they work together, and in which order to go about it. */
@Command(
        name = "ready",
        mixinStandardHelpOptions = true,
        description = "What the desks of a session still lack, and in which order to start, set and enter.")
final class ReadyCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Option(names = "--session", paramLabel = "ID", description = "Only this session.")
    private @Nullable String only;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan plan = input.plan();
        String wanted = only;
        List<Session> sessions = plan.sessions().stream()
                .filter(s -> wanted == null || s.id().value().equals(wanted))
                .toList();
        if (wanted != null && sessions.isEmpty()) {
            throw new Refusal("The plan has no session \"" + wanted + "\".");
        }
        Report report = Check.run(plan);
        SessionReadiness readiness = new SessionReadiness(report);
        List<SessionReady> all = sessions.stream().map(readiness::of).toList();
        if (out.json) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode list = root.putArray("sessions");
            all.forEach(r -> json(list.addObject(), plan, r));
            out.json(root);
        } else {
            all.forEach(r -> say(plan, r));
            if (all.isEmpty()) {
                out.line("The plan has no session.");
            }
        }
        return all.stream().allMatch(SessionReady::isReady) ? 0 : 1;
    }

    private static void json(ObjectNode n, Plan plan, SessionReady ready) {
        Session session = plan.index().get(ready.session());
        StepWords words = new StepWords(plan, session);
        n.put("id", session.id().value());
        n.put("ready", ready.isReady());
        ArrayNode steps = n.putArray("steps");
        for (Step step : ready.steps()) {
            ObjectNode s = steps.addObject()
                    .put("order", step.order())
                    .put("subject", step.program().value())
                    .put("text", words.of(step));
            step.waitSeconds().ifPresentOrElse(w -> s.put("waitSeconds", w), () -> s.putNull("waitSeconds"));
            if (step.sign().isEmpty()) {
                s.putNull("sign");
            } else {
                s.put("sign", step.sign());
            }
            s.put("done", step.done());
        }
        ArrayNode desks = n.putArray("desks");
        for (TakesPart member : ready.members()) {
            ObjectNode d = desks.addObject()
                    .put("id", member.program().value())
                    .put("part", member.part().title())
                    .put("state", member.state().words());
            ArrayNode lacks = d.putArray("lacks");
            for (Lack lack : member.lacks()) {
                ObjectNode l = lacks.addObject().put("rule", lack.rule()).put("text", lack.text());
                lack.fix().ifPresentOrElse(f -> l.put("fix", f), () -> l.putNull("fix"));
            }
        }
    }

    private void say(Plan plan, SessionReady ready) {
        Session session = plan.index().get(ready.session());
        StepWords words = new StepWords(plan, session);
        out.line(session.name()
                + (ready.isReady()
                        ? ": ready."
                        : ": " + ready.left() + " steps left, at least " + ready.seconds() + " s of waiting."));
        for (TakesPart member : ready.members()) {
            out.line("  " + plan.index().name(member.program()) + ", "
                    + member.part().title() + ": " + member.state().words());
            member.lacks().forEach(l -> out.line("      " + l.text()));
        }
        for (Step step : ready.steps()) {
            if (!step.done()) {
                out.line("  %2d. %s%s%s"
                        .formatted(
                                step.order(),
                                words.of(step),
                                step.waitSeconds().isPresent()
                                        ? " Wait " + step.waitSeconds().getAsInt() + " s."
                                        : "",
                                step.sign().isEmpty() ? "" : " It is there when: " + step.sign() + "."));
            }
        }
    }
}
