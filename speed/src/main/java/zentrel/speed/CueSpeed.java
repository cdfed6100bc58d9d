package zentrel.speed;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import zentrel.control.Cue;
import zentrel.control.CueComparison;
import zentrel.control.CueNumber;
import zentrel.control.CueTable;
import zentrel.control.MessageTemplate;
import zentrel.control.OscPattern;
import zentrel.control.OscValue;
import zentrel.control.ValueList;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.OscMonitor;
import zentrel.net.real.RealNet;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscValues;

/**
 * Cue lists and OSC: two lists of 10,000 cues compared (goal 100 ms), 1,000 messages made (goal 50 ms), and 20,000 messages in a
 * second decoded and matched for 10 s on loopback (goal: none lost).
 */
final class CueSpeed {
    private static final int CUES = 10_000;
    private static final int TIMES = 21;
    private static final int PER_SECOND = 20_000;
    private static final int SECONDS = 10;
    private static final int AT_ONCE = 20;
    private static final int PORT = 24_990;
    private static final long WAIT = 1_000_000_000L;

    private CueSpeed() {}

    static void print() throws IOException {
        compared();
        made();
        counted();
    }

    private static void compared() {
        Random random = new Random(1);
        List<Cue> a = new ArrayList<>();
        for (int i = 1; i <= CUES; i++) {
            a.add(new Cue("1", CueNumber.of(i + "." + i % 10).orElseThrow(), "Cue " + i, "3", ""));
        }
        List<Cue> b = new ArrayList<>(a);
        for (int i = 0; i < CUES / 20; i++) {
            int at = random.nextInt(b.size());
            Cue cue = b.get(at);
            b.set(at, new Cue("1", cue.number(), "Other", cue.time(), ""));
            b.remove(random.nextInt(b.size()));
        }
        Set<CueTable.Column> all = Set.of(CueTable.Column.values());
        long[] times = new long[TIMES];
        int differences = 0;
        for (int i = 0; i < TIMES; i++) {
            long begun = System.nanoTime();
            differences = CueComparison.of(new CueTable(a, all, List.of()), new CueTable(b, all, List.of()))
                    .differences()
                    .size();
            times[i] = System.nanoTime() - begun;
        }
        print("cues      two lists of " + CUES + " compared, " + differences + " differences", times);
    }

    private static void made() {
        MessageTemplate template = MessageTemplate.parse("/lights/{channel:int}/level level:0-1");
        long[] times = new long[TIMES];
        int messages = 0;
        for (int i = 0; i < TIMES; i++) {
            long begun = System.nanoTime();
            messages =
                    ValueList.combined(List.of(ValueList.of("1-200"), ValueList.of("0, 25 %, 50 %, 75 %, 100 %")))
                            .stream()
                            .map(template::fill)
                            .toList()
                            .size();
            times[i] = System.nanoTime() - begun;
        }
        print("cues      " + messages + " messages made", times);
    }

    private static void print(String what, long[] times) {
        long first = times[0];
        Arrays.sort(times);
        System.out.printf(
                Locale.ROOT,
                "%s: %.1f ms (median of %d), the first time %.1f ms%n",
                what,
                times[TIMES / 2] / 1e6,
                TIMES,
                first / 1e6);
    }

    private static void counted() throws IOException {
        Ipv4Address at = Ipv4Address.parse("127.73.1.1");
        byte[][] packets = new byte[64][];
        for (int i = 0; i < packets.length; i++) {
            packets[i] = OscCodec.encode(OscValues.message(
                    new MessageTemplate.Filled("/fern/level/" + i, List.of(new OscValue.Decimal(i / 64f)))));
        }
        // all nets of this process share one turn, so what is sent comes from a socket of its own
        try (RealNet receiving = new RealNet();
                DatagramSocket sending = new DatagramSocket(new InetSocketAddress("127.73.1.2", 0));
                OscMonitor monitor = new OscMonitor(receiving, a -> OscPattern.matches("/fern/level/*", a))) {
            monitor.listen(receiving.require(at), PORT);
            long sent = send(sending, new InetSocketAddress(at.toString(), PORT), packets);
            LockSupport.parkNanos(WAIT);
            OscMonitor.Seen seen = monitor.seen(100);
            boolean matched = seen.rows().stream().allMatch(OscMonitor.Row::matched);
            System.out.printf(
                    Locale.ROOT,
                    "cues      OSC on loopback, %d messages a second for %d s: %d sent, %d counted in %d rows, %s%n",
                    PER_SECOND,
                    SECONDS,
                    sent,
                    seen.messages(),
                    seen.rows().size(),
                    matched ? "all matched" : "not all matched");
        }
    }

    private static long send(DatagramSocket socket, InetSocketAddress to, byte[][] packets) throws IOException {
        long begun = System.nanoTime();
        long sent = 0;
        long all = (long) PER_SECOND * SECONDS;
        while (sent < all) {
            LockSupport.parkNanos(begun + sent * WAIT / PER_SECOND - System.nanoTime());
            for (int i = 0; i < AT_ONCE; i++) {
                byte[] bytes = packets[(int) (sent % packets.length)];
                socket.send(new DatagramPacket(bytes, bytes.length, to));
                sent++;
            }
        }
        return sent;
    }
}
