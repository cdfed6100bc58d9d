package zentrel.speed;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.file.PlanFileException;
import zentrel.file.PlanReader;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.session.SessionReadiness;

/** How long it takes after an edit until it is known what the desks of a session lack; the goal is 20 ms for 40 desks. */
final class SessionSpeed {
    private static final int DESKS = 40;
    private static final int TIMES = 41;

    private SessionSpeed() {}

    static void print() throws IOException {
        StringBuilder hosts = new StringBuilder();
        StringBuilder programs = new StringBuilder();
        StringBuilder desks = new StringBuilder();
        for (int i = 0; i < DESKS; i++) {
            String comma = i == 0 ? "" : ",";
            hosts.append(comma).append("""
                    {"id":"h%d","kind":"console","adapters":[{"id":"a%d","segment":"n","addresses":["10.71.0.%d/16"]}]}
                    """.formatted(i, i, i + 1));
            programs.append(comma).append("""
                    {"id":"x%d","host":"h%d","kind":"console","version":"%d.1","bindings":{"session":["a%d"]}}
                    """.formatted(i, i, i % 3, i));
            desks.append(comma).append("""
                    {"application":"x%d","part":"%s"}""".formatted(i, i == 0 ? "primary" : "remote"));
        }
        Plan plan;
        try {
            plan = PlanReader.read("""
                    {"zentrel-plan":1,"segments":[{"id":"n"}],"hosts":[%s],"applications":[%s],"sessions":[{"id":"e","desks":[%s]}]}
                    """.formatted(hosts, programs, desks).getBytes(StandardCharsets.UTF_8))
                    .plan();
        } catch (PlanFileException e) {
            throw new IOException(e);
        }
        Report before = Check.run(plan);
        long[] check = new long[TIMES];
        long[] ready = new long[TIMES];
        for (int i = 0; i < TIMES; i++) {
            String version = (i % 7) + ".1";
            Plan edited = plan.with(Kind.APPLICATION.id("x" + (1 + i % (DESKS - 1))), a -> a.withVersion(version));
            long begun = System.nanoTime();
            Report after = Check.after(before, edited);
            long checked = System.nanoTime();
            new SessionReadiness(after).all();
            ready[i] = System.nanoTime() - checked;
            check[i] = checked - begun;
        }
        Arrays.sort(check);
        Arrays.sort(ready);
        System.out.printf(
                Locale.ROOT,
                "sessions  %d desks after an edit: check %.1f ms, readiness %.1f ms (median of %d)%n",
                DESKS,
                check[TIMES / 2] / 1e6,
                ready[TIMES / 2] / 1e6,
                TIMES);
    }
}
