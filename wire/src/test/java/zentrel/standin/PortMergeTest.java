package zentrel.standin;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

class PortMergeTest {
    private static PortMerge merge(Protocol protocol, Merge merge) {
        return new PortMerge(new StandinPort("p", protocol, 1, true, true, merge));
    }

    private static SourceIdentity id(String name) {
        return SourceIdentity.sacn(UUID.nameUUIDFromBytes(name.getBytes(UTF_8)));
    }

    private static byte[] levels(int... first) {
        byte[] levels = new byte[512];
        for (int i = 0; i < first.length; i++) {
            levels[i] = (byte) first[i];
        }
        return levels;
    }

    @Test
    void higherPriorityWinsAndTheNextTakesOver() {
        PortMerge merge = merge(Protocol.SACN, Merge.HTP);
        merge.take(id("primary"), false, 100, 1, levels(10, 200), 0);
        merge.take(id("backup"), false, 90, 1, levels(255, 255), 0);
        assertThat(merge.update()).containsExactlyInAnyOrderEntriesOf(Map.of(1, 10, 2, 200));
        merge.take(id("backup"), false, 90, 2, levels(255, 255), 2_000_000_000L);
        assertThat(merge.lapse(PortMerge.SACN_LOSS_NANOS))
                .as("at 2.5 s it is still there")
                .isEmpty();
        assertThat(merge.lapse(PortMerge.SACN_LOSS_NANOS + 1))
                .containsExactly(new PortMerge.Lost(id("primary"), false));
        assertThat(merge.update()).containsExactlyInAnyOrderEntriesOf(Map.of(1, 255, 2, 255));
    }

    @Test
    void equalsMergeByHighestOrLatest() {
        PortMerge htp = merge(Protocol.SACN, Merge.HTP);
        PortMerge ltp = merge(Protocol.SACN, Merge.LTP);
        for (PortMerge merge : new PortMerge[] {htp, ltp}) {
            merge.take(id("a"), false, 100, 1, levels(10, 200), 0);
            merge.take(id("b"), false, 100, 1, levels(50, 20), 1);
            merge.update();
        }
        assertThat(htp.output()).startsWith(50, (byte) 200);
        assertThat(ltp.output()).startsWith(50, 20);
    }

    /** Art-Net 4: a node merges two sources and ignores a third. From memory, 85 %. */
    @Test
    void artNetTakesTwoSourcesAndNoThird() {
        PortMerge merge = merge(Protocol.ARTNET, Merge.HTP);
        assertThat(merge.take(id("a"), false, 0, 0, levels(1), 0)).isTrue();
        assertThat(merge.take(id("b"), false, 0, 0, levels(2), 0)).isTrue();
        assertThat(merge.take(id("c"), false, 0, 0, levels(9), 0)).isFalse();
        merge.update();
        assertThat(merge.output()[0]).isEqualTo((byte) 2);
        PortMerge one = merge(Protocol.ARTNET, Merge.NONE);
        assertThat(one.take(id("a"), false, 0, 0, levels(1), 0)).isTrue();
        assertThat(one.take(id("b"), false, 0, 0, levels(2), 0)).isFalse();
    }

    /** ANSI E1.31-2018 §6.7.2: dropped if −20 < (int8)(B − A) ≤ 0. */
    @Test
    void packetsOutOfOrderAreDropped() {
        PortMerge merge = merge(Protocol.SACN, Merge.HTP);
        merge.take(id("a"), false, 100, 10, levels(1), 0);
        assertThat(merge.take(id("a"), false, 100, 10, levels(2), 0))
                .as("the same")
                .isFalse();
        assertThat(merge.take(id("a"), false, 100, 247, levels(2), 0)).as("-19").isFalse();
        assertThat(merge.take(id("a"), false, 100, 246, levels(2), 0))
                .as("-20: a restarted source")
                .isTrue();
        assertThat(merge.take(id("a"), false, 100, 247, levels(2), 0)).isTrue();
        assertThat(merge.take(id("a"), false, 100, 1, levels(2), 0))
                .as("across the wrap")
                .isTrue();
    }

    @Test
    void withNoSourceLeftTheLastLookIsHeld() {
        PortMerge merge = merge(Protocol.SACN, Merge.HTP);
        merge.take(id("a"), false, 100, 1, levels(77), 0);
        merge.update();
        merge.drop(id("a"));
        assertThat(merge.update()).isEmpty();
        assertThat(merge.output()[0]).isEqualTo((byte) 77);
    }

    /** A flood of sources on one universe: the planned one keeps its place, and a higher priority finds one. */
    @Test
    void manySourcesLeaveRoomForThePlannedOne() {
        PortMerge merge = merge(Protocol.SACN, Merge.HTP);
        assertThat(merge.take(id("desk"), true, 100, 1, levels(200), 0)).isTrue();
        int taken = 0;
        for (int i = 0; i < 10_000; i++) {
            taken += merge.take(id("x" + i), false, 100, 1, levels(20, 30), 1) ? 1 : 0;
        }
        assertThat(taken).isEqualTo(PortMerge.MOST_SACN_SOURCES - 1);
        assertThat(merge.take(id("second desk"), true, 100, 1, levels(210), 2)).isTrue();
        assertThat(merge.take(id("higher"), false, 150, 1, levels(5), 3)).isTrue();
        assertThat(merge.knows(id("desk")) && merge.knows(id("second desk"))).isTrue();
        assertThat(merge.update()).containsExactlyInAnyOrderEntriesOf(Map.of(1, 5));
        merge.drop(id("higher"));
        assertThat(merge.update()).containsExactlyInAnyOrderEntriesOf(Map.of(1, 210, 2, 30));
        assertThat(merge.update()).as("nothing changed since").isEmpty();
    }
}
