package zentrel.session;

import java.util.ArrayList;
import java.util.List;
import zentrel.check.Report;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.table.TextTable;

/** The order in which the desks of all sessions start, as a table to print and to take along. */
public final class StartTable {
    private StartTable() {}

    /** All steps, what is done already among them. */
    public static TextTable of(Report report) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of(
                "Session", "Step", "Device", "Program", "What to do", "Begins after s", "Wait s", "Sign", "Done"));
        Plan plan = report.plan();
        PlanIndex index = plan.index();
        for (SessionReady ready : new SessionReadiness(report).all()) {
            StepWords words = new StepWords(plan, index.get(ready.session()));
            for (Step step : ready.steps()) {
                rows.add(List.of(
                        index.name(ready.session()),
                        String.valueOf(step.order()),
                        index.name(index.application(step.program()).host()),
                        index.name(step.program()),
                        words.of(step),
                        String.valueOf(step.startsAt()),
                        step.waitSeconds().isPresent()
                                ? String.valueOf(step.waitSeconds().getAsInt())
                                : "",
                        step.sign(),
                        step.done() ? "yes" : "no"));
            }
        }
        return new TextTable(rows);
    }
}
