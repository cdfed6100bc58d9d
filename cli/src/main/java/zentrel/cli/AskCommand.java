package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Ping;
import zentrel.live.PlannedHosts;
import zentrel.live.ReachabilityProbe;
import zentrel.live.ThisComputer;
import zentrel.plan.Host;
import zentrel.plan.Plan;

/** {@code zentrel ask PLAN [HOST …]}: whether planned devices answer. */
@Command(
        name = "ask",
        mixinStandardHelpOptions = true,
        description = "Asks planned devices whether they answer: by ping, else by an Art-Net poll. Sets nothing.")
final class AskCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Parameters(index = "1..*", paramLabel = "HOST", description = "Only these, by name or id.")
    private @Nullable List<String> only;

    @Option(
            names = "--seconds",
            paramLabel = "S",
            defaultValue = "1",
            description = "How long to wait for each ping, 1 to 60 (default 1).")
    @SuppressWarnings("NullAway.Init")
    private Integer seconds;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (seconds < 1 || seconds > 60) {
            throw new Refusal("--seconds goes from 1 to 60, not " + seconds + ".");
        }
        Plan opened = input.plan();
        List<Host> hosts = new ArrayList<>();
        if (only == null) {
            hosts.addAll(opened.hosts());
        } else {
            for (String name : only) {
                hosts.add(PlanArgument.host(opened, name));
            }
        }
        List<ReachabilityProbe.Question> questions = PlannedHosts.questions(opened, hosts);
        Map<Ipv4Address, ReachabilityProbe.Answer> answers = new ConcurrentHashMap<>();
        CountDownLatch done = new CountDownLatch(1);
        try (ReachabilityProbe asking =
                new ReachabilityProbe(ThisComputer.adapters(), Ping.ofSystem(), Duration.ofSeconds(seconds))) {
            asking.start(questions, a -> answers.put(a.address(), a), done::countDown);
            done.await();
        } catch (IOException e) {
            throw new Refusal("This system does not tell of its adapters: " + e.getMessage() + ".", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Refusal("It was stopped.", e);
        }
        List<ReachabilityProbe.Answer> all = questions.stream()
                .map(q -> answers.get(q.address()))
                .filter(java.util.Objects::nonNull)
                .toList();
        if (out.json) {
            ArrayNode list = Output.JSON.arrayNode();
            all.forEach(a -> list.addObject()
                    .put("address", a.address().toString())
                    .put("answers", a.answers())
                    .put("how", a.how()));
            out.json(list);
        } else {
            all.forEach(a -> out.line(String.format(
                    Locale.ROOT, "%-15s %-8s %s", a.address(), a.answers() ? "answers" : "silent", a.how())));
        }
        return all.stream().allMatch(ReachabilityProbe.Answer::answers) ? 0 : 1;
    }
}
