package zentrel.standin;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import zentrel.plan.Merge;
import zentrel.plan.Protocol;

class PortMergeTest {
    private static byte[] levels(int... first) {
        byte[] levels = new byte[512];
        for (int i = 0; i < first.length; i++) {
            levels[i] = (byte) first[i];
        }
        return levels;
    }

    @Test
    void higherPriorityWinsAndTheNextTakesOver() {
        PortMerge merge = new PortMerge(Protocol.SACN, Merge.HTP);
        merge.take("primary", 100, 1, levels(10, 200), 0);
        merge.take("backup", 90, 1, levels(255, 255), 0);
        assertThat(merge.update()).containsExactlyInAnyOrderEntriesOf(Map.of(1, 10, 2, 200));
        merge.take("backup", 90, 2, levels(255, 255), 2_000_000_000L);
        assertThat(merge.lapse(PortMerge.SACN_LOSS_NANOS))
                .as("at 2.5 s it is still there")
                .isEmpty();
        assertThat(merge.lapse(PortMerge.SACN_LOSS_NANOS + 1)).containsExactly("primary");
        assertThat(merge.update()).containsExactlyInAnyOrderEntriesOf(Map.of(1, 255, 2, 255));
    }

    @Test
    void equalsMergeByHighestOrLatest() {
        PortMerge htp = new PortMerge(Protocol.SACN, Merge.HTP);
        PortMerge ltp = new PortMerge(Protocol.SACN, Merge.LTP);
        for (PortMerge merge : new PortMerge[] {htp, ltp}) {
            merge.take("a", 100, 1, levels(10, 200), 0);
            merge.take("b", 100, 1, levels(50, 20), 1);
            merge.update();
        }
        assertThat(htp.output()).startsWith(50, (byte) 200);
        assertThat(ltp.output()).startsWith(50, 20);
    }

    /** Art-Net 4: a node merges two sources and ignores a third. From memory, 85 %. */
    @Test
    void artNetTakesTwoSourcesAndNoThird() {
        PortMerge merge = new PortMerge(Protocol.ARTNET, Merge.HTP);
        assertThat(merge.take("a", 0, 0, levels(1), 0)).isTrue();
        assertThat(merge.take("b", 0, 0, levels(2), 0)).isTrue();
        assertThat(merge.take("c", 0, 0, levels(9), 0)).isFalse();
        merge.update();
        assertThat(merge.output()[0]).isEqualTo((byte) 2);
        PortMerge one = new PortMerge(Protocol.ARTNET, Merge.NONE);
        assertThat(one.take("a", 0, 0, levels(1), 0)).isTrue();
        assertThat(one.take("b", 0, 0, levels(2), 0)).isFalse();
    }

    /** ANSI E1.31-2018 §6.7.2: dropped if −20 < (int8)(B − A) ≤ 0. */
    @Test
    void packetsOutOfOrderAreDropped() {
        PortMerge merge = new PortMerge(Protocol.SACN, Merge.HTP);
        merge.take("a", 100, 10, levels(1), 0);
        assertThat(merge.take("a", 100, 10, levels(2), 0)).as("the same").isFalse();
        assertThat(merge.take("a", 100, 247, levels(2), 0)).as("-19").isFalse();
        assertThat(merge.take("a", 100, 246, levels(2), 0))
                .as("-20: a restarted source")
                .isTrue();
        assertThat(merge.take("a", 100, 247, levels(2), 0)).isTrue();
        assertThat(merge.take("a", 100, 1, levels(2), 0)).as("across the wrap").isTrue();
    }

    @Test
    void withNoSourceLeftTheLastLookIsHeld() {
        PortMerge merge = new PortMerge(Protocol.SACN, Merge.HTP);
        merge.take("a", 100, 1, levels(77), 0);
        merge.update();
        merge.drop("a");
        assertThat(merge.update()).isEmpty();
        assertThat(merge.output()[0]).isEqualTo((byte) 77);
    }
}
