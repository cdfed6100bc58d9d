package zentrel.app.about;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import zentrel.check.Report;
import zentrel.file.Settings;
import zentrel.file.UserFolders;
import zentrel.plan.Kind;
import zentrel.text.Version;

/** What a report of a fault needs, as text that anybody reads before it is sent: no names, no addresses, no file names of the plan. */
final class FaultReport {
    private static final int MOST_LINES = 200;

    private FaultReport() {}

    /** The text; reading the log takes a moment, so this is for a thread in the background. */
    static String of(Report report, Settings settings, UserFolders folders, String screens) {
        StringBuilder text = new StringBuilder("Zentrel ")
                .append(Version.current())
                .append(", commit ")
                .append(Version.commit())
                .append("\nJava ")
                .append(System.getProperty("java.version"))
                .append(", ")
                .append(System.getProperty("os.name"))
                .append(' ')
                .append(System.getProperty("os.version"))
                .append(' ')
                .append(System.getProperty("os.arch"))
                .append(", ")
                .append(Runtime.getRuntime().availableProcessors())
                .append(" processors, memory up to ")
                .append(Runtime.getRuntime().maxMemory() / 1_000_000)
                .append(" MB\nScreens: ")
                .append(screens)
                .append("\nSettings: ")
                .append(settings.day() ? "day" : "night")
                .append(", text ")
                .append(settings.text().word())
                .append(", levels ")
                .append(settings.levels().word())
                .append("\n\nThe plan that is open\n");
        Map<String, Integer> counts = new TreeMap<>();
        for (Kind<?> kind : Kind.ALL) {
            int count = report.plan().all(kind).size();
            if (count > 0) {
                counts.put(kind.word(), count);
            }
        }
        counts.forEach((kind, count) ->
                text.append("  ").append(kind).append(": ").append(count).append('\n'));
        text.append("\nFindings\n");
        Map<String, Integer> rules = new TreeMap<>();
        report.findings().forEach(f -> rules.merge(f.rule(), 1, Integer::sum));
        rules.forEach((rule, count) ->
                text.append("  ").append(rule).append(": ").append(count).append('\n'));
        text.append("\nThe newest lines of the log\n");
        newest(folders.logs())
                .forEach(line -> text.append("  ").append(Logs.masked(line)).append('\n'));
        return withoutHome(text.toString());
    }

    private static List<String> newest(Path logs) {
        try {
            return Logs.newest(logs, MOST_LINES);
        } catch (IOException e) {
            return List.of("The log could not be read: " + e.getMessage());
        }
    }

    /** The home folder has the name of a person. */
    private static String withoutHome(String text) {
        String home = System.getProperty("user.home", "");
        return home.length() < 2 ? text : text.replace(home, "~");
    }
}
