package zentrel.net.real;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import zentrel.ipv4.Ipv4Address;

/**
 * The routes of Linux by its command {@code ip route get}, which answers as the kernel decides: with rules by source, several
 * tables, metrics and preferred sources. Where there is no such command, by sockets.
 */
final class LinuxRoutes implements SystemRoutes {
    private static final int SECONDS = 3;

    @Override
    public Map<Ipv4Address, Way> ask(Ipv4Address from, Collection<Ipv4Address> to) throws IOException {
        StringBuilder questions = new StringBuilder();
        to.forEach(t -> questions
                .append("route get ")
                .append(t)
                .append(" from ")
                .append(from)
                .append('\n'));
        Process process;
        try {
            process = new ProcessBuilder("ip", "-4", "-force", "-batch", "-")
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
        } catch (IOException e) {
            return new SocketRoutes(false).ask(from, to); // a system without iproute2
        }
        try {
            process.getOutputStream().write(questions.toString().getBytes(StandardCharsets.US_ASCII));
            process.getOutputStream().close();
            String answers = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (!process.waitFor(SECONDS, TimeUnit.SECONDS)) {
                throw new IOException("The command ip did not answer within " + SECONDS + " s.");
            }
            return ways(answers, to);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Asking the system for its routes was stopped.", e);
        } finally {
            process.destroy();
        }
    }

    /** Reads lines such as {@code broadcast 10.1.0.255 from 10.1.0.1 dev eth0 uid 0}; what is not answered has no route. */
    static Map<Ipv4Address, Way> ways(String answers, Collection<Ipv4Address> asked) {
        Map<String, Way> byText = new HashMap<>();
        answers.lines().forEach(line -> {
            List<String> words = new ArrayList<>(List.of(line.strip().split("\\s+")));
            boolean here = words.get(0).equals("local");
            if (words.get(0).matches("[a-z]+")) {
                words.remove(0);
            }
            int dev = words.indexOf("dev");
            if (!words.isEmpty() && dev > 0 && dev + 1 < words.size()) {
                byText.put(words.get(0), here ? Way.HERE : Way.by(words.get(dev + 1)));
            }
        });
        Map<Ipv4Address, Way> ways = new HashMap<>();
        asked.forEach(a -> ways.put(a, byText.getOrDefault(a.toString(), Way.NONE)));
        return ways;
    }
}
