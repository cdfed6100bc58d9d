package zentrel.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import zentrel.demo.FernlightTrail;
import zentrel.found.AnsweredBy;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.plan.Kind;
import zentrel.plan.Loss;
import zentrel.plan.Plan;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/** What changed since a net worked, what was judged of it, and what the log joins. */
class SealedStateTest {
    private static FoundDevice device(String mac, String name, int universe) {
        return new FoundDevice(
                Ipv4Address.parse("10.41.20.1"),
                Optional.of(mac),
                name,
                "",
                "",
                0x0201,
                1,
                Loss.HOLD,
                false,
                DeviceState.READY,
                Set.of(AnsweredBy.ARTPOLL),
                List.of(new FoundPort(1, 1, 0, Direction.OUTPUT, Protocol.ARTNET, universe, Merge.HTP, true)),
                0,
                List.of());
    }

    private static StreamSeen stream(int universe, String name, int priority, double rate, StreamSeen.State state) {
        return new StreamSeen(
                Protocol.SACN,
                universe,
                Ipv4Address.parse("10.41.1.1"),
                Optional.of(new UUID(0, name.hashCode())),
                name,
                priority,
                false,
                100,
                0,
                0,
                0,
                rate,
                0,
                0,
                1_000_000_000L,
                0,
                Optional.empty(),
                Map.of(),
                Optional.empty(),
                state,
                Bytes.zeros(512));
    }

    private static List<UniverseSeen> seen(StreamSeen... streams) {
        return UniverseSeen.of(List.of(streams));
    }

    /** A querier asks every 125 s (RFC 3376 §8.2); universes that stop together long after it are one event, with that as the cause. */
    @Test
    void whereMulticastStopsItsLastQueryIsTold() {
        long second = 1_000_000_000L;
        EventLog log = new EventLog();
        log.queried(Ipv4Address.parse("10.41.1.1"), 5 * second);
        log.queried(Ipv4Address.parse("10.41.1.1"), 130 * second);
        for (int lost : new int[] {0, 1}) {
            StreamSeen.State state = lost == 0 ? StreamSeen.State.SENDS : StreamSeen.State.SILENT;
            log.look(
                    List.of(stream(5, "Hut", 100, 40, state), stream(6, "Hut", 100, 40, state)),
                    List.of(),
                    (140 + lost * 250) * second);
        }
        assertThat(log.newest(9).stream().map(LiveEvent::text))
                .containsExactly(
                        "Hut stops without a word: sACN 5–6; the last query was heard 260 s before, and without one switches"
                                + " that snoop stop passing multicast on",
                        "Hut starts: sACN 5–6",
                        "The querier 10.41.1.1 asks");
        log.queried(Ipv4Address.parse("10.41.1.1"), 500 * second);
        assertThat(log.newest(1).get(0).text()).isEqualTo("The querier 10.41.1.1 is back");
    }

    @Test
    void whatCanExplainMostComesFirst(@TempDir Path folder) throws Exception {
        SealedState then = SealedState.of(
                List.of(device("02:00:00:00:00:01", "Jetty", 4), device("02:00:00:00:00:02", "Paths", 5)),
                seen(
                        stream(10, "Hut", 100, 40, StreamSeen.State.SENDS),
                        stream(11, "Hut", 100, 40, StreamSeen.State.SENDS),
                        stream(12, "Hut", 100, 40, StreamSeen.State.SENDS)),
                7);
        Path file = folder.resolve("then.json");
        SealedFile.write(then, file);
        SealedState read = SealedFile.read(file);
        assertThat(read).isEqualTo(then);
        assertThat(read.changesTo(then)).isEmpty();

        SealedState now = SealedState.of(
                List.of(device("02:00:00:00:00:02", "Paths", 6), device("02:00:00:00:00:03", "Orchard", 1)),
                seen(
                        stream(10, "Hut", 100, 40, StreamSeen.State.SILENT),
                        stream(11, "Hut", 90, 40, StreamSeen.State.SENDS),
                        stream(12, "Hut", 100, 3, StreamSeen.State.SENDS)),
                9);
        assertThat(read.changesTo(now).stream().map(SealedState.Change::text))
                .containsExactly(
                        "Jetty is not there any more.",
                        "sACN 10 does not come any more; it came from Hut 100.",
                        "Paths: port 1 is output Art-Net 6 HTP, was output Art-Net 5 HTP.",
                        "sACN 11 comes from Hut 90, and came from Hut 100.",
                        "sACN 12 comes 3.0 times a second, and came 40.0 times.",
                        "Orchard is new.");
        Plan planThen = FernlightTrail.ready();
        SealedFile.write(then.withPlan(planThen), file);
        Plan kept = SealedFile.read(file).planThen().orElseThrow();
        assertThat(SealedState.ofPlan(kept, planThen)).isEmpty();
        Plan changed = planThen.with(Kind.PORT.id("jetty-node.p1"), p -> p.withWire(77));
        assertThat(SealedState.ofPlan(kept, changed))
                .singleElement()
                .satisfies(c -> assertThat(c.text())
                        .startsWith("In the plan: Changed: ")
                        .contains("77"));
        for (String none : new String[] {
            "",
            "[]",
            "{}",
            "{\"time\":1}",
            "{\"devices\":{\"a\":null},\"universes\":{},\"rates\":{}}",
            "{\"devices\":{},\"universes\":{},\"rates\":{},\"plan\":{\"hosts\":7}}"
        }) {
            Files.writeString(file, none);
            assertThatThrownBy(() -> SealedFile.read(file))
                    .as(none)
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("is no sealed state");
        }
    }

    @Test
    void universesThatStopTogetherAreOneEvent() {
        EventLog log = new EventLog();
        StreamSeen[] on = new StreamSeen[5];
        StreamSeen[] off = new StreamSeen[5];
        for (int i = 0; i < 5; i++) {
            on[i] = stream(5 + i, "Hut", 100, 40, StreamSeen.State.SENDS);
            off[i] = stream(5 + i, "Hut", 100, 0, i == 2 ? StreamSeen.State.ENDED : StreamSeen.State.SILENT);
        }
        log.look(List.of(on), List.of(), 1);
        log.look(List.of(off), List.of(), 2);
        assertThat(log.newest(9).stream().map(LiveEvent::text))
                .containsExactly(
                        "Hut stops without a word: sACN 5–6, 8–9",
                        "Hut says that it stops: sACN 7",
                        "Hut starts: sACN 5–9");
        assertThat(log.newest(1).get(0).grave()).isTrue();
    }

    @Test
    void borrowingSaysWhomItOverrides() {
        List<StreamSeen> heard = List.of(
                stream(5, "Hut", 100, 40, StreamSeen.State.SENDS), stream(5, "Backup", 90, 40, StreamSeen.State.SENDS));
        assertThat(Takeover.of(Protocol.SACN, 5, heard, 90).words()).contains("is not used; it takes 101");
        assertThat(Takeover.of(Protocol.SACN, 5, heard, 100).words()).contains("is merged with it");
        assertThat(Takeover.of(Protocol.SACN, 5, heard, 101))
                .matches(Takeover::wins)
                .satisfies(t -> assertThat(t.words()).contains("Hut with priority 100, Backup with priority 90"));
        assertThat(Takeover.of(Protocol.SACN, 6, heard, 100).words()).startsWith("Nobody was heard to send sACN 6");
    }

    /** Slot ((n − 1) mod 512) + 1 at 1 + (n − 1) div 512, worked by hand. */
    @Test
    void eachUniverseSaysItsNumber() {
        for (int[] row : new int[][] {{1, 1, 1}, {512, 512, 1}, {513, 1, 2}, {63_999, 511, 125}, {300, 300, 1}}) {
            byte[] levels = SendPattern.NUMBER.levels(0, 0, 1, Protocol.SACN, row[0], 1, 512, 255);
            assertThat(levels[row[1] - 1] & 0xFF).as("universe " + row[0]).isEqualTo(row[2]);
            assertThat(SendPattern.numberIn(levels)).isEqualTo(row[0]);
        }
        byte[] first = SendPattern.NUMBER.levels(0, 0, 1, Protocol.ARTNET, 0, 1, 512, 255);
        assertThat(SendPattern.numberIn(first)).as("Port-Address 0 says 1").isEqualTo(1);
        assertThat(SendPattern.WALK.levels(13, 0, 1, Protocol.SACN, 1, 5, 8, 200)[5])
                .isEqualTo((byte) 200);
        assertThat(SendPattern.UNIVERSES.levels(3, 1, 2, Protocol.SACN, 1, 1, 512, 9)[0])
                .isEqualTo((byte) 9);
        assertThat(SendPattern.UNIVERSES.levels(2, 1, 2, Protocol.SACN, 1, 1, 512, 9)[0])
                .isZero();
    }
}
